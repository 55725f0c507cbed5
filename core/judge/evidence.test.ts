import { swell, SWELL_DEFAULTS } from '@inner-hum/core/families';
import type { StepMeasures } from '@inner-hum/core/measure';
import { describe, expect, it } from 'vitest';
import { evidenceOf } from './evidence';
import { finding } from './finding';

const swelling = (shape: 'growFade' | 'grow') => ({
  score: swell({ ...SWELL_DEFAULTS, instrumentId: 'alto', tempoBpm: 60, beats: 10, shape }),
  measures: [{ kind: 'sounded', onsetS: 1, endS: 11 } as unknown as StepMeasures],
});
const take = swelling('growFade');

describe('where a finding is to be seen', () => {
  it('at its own moment, as long as that lasts', () =>
    expect(evidenceOf(finding('jump', 0, { beat: 4, atS: 5, partial: 2, lastsMs: 250, count: 1 }), take)).toMatchObject(
      { fromS: 4.88, toS: 5.37 },
    ));
  it('at the start and at the end', () => {
    const start = evidenceOf(finding('late', 0, { ms: 90, uncertainty: 5 }), take);
    expect(start).toMatchObject({ fromS: 0.88, toS: 1.4 });
    expect(evidenceOf(finding('stoppedEarly', 0, { beats: 2 }), take)).toEqual({ fromS: 10.5, toS: 11 });
  });
  it('in the softest fifth: the last of two that are alike, the first of one that grows', () => {
    const soft = finding('sharpWhenSoft', 0, { cents: 12, uncertainty: 1 });
    expect(evidenceOf(soft, take)).toEqual({ fromS: 9, toS: 11 });
    expect(evidenceOf(soft, swelling('grow'))).toEqual({ fromS: 1, toS: 3 });
    expect(evidenceOf(finding('colourOpens', 0, { partials: 1, uncertainty: 0.2 }), take)).toEqual({
      fromS: 5,
      toS: 7,
    });
  });
  it('over the whole tone', () =>
    expect(evidenceOf(finding('sharp', 0, { cents: 15, uncertainty: 1 }), take)).toEqual({ fromS: 1, toS: 11 }));
  it('nowhere for what went well, what is of several takes, and silence', () => {
    expect(evidenceOf(finding('fades', 0, { db: 9 }), take)).toBeUndefined();
    expect(evidenceOf(finding('tiring', 0, { percent: 9, tries: 3 }), take)).toBeUndefined();
    const silent = { ...take, measures: [{ kind: 'silent' } as StepMeasures] };
    expect(evidenceOf(finding('nothingHeard', 0, {}), silent)).toBeUndefined();
  });
});

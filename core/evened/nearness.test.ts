import { describe, expect, it } from 'vitest';
import { absent, measured, type StepMeasures } from '../measure';
import { farthest, nearness } from './nearness';

const tone = (cents: number, db: number, partials: number) =>
  ({
    kind: 'sounded',
    pitchCentreCents: measured(cents, 1),
    levelAgainstPlanDb: measured(db, 1),
    centroidPartials: measured(partials, 0.1),
  }) as unknown as StepMeasures;
const silent: StepMeasures = { kind: 'silent' } as StepMeasures;

describe('how near a take is to another', () => {
  it('is told by the tones that sounded in both', () => {
    const near = nearness([tone(2, 0, 4), tone(8, -3, 4), silent], [tone(-2, 1, 4), tone(2, -3, 6), tone(0, 0, 4)])!;
    expect(near.tones).toBe(2);
    expect(near.pitchCents).toBeCloseTo(5, 9);
    expect(near.levelDb).toBeCloseTo(0.5, 9);
    expect(near.colour).toBeCloseTo(Math.sqrt(1.5) - 1, 9);
    expect(farthest(near)).toBe('colour');
  });
  it('leaves out what was not measured, and says nothing where no tone sounded in both', () => {
    const untold = { ...tone(0, 0, 4), levelAgainstPlanDb: absent('tooShort') } as unknown as StepMeasures;
    expect(nearness([untold], [tone(0, 0, 4)])).toEqual({ tones: 1, pitchCents: 0, colour: 0 });
    expect(nearness([silent], [tone(0, 0, 4)])).toBeUndefined();
    const none = absent('anotherNote');
    const other = { kind: 'sounded', pitchCentreCents: none, levelAgainstPlanDb: none, centroidPartials: none };
    expect(nearness([other as unknown as StepMeasures], [tone(0, 0, 4)])).toBeUndefined();
  });
  it('names nothing where all lies as near as an ear can tell', () =>
    expect(farthest({ tones: 1, pitchCents: 4, levelDb: 2, colour: 0.1 })).toBeUndefined());
});

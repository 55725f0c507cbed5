import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dynamicPosition } from '../../theory';
import { breathBudget, plannedPosition, scoreBeats } from '../../exercise';
import { swell, SWELL_DEFAULTS, SWELL_SHAPES, type SwellParameters } from './swell';

const base: SwellParameters = { ...SWELL_DEFAULTS, instrumentId: 'alto' };

describe('swell', () => {
  it.each([
    ['grow', [0.2, 0.5, 0.8]],
    ['fade', [0.8, 0.5, 0.2]],
    ['growFade', [0.2, 0.8, 0.2]],
    ['fadeGrow', [0.8, 0.2, 0.8]],
  ] as const)('%s starts, turns and ends where it says', (shape, expected) => {
    const step = swell({ ...base, shape }).steps[0]!;
    [0, 4, 8].forEach((beat, i) => expect(plannedPosition(step, beat, dynamicPosition)).toBeCloseTo(expected[i]!, 9));
  });

  it('separates repeats by rests', () => {
    const score = swell({ ...base, repeats: 3, restBeats: 2 });
    expect(score.steps.map((step) => step.startBeat)).toEqual([0, 10, 20]);
    expect(scoreBeats(score)).toBe(28);
  });

  it('the plan never leaves the two dynamics', () =>
    fc.assert(
      fc.property(fc.constantFrom(...SWELL_SHAPES), fc.double({ min: -1, max: 9, noNaN: true }), (shape, beat) => {
        const position = plannedPosition(swell({ ...base, shape }).steps[0]!, beat, dynamicPosition);
        expect(position).toBeGreaterThanOrEqual(0.2 - 1e-9);
        expect(position).toBeLessThanOrEqual(0.8 + 1e-9);
      }),
    ));

  it.each([
    [{ tempoBpm: 201 }, 'tempoBpm must be from 30 to 200, got 201'],
    [{ beats: NaN }, 'beats must be from 2 to 32, got NaN'],
    [{ softest: 'f', loudest: 'f' }, 'softest must be softer than loudest'],
    [{ writtenMidi: 57 }, 'writtenMidi must be from 58 to 102, got 57'],
  ] as const)('refuses %o', (change, message) => expect(() => swell({ ...base, ...change })).toThrow(message));

  it('low A belongs to the low-A baritone alone', () =>
    expect(swell({ ...base, instrumentId: 'baritoneLowA', writtenMidi: 57 }).steps[0]!.fingeredMidi).toBe(57));
});

describe('breathBudget', () => {
  it.each([
    [8, 60, 1, 8, 8],
    [12, 90, 1, 8, 8],
    [8, 60, 3, 8, 32],
  ])('%i beats at %i, %i times: %i s in one breath, %i s in all', (beats, tempoBpm, repeats, breath, total) => {
    const budget = breathBudget(swell({ ...base, beats, tempoBpm, repeats, restBeats: 4 }));
    expect(budget.longestBreathS).toBeCloseTo(breath, 9);
    expect(budget.totalS).toBeCloseTo(total, 9);
  });
});

import { describe, expect, it } from 'vitest';
import { isSilent } from './metronome';

const silentBars = (silentBarEvery: number) =>
  Array.from({ length: 9 }, (_, bar) => bar).filter((bar) => isSilent(4 * bar, { beatsPerBar: 4, silentBarEvery }));

describe('silent bars', () => {
  it.each([
    [0, []],
    [2, [1, 3, 5, 7]],
    [4, [3, 7]],
  ])('every %d', (every, bars) => expect(silentBars(every)).toEqual(bars));
  it('all beats of a bar are alike, and a count-in always clicks', () => {
    const plan = { beatsPerBar: 3, silentBarEvery: 2 };
    expect([3, 4, 5, 6].map((beat) => isSilent(beat, plan))).toEqual([true, true, true, false]);
    expect([-4, -3, -2, -1].some((beat) => isSilent(beat, plan))).toBe(false);
  });
});

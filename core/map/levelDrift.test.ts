import { describe, expect, it } from 'vitest';
import type { Digest } from '../history/digest';
import { levelDrift } from './levelDrift';

const day = (date: string, levels: readonly number[], room = 'kitchen') =>
  levels.map((levelAgainstPlanDb, i) => ({
    day: date,
    startedAtMs: Date.parse(`${date}T18:00:00Z`) + i,
    setup: { instrumentId: 'alto', room },
    seen: [{ values: { levelAgainstPlanDb } }],
  })) as unknown as Digest[];
const usual = [...day('2026-01-05', [0, 1, -1, 2, 0, -2]), ...day('2026-01-06', [1, 0, -1, 1, 2, -1])];

describe('the level of a microphone', () => {
  it('has moved when all that is played is softer than on the days before', () =>
    expect(levelDrift([...usual, ...day('2026-01-07', [-7, -6, -8, -7, -5, -7])])?.db).toBeCloseTo(-7, 0));
  it('has not when single notes are louder, or the day has told too little', () => {
    expect(levelDrift([...usual, ...day('2026-01-07', [0, 8, 1, -1, 9, 0])])).toBeUndefined();
    expect(levelDrift([...usual, ...day('2026-01-07', [-7, -7])])).toBeUndefined();
    expect(levelDrift([])).toBeUndefined();
  });
  it('is another one in another room', () =>
    expect(levelDrift([...usual, ...day('2026-01-07', [-7, -6, -8, -7, -5, -7], 'hall')])).toBeUndefined());
});

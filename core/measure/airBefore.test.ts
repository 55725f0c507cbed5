import { describe, expect, it } from 'vitest';
import { HOP_S } from '../signal';
import { airSpreadDb } from './airBefore';

/** Three seconds of air, a tone after two of them, so loud at each time, dB. */
const frames = (levelAt: (timeS: number) => number) => {
  const count = Math.round(3 / HOP_S);
  return {
    levelDb: Float32Array.from({ length: count }, (_, i) => levelAt(i * HOP_S)),
    f0Hz: Float32Array.from({ length: count }, (_, i) => (i * HOP_S >= 2 ? 233 : 0)),
  };
};
const AIR = { fromS: 0, onsetS: 2 };

describe('how far the air before a tone strays', () => {
  it('is nothing for air that flows evenly', () =>
    expect(
      airSpreadDb(
        frames(() => -50),
        AIR,
        -80,
      ),
    ).toEqual({ kind: 'measured', value: 0, uncertainty: 0.6 }));
  it('is half of what it goes up and down', () => {
    const found = airSpreadDb(
      frames((timeS) => -50 + 5 * Math.sin(2 * Math.PI * timeS)),
      AIR,
      -80,
    );
    expect(found.kind === 'measured' && Math.abs(found.value - 4.7) < 0.5).toBe(true);
  });
  it('is not told of air that the room covers, and of too little of it', () => {
    expect(
      airSpreadDb(
        frames(() => -50),
        AIR,
        -54,
      ),
    ).toEqual({ kind: 'absent', reason: 'breathUnheard' });
    expect(
      airSpreadDb(
        frames(() => -50),
        { fromS: 1.4, onsetS: 2 },
        -80,
      ),
    ).toEqual({ kind: 'absent', reason: 'tooShort' });
  });
});

import { describe, expect, it } from 'vitest';
import { HOP_S, type Frames } from '../signal';
import { overshootDb } from './overshoot';
import type { PlannedLine } from './plannedLine';

/** A tone of two seconds from the first frame on, so loud at each time, dB. */
const played = (levelAt: (timeS: number) => number, lastsS = 2) => {
  const count = Math.round(lastsS / HOP_S);
  const frames = {
    f0Hz: new Float64Array(count).fill(233),
    levelDb: Float64Array.from({ length: count }, (_, i) => levelAt(i * HOP_S)),
  } as unknown as Frames;
  return { frames, span: { start: 0, end: count } };
};
const level = { levelDbAt: () => -30 } as unknown as PlannedLine;
const grows = { levelDbAt: (timeS: number) => -40 + 6 * timeS } as unknown as PlannedLine;

describe('how much louder a tone starts than it goes on', () => {
  it('is the start over what follows', () => {
    const { frames, span } = played((timeS) => (timeS < 0.22 ? -20 : -30));
    expect(overshootDb(frames, span, level, 0)).toMatchObject({ kind: 'measured', value: 10 });
  });
  it('is nothing for a level tone, and for a hairpin that follows its plan', () => {
    const even = played(() => -27);
    expect(overshootDb(even.frames, even.span, level, 0)).toMatchObject({ value: 0 });
    const swelled = played((timeS) => -45 + 6 * timeS);
    const found = overshootDb(swelled.frames, swelled.span, grows, 0);
    expect(found.kind === 'measured' && Math.abs(found.value) < 1e-9).toBe(true);
  });
  it('is below nothing for a start that grows', () => {
    const { frames, span } = played((timeS) => (timeS < 0.25 ? -36 : -30));
    expect(overshootDb(frames, span, level, 0)).toMatchObject({ value: -6 });
  });
  it('is not told of a tone that ends before it settles', () => {
    const { frames, span } = played(() => -30, 0.25);
    expect(overshootDb(frames, span, level, 0)).toEqual({ kind: 'absent', reason: 'tooShort' });
  });
});

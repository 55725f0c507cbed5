import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { brokeAtS, brokeUnderPDb, heldUnderPDb, levelOfP } from './edge';
import type { ToneBody } from './tone';

const P_DB = levelOfP(ASSUMED_RULER);
/** A fade of five seconds from 10 dB above p, 4 dB each second. */
const levelAt = (timeS: number) => P_DB + 10 - 4 * timeS;
const count = 500;
const levelDb = Float32Array.from({ length: count }, (_, i) => levelAt(i * HOP_S));
const frames = { count, levelDb } as unknown as Frames;
const body = {
  levelDb: Float64Array.from(levelDb),
  timeS: Float64Array.from({ length: count }, (_, i) => i * HOP_S),
} as unknown as ToneBody;
const at = (atS: number) => ({ atS, lastsS: 0.2 });
const jump = { kind: 'jump', fromPartial: 1, toPartial: 2, cameBack: true } as const;

describe('where a tone broke', () => {
  it('is its first jump or hole, not its start and not a squeak', () => {
    expect(brokeAtS(1, { jumps: [], dropOuts: [] })).toBeUndefined();
    expect(brokeAtS(1, { jumps: [{ ...jump, ...at(1.1) }], dropOuts: [at(3), at(2)] })).toBe(2);
    expect(brokeAtS(1, { jumps: [{ ...jump, kind: 'squeak', ...at(2) }], dropOuts: [] })).toBeUndefined();
  });
  it('is told as so many decibels below p', () => {
    expect(brokeUnderPDb(frames, 4, ASSUMED_RULER)).toMatchObject({ value: expect.closeTo(6, 0) as number });
    expect(brokeUnderPDb(frames, 1, ASSUMED_RULER)).toMatchObject({ value: expect.closeTo(-6, 0) as number });
    expect(brokeUnderPDb(frames, undefined, ASSUMED_RULER)).toEqual({ kind: 'absent', reason: 'noBreak' });
  });
  it('what was held before it ends there; without a break at the softest', () => {
    const held = (atS?: number) => heldUnderPDb(body, atS, ASSUMED_RULER);
    expect(held(4)).toMatchObject({ value: expect.closeTo(5, 0) as number });
    expect(held()).toMatchObject({ value: expect.closeTo(9, 0) as number });
  });
});

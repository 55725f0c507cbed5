import { HOP_S } from '@inner-hum/core/signal';
import { describe, expect, it } from 'vitest';
import { LiveTrace } from './liveTrace';
import type { LiveMessage } from './protocol';

const clock = (currentTime: number) => ({ sampleRate: 44100, currentTime });
/** Frames from an index on, by pitch: 0 is no tone. */
const frames = (from: number, ...hz: number[]): LiveMessage => ({
  kind: 'frames',
  rows: Float32Array.from(hz.flatMap((value, i) => [from + i, value, -30, -40, value === 221 ? 1 : 0])),
  peak: 0.5,
  lost: [],
});
const begun = (atS = 2) => {
  const trace = new LiveTrace();
  trace.receive({ kind: 'started', firstSample: atS * 44100 }, clock(atS));
  return trace;
};

describe('the live trace', () => {
  it('holds frames at their place, and as many as came', () => {
    const trace = begun();
    trace.receive(frames(0, 220, 221), clock(2.05));
    trace.receive(frames(2, 222), clock(2.06));
    expect([...trace.f0Hz.subarray(0, trace.count)]).toEqual([220, 221, 222]);
    expect(trace.levelDb[2]).toBe(-30);
    expect(trace.upperMixedAt).toBe(1);
    trace.reset();
    expect(trace.upperMixedAt).toBe(-1);
  });
  it('grows with a long recording and loses nothing', () => {
    const trace = begun();
    for (let i = 0; i < 10_000; i += 50) trace.receive(frames(i, ...Array<number>(50).fill(200 + i / 50)), clock(2));
    expect(trace.count).toBe(10_000);
    expect([trace.f0Hz[0], trace.f0Hz[9999]]).toEqual([200, 399]);
  });
  it('knows when the first tone began, on the clock of the sound', () => {
    const trace = begun(3);
    trace.receive(frames(0, 0, 0, ...Array<number>(12).fill(220)), clock(3.2));
    expect(trace.firstTone(0, 0.1)).toBeCloseTo(3 + 2 * HOP_S, 6);
    expect(trace.firstTone(0, 0.5)).toBeUndefined();
    trace.receive(frames(14, 0), clock(3.2));
    expect(trace.firstTone(3 + 4 * HOP_S, 0.01)).toBeUndefined();
    expect(trace.lastToneAtS()).toBeCloseTo(3 + 13 * HOP_S, 6);
  });
  it('asked late, it still gives the first tone, and none that had begun before', () => {
    const trace = begun(0);
    const tone = Array<number>(20).fill(220);
    trace.receive(frames(0, ...tone, 0, 220, 0, ...tone, 0, ...tone), clock(1));
    expect(trace.firstTone(5 * HOP_S, 0.1)).toBeCloseTo(23 * HOP_S, 6);
    expect(trace.firstTone(-1, 0.1)).toBe(0);
  });
  it('before any sound there is no tone', () => {
    const trace = new LiveTrace();
    expect([trace.firstTone(0, 0), trace.lastToneAtS()]).toEqual([undefined, undefined]);
  });
  it('tells how late the newest frame came', () => {
    const trace = begun(1);
    trace.receive(frames(0, ...Array<number>(5).fill(220)), clock(1 + 4 * HOP_S + 0.03));
    expect(trace.delayS).toBeCloseTo(0.03, 6);
  });
  it('begins anew with the next recording', () => {
    const trace = begun();
    trace.receive(frames(0, 220), clock(2.1));
    trace.receive({ kind: 'started', firstSample: 5 * 44100 }, clock(5));
    expect([trace.count, trace.startS, trace.peak]).toEqual([0, 5, 0]);
  });
  it('the peak falls slowly and rises at once', () => {
    const trace = begun();
    trace.receive(frames(0, 220), clock(2));
    trace.receive({ ...frames(1, 220), peak: 0.1 } as LiveMessage, clock(2));
    expect(trace.peak).toBeCloseTo(0.485, 6);
    trace.receive({ ...frames(2, 220), peak: 0.9 } as LiveMessage, clock(2));
    expect(trace.peak).toBe(0.9);
  });
});

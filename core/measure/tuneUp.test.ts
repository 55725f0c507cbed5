import { describe, expect, it } from 'vitest';
import { tuneUp } from './tuneUp';

const held = (midi: number, cents: number, seconds: number, a4Hz = 440) =>
  Array.from({ length: seconds * 100 }, () => a4Hz * 2 ** ((midi - 69 + cents / 100) / 12));

describe('tuneUp', () => {
  it.each([
    [8, 'out'],
    [-8, 'in'],
    [4.5, 'there'],
    [-4.5, 'there'],
  ])('%f cents: %s', (cents, advice) => {
    const heard = tuneUp(held(58, cents, 2), 440);
    expect(heard).toMatchObject({ kind: 'heard', advice, notes: 1 });
    if (heard.kind === 'heard') expect(heard.centreCents).toBeCloseTo(cents, 6);
  });
  it('single notes may lean: the middle of several counts', () => {
    const row = [...held(55, 2, 1), ...held(58, 7, 1), ...held(62, 18, 1)];
    expect(tuneUp(row, 440)).toMatchObject({ advice: 'out', centreCents: expect.closeTo(7, 6), notes: 3 });
  });
  it('follows the tuning', () => {
    expect(tuneUp(held(58, 0, 2, 442), 442)).toMatchObject({ advice: 'there' });
    expect(tuneUp(held(58, 0, 2, 442), 440)).toMatchObject({ advice: 'out', centreCents: expect.closeTo(7.85, 1) });
  });
  it('needs a second and a half of tone, and passes over what flits by', () => {
    expect(tuneUp([], 440)).toEqual({ kind: 'listening' });
    expect(tuneUp([...held(58, 0, 1), ...Array.from({ length: 300 }, () => 0)], 440)).toEqual({ kind: 'listening' });
    expect(tuneUp([...held(58, 0, 2), ...held(60, 40, 0.2)], 440)).toMatchObject({ notes: 1, advice: 'there' });
  });
});

import { describe, expect, it } from 'vitest';
import { UpperMix } from './upperMix';

/** Partials of a tone that falls off evenly, dB, with some of them raised. */
const partials = (raised: readonly number[] = [], db = 0) =>
  Array.from({ length: 24 }, (_, k) => -20 - 4 * k + (raised.includes(k + 1) ? db : 0));
/** Which of the frames tell that an upper tone mixes in: plain ones, then ones with some partials raised. */
function told(raised: readonly number[], db: number, { plain = 100, hz = 233, then = 60 } = {}) {
  const mix = new UpperMix();
  const before = Array.from({ length: plain }, () => mix.next(233, partials()));
  const after = Array.from({ length: then }, () => mix.next(hz, partials(raised, db)));
  return { before: before.filter(Boolean).length, from: after.indexOf(true) };
}

describe('an upper tone that mixes in', () => {
  it.each([
    ['the octave', [2, 4, 6, 8]],
    ['the twelfth', [3, 6, 9]],
  ])('%s is told within a fifth of a second, and not before', (_, raised) => {
    const { before, from } = told(raised, 5);
    expect(before).toBe(0);
    expect(from).toBeGreaterThan(5);
    expect(from).toBeLessThan(20);
  });
  it('a tone that is only louder or brighter has none', () => {
    const all = Array.from({ length: 24 }, (_, k) => k + 1);
    expect(told(all, 9).from).toBe(-1);
    expect(told(all.slice(6), 9).from).toBe(-1);
    expect(told([2, 4, 6], 2).from).toBe(-1);
  });
  it('another tone begins anew, and so does one after a silence', () => {
    expect(told([2, 4, 6], 6, { hz: 262 }).from).toBe(-1);
    const mix = new UpperMix();
    for (let i = 0; i < 100; i++) mix.next(233, partials());
    mix.next(0, []);
    expect(Array.from({ length: 60 }, () => mix.next(233, partials([2, 4, 6], 6)))).not.toContain(true);
  });
  it('tells nothing of a tone that has just begun', () => expect(told([2, 4, 6], 6, { plain: 30 }).from).toBe(-1));
});

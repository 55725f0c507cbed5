import { describe, expect, it } from 'vitest';
import { soundsToDrop, type KeptSound } from './soundBudget';

const sound = (takeId: string, day: number, shareInWindow: number, exercise = 'swell 67'): KeptSound => ({
  takeId,
  startedAtMs: 86_400_000 * day,
  exercise,
  shareInWindow,
  bytes: 10,
});
const sounds = [
  sound('first', 1, 0.3),
  sound('b', 2, 0.4),
  sound('best', 3, 0.9),
  sound('d', 4, 0.5),
  sound('last', 5, 0.6),
];

describe('soundsToDrop', () => {
  it('drops nothing that fits', () => expect(soundsToDrop(sounds, 50, [])).toEqual([]));
  it('drops the oldest ordinary ones; first, best and last stay', () => {
    expect(soundsToDrop(sounds, 40, [])).toEqual(['b']);
    expect(soundsToDrop(sounds, 30, [])).toEqual(['b', 'd']);
  });
  it('a pinned one never goes', () => {
    expect(soundsToDrop(sounds, 40, ['b'])).toEqual(['d']);
    expect(soundsToDrop(sounds, 10, ['b'])).toEqual(['d', 'first', 'best', 'last']);
    expect(soundsToDrop(sounds, 0, ['b'])).not.toContain('b');
  });
  it('each exercise has its own first, best and last', () =>
    expect(soundsToDrop([...sounds, sound('other', 1, 0.1, 'hold 60')], 50, [])).toEqual(['b']));
});

import { describe, expect, it } from 'vitest';
import { exerciseScore, freePlay, heldText, isExercise, isPlayed, MOST_HELD_NOTES, playable, tryScore } from '../index';

const kept = (held: string) =>
  ({ family: freePlay.id, instrumentId: 'alto', tempoBpm: 60, tunerHidden: false, held }) as const;

describe('what is kept of free play', () => {
  it('is its notes one after the other, a beat between', () => {
    const held = heldText([
      { midi: 67, beats: 3.9, loudness: 50 },
      { midi: 70, beats: 2, loudness: 100 },
    ]);
    expect(exerciseScore(kept(held)).steps).toMatchObject([
      { soundedMidi: 67, startBeat: 0, beats: 3.9, dynamics: [{ position: 0.5 }] },
      { soundedMidi: 70, startBeat: 4.9, beats: 2, dynamics: [{ dynamic: 'ff', position: 1 }] },
    ]);
  });
  it('may have been played, but nobody can ask for it', () => {
    expect(isPlayed(kept('67:4:50'))).toBe(true);
    expect(isExercise(kept('67:4:50'))).toBe(false);
  });
  it.each(['', 'x', '67:-1:50', '67:4:101', '67', '12:4:50'])('“%s” is no notes, and breaks nothing', (held) => {
    expect(tryScore(kept(held))).toHaveProperty('issue');
    expect(playable(kept(held)).score.steps).not.toEqual([]);
  });
  it('fits the text of a field, however much was held', () => {
    const most = Array.from({ length: MOST_HELD_NOTES }, () => ({ midi: 100, beats: 123.4, loudness: 100 }));
    expect(heldText(most).length).toBeLessThanOrEqual(2000);
  });
});

import { NotPlayable, text, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** A tone that was held in free play: written note, beats (tenths of one), and how loud, 0–100 on the ruler. */
export interface HeldNote {
  readonly midi: number;
  readonly beats: number;
  readonly loudness: number;
}

/** Silence between two tones as they are kept, beats. */
const BETWEEN_BEATS = 1;
/** Most tones that are kept of one free play: as many as the text of a field holds. */
export const MOST_HELD_NOTES = 140;

/** Held notes as the text of the field, and back. */
export const heldText = (held: readonly HeldNote[]) =>
  held.map(({ midi, beats, loudness }) => `${midi}:${beats}:${loudness}`).join(' ');

function heldNotes(written: string): HeldNote[] {
  return written.split(' ').map((word) => {
    const [midi = NaN, beats = NaN, loudness = NaN] = word.split(':').map(Number);
    return { midi, beats, loudness };
  });
}

/** What was held in free play, one tone after the other, as the ear found it. It is kept, never asked for. */
export const freePlay = defineFamily({
  id: 'freePlay',
  stage: 'longTones',
  tempoBpm: 60,
  fields: { held: text('67:4:50') },
  tones: ({ held }) =>
    heldNotes(held).map(({ midi, beats, loudness }): Tone => {
      if (!(beats > 0) || !(loudness >= 0 && loudness <= 100))
        throw new NotPlayable({ reason: 'unknown', path: 'held' }, 'held must be notes:beats:loudness');
      return { note: midi, beats, dynamics: [loudness / 100], attack: 'breath', rest: BETWEEN_BEATS };
    }),
  teaching: { easier: [], harder: [] },
});

/** Whether an exercise, a score or what is known of a take is what was held freely: no try at anything, nothing to compare. */
export function isFree({ family }: { readonly family?: unknown }): boolean {
  return family === freePlay.id;
}

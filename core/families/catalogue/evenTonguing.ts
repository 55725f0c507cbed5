import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { zoneOf } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** What is tongued after the held tone, a breath each: how many, and how long, beats. */
const ROWS = [
  { count: 4, beats: 1 },
  { count: 8, beats: 0.5 },
] as const;

/** One note held, then tongued from slow to quick on the same air: between the tongues the tone is the held one. */
export const evenTonguing = defineFamily({
  id: 'evenTonguing',
  stage: 'longTones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    heldBeats: number(1, 8, 2),
    repeats: number(1, 4, 2),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, heldBeats, repeats, restBeats, dynamic: loudness }) => {
    const tone = (beats: number): Tone => ({ note: writtenMidi, beats, dynamics: [loudness], attack: 'tongue' });
    const rows = ROWS.flatMap(({ count, beats }) => [
      tone(heldBeats),
      ...series(count - 1, () => tone(beats)),
      { ...tone(beats), rest: restBeats },
    ]);
    return series(repeats, () => rows).flat();
  },
  teaching: {
    about: ['line', 'start', 'time'],
    mainNote: 'writtenMidi',
    unjudged: ['length', 'line'],
    amount: 'repeats',
    within: { tempoBpm: [50, 108], repeats: [1, 3], dynamic: ['p', 'f'] },
    longestBreathS: 14,
    easier: ['slower', 'fewer', 'startLouder'],
    harder: ['quicker', 'softer', 'harderNote'],
    planned: {
      from: 'home',
      meets: ({ midi, reason }) =>
        reason === 'steadiness' && zoneOf(midi) === 'middle' ? { writtenMidi: midi, repeats: 1 } : undefined,
      turn: ({ turn }) => ({ writtenMidi: byTurn([67, 71, 64, 74], turn), repeats: 1 }),
    },
  },
});

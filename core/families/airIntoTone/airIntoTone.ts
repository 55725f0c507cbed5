import { dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** A low note grows out of air that already runs, and goes back into it. */
export const airIntoTone = defineFamily({
  id: 'airIntoTone',
  stage: 'lowEnd',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(58),
    beats: number(2, 16, 4),
    airBeats: number(1, 8, 2),
    dynamic: dynamic('mp'),
    repeats: number(1, 8, 3),
  },
  tones: ({ writtenMidi, beats, airBeats, dynamic: loudness, repeats }) =>
    series(repeats, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: 2 * airBeats })),
});

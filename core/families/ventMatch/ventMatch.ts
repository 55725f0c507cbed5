import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** A middle note with a high key opened as a bright model, then with it closed, keeping the sound. */
export const ventMatch = defineFamily({
  id: 'ventMatch',
  stage: 'lowRegister',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    beats: number(2, 8, 4),
    pairs: number(1, 6, 3),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, beats, pairs, restBeats, dynamic: loudness }) =>
    series(pairs, (): Tone[] => [
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: 1 },
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: restBeats, pair: true },
    ]).flat(),
});

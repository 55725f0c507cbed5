import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** From a low note to ever higher ones and back, slurred: the low one returns at once as itself. */
export const homeNote = defineFamily({
  id: 'homeNote',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(58),
    climbs: number(1, 12, 5),
    beats: number(1, 8, 2),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, climbs, beats, restBeats, dynamic: loudness }) =>
    series(climbs, (i): Tone[] => [
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath' },
      { note: writtenMidi + i + 1, beats, dynamics: [loudness], attack: 'slurred' },
      { note: writtenMidi, beats, dynamics: [loudness], attack: 'slurred', rest: restBeats },
    ]).flat(),
});

import { note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** The lowest notes from breath up to the first trace of tone, held there. */
export const firstTrace = defineFamily({
  id: 'firstTrace',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(58), beats: number(2, 16, 4), restBeats: number(1, 16, 4), repeats: number(1, 8, 3) },
  tones: ({ writtenMidi, beats, restBeats, repeats }) =>
    series(repeats, () => ({ note: writtenMidi, beats, dynamics: ['pp'], attack: 'breath', rest: restBeats })),
});

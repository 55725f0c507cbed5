import { dynamic, note, number } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** The same low note full, then as a subtone, then full again, in one slur. */
export const fullAndSubtone = defineFamily({
  id: 'fullAndSubtone',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(62), beats: number(2, 16, 4), dynamic: dynamic('mf'), subtone: dynamic('pp') },
  tones: ({ writtenMidi, beats, dynamic: loudness, subtone }) => [
    { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: 1 },
    { note: writtenMidi, beats, dynamics: [subtone], attack: 'breath', rest: 1 },
    { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath' },
  ],
});

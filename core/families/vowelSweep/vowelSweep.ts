import { dynamic, note, number } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** One low note through four vowels, so many beats each, pitch and level held. */
export const vowelSweep = defineFamily({
  id: 'vowelSweep',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(60), beats: number(1, 8, 2), dynamic: dynamic('mf') },
  tones: ({ writtenMidi, beats, dynamic: loudness }) => [
    { note: writtenMidi, beats: 4 * beats, dynamics: [loudness], attack: 'breath' },
  ],
});

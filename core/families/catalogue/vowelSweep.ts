import { dynamic, note, number, VOWELS } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** One low note through four vowels, so many beats each, pitch and level held. */
export const vowelSweep = defineFamily({
  id: 'vowelSweep',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(60), beats: number(1, 8, 2), dynamic: dynamic('mf') },
  tones: ({ writtenMidi, beats, dynamic: loudness }) => [
    { note: writtenMidi, beats: VOWELS.length * beats, dynamics: [loudness], attack: 'breath', vowels: VOWELS },
  ],
  teaching: {
    about: ['colour', 'line'],
    mainNote: 'writtenMidi',
    // A colour that opens and closes moves the level by itself.
    unjudged: ['loudness'],
    aims: ['colourTravel'],
    within: { tempoBpm: [50, 90], beats: [1, 4], dynamic: ['p', 'f'] },
    easier: ['shorter', 'easierNote'],
    harder: ['hideTuner', 'longer', 'harderNote'],
    planned: { from: 'home', turn: ({ turn }) => ({ writtenMidi: byTurn([60, 62, 64, 58], turn) }) },
  },
});

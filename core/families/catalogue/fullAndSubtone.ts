import { dynamic, note, number } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The same low note full, plainly soft, as a subtone and full again: a subtone is another voice, not only less of it. */
export const fullAndSubtone = defineFamily({
  id: 'fullAndSubtone',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(62), beats: number(2, 16, 4), dynamic: dynamic('mf'), subtone: dynamic('pp') },
  tones: ({ writtenMidi, beats, dynamic: loudness, subtone }) => [
    { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath', rest: 2 },
    { note: writtenMidi, beats, dynamics: [subtone], attack: 'breath', rest: 2 },
    { note: writtenMidi, beats, dynamics: [subtone], attack: 'breath', rest: 2, subtone: true },
    { note: writtenMidi, beats, dynamics: [loudness], attack: 'breath' },
  ],
  teaching: {
    about: ['colour', 'pitch', 'line'],
    mainNote: 'writtenMidi',
    unjudged: ['response', 'air', 'peak'],
    aims: ['subtone'],
    within: { tempoBpm: [50, 90], beats: [2, 8], dynamic: ['mp', 'f'], subtone: ['pp', 'p'] },
    easier: ['shorter', 'fasterTempo'],
    harder: ['longer', 'hideTuner', 'slower'],
    planned: {
      from: 'home',
      goals: { subtone: (writtenMidi) => ({ writtenMidi }) },
      turn: ({ turn }) => ({ writtenMidi: byTurn([62, 60, 58, 64, 65], turn) }),
    },
  },
});

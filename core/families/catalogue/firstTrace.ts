import { note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The lowest notes from breath up to the first trace of tone, held there. */
export const firstTrace = defineFamily({
  id: 'firstTrace',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(58), beats: number(2, 16, 4), restBeats: number(1, 16, 4), repeats: number(1, 8, 3) },
  tones: ({ writtenMidi, beats, restBeats, repeats }) =>
    series(repeats, () => ({ note: writtenMidi, beats, dynamics: ['pp'], attack: 'breath', rest: restBeats })),
  teaching: {
    mainNote: 'writtenMidi',
    unjudged: ['response', 'air', 'peak', 'timing'],
    aims: ['softest'],
    within: { tempoBpm: [50, 90], beats: [2, 8] },
    easier: ['easierNote', 'shorter'],
    harder: ['harderNote', 'longer'],
    planned: {
      from: 'home',
      goals: { softLowEntry: (writtenMidi) => ({ writtenMidi }), subtone: (writtenMidi) => ({ writtenMidi }) },
      turn: ({ turn }) => ({ writtenMidi: byTurn([60, 58, 59, 62], turn) }),
    },
  },
});

import { note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The lowest notes from breath up to the first trace of tone, held there. */
export const firstTrace = defineFamily({
  id: 'firstTrace',
  stage: 'lowRegister',
  tempoBpm: 66,
  fields: { writtenMidi: note(58), beats: number(2, 16, 4), restBeats: number(1, 16, 4), repeats: number(1, 8, 3) },
  tones: ({ writtenMidi, beats, restBeats, repeats }) =>
    series(repeats, (i): Tone => {
      const air = { kind: 'air', beats: 1 } as const;
      return {
        note: writtenMidi,
        beats,
        dynamics: ['pp'],
        attack: 'breath',
        ...(i === 0 && { lead: [air] }),
        rest: i === repeats - 1 ? restBeats : [{ kind: 'breath', beats: restBeats }, air],
      };
    }),
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

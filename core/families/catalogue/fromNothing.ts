import { dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The soft end of the ruler: where a tone begins that comes out of nothing. */
const NOTHING = 0;

/** Each tone comes out of nothing by breath alone and opens in an even line: no start is heard. */
export const fromNothing = defineFamily({
  id: 'fromNothing',
  stage: 'swells',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    loudest: dynamic('mf'),
    beats: number(3, 16, 6),
    repeats: number(1, 8, 3),
    restBeats: number(2, 12, 4),
  },
  tones: ({ writtenMidi, loudest, beats, repeats, restBeats }) =>
    series(repeats, () => ({
      note: writtenMidi,
      beats,
      dynamics: [NOTHING, loudest],
      attack: 'breath',
      rest: restBeats,
    })),
  teaching: {
    about: ['start', 'level'],
    mainNote: 'writtenMidi',
    // Where a start from nothing is first heard is no matter of the beat, and what is heard before it is air.
    unjudged: ['response', 'timing', 'air'],
    aims: ['fromNothing'],
    within: { tempoBpm: [50, 80], beats: [4, 10], loudest: ['mp', 'f'] },
    easier: ['shorter', 'easierNote'],
    harder: ['longer', 'harderNote'],
    planned: {
      from: 'home',
      turn: ({ turn }) => ({ writtenMidi: byTurn([67, 71, 64, 74, 62], turn) }),
    },
  },
});

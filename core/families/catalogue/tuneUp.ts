import { dynamic, number } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** Three notes of the middle of the horn, G4, B4 and E5: where they sit together is where the horn sits. */
const NOTES = [67, 71, 76];

/** The tuner first: three plain notes, each for itself. */
export const tuneUp = defineFamily({
  id: 'tuneUp',
  stage: 'longTones',
  tempoBpm: 72,
  fields: { beats: number(2, 8, 4), restBeats: number(1, 8, 2), dynamic: dynamic('mf') },
  tones: ({ beats, restBeats, dynamic: loudness }) =>
    NOTES.map((note) => ({ note, beats, dynamics: [loudness], attack: 'breath', rest: restBeats })),
  teaching: {
    about: ['pitch'],
    unjudged: ['timing', 'response', 'air', 'peak'],
    within: { tempoBpm: [60, 92], dynamic: ['mp', 'f'] },
    easier: ['slower'],
    harder: [],
    planned: { slot: 'tune', from: 'new' },
  },
});

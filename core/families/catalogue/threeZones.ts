import { dynamic, note, number } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** One middle, one low and one palm note: what there is time for in five minutes. */
export const threeZones = defineFamily({
  id: 'threeZones',
  stage: 'longTones',
  tempoBpm: 60,
  fields: {
    middle: note(71),
    low: note(60),
    palm: note(86),
    beats: number(4, 32, 8),
    restBeats: number(2, 16, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ middle, low, palm, beats, restBeats, dynamic: loudness }) =>
    [middle, low, palm].map((value) => ({
      note: value,
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest: restBeats,
    })),
  teaching: {
    mainNote: 'middle',
    within: { tempoBpm: [50, 100], beats: [4, 16], dynamic: ['pp', 'f'] },
    easier: ['shorter', 'startLouder'],
    harder: ['hideTuner', 'softer', 'longer'],
    planned: {
      from: 'new',
      turn: ({ weakest }) => ({ middle: weakest('middle'), low: weakest('low'), palm: weakest('palm') }),
    },
  },
});

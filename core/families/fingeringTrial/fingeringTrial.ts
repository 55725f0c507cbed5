import { choice, dynamic, note, number, series, text } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** One fingering for one altissimo note, three tries, each started anew. */
export const fingeringTrial = defineFamily({
  id: 'fingeringTrial',
  stage: 'altissimo',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(91),
    // Keys of the fingering on trial, in the order of the drawing, with spaces between.
    fingering: text(''),
    beats: number(2, 8, 4),
    tries: number(1, 6, 3),
    attack: choice(['breath', 'tongue'], 'breath'),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, beats, tries, attack, restBeats, dynamic: loudness }) =>
    series(tries, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack, rest: restBeats })),
});

import { choice, dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** Play so many beats, breathe so many, again and again: the last as good as the first. */
export const countedBreaths = defineFamily({
  id: 'countedBreaths',
  stage: 'longTones',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(67),
    beats: number(2, 32, 8),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
    attack: choice(['breath', 'tongue'], 'breath'),
    repeats: number(2, 16, 6),
  },
  tones: ({ writtenMidi, beats, dynamic: loudness, attack, repeats, restBeats }) =>
    series(repeats, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack, rest: restBeats })),
});

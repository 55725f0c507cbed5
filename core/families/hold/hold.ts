import { choice, dynamic, note, number, series } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** One note as long as it stays good, three tries. */
export const hold = defineFamily({
  id: 'hold',
  stage: 'longTones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    beats: number(4, 60, 16),
    dynamic: dynamic('mf'),
    attack: choice(['breath', 'tongue'], 'breath'),
    repeats: number(1, 5, 3),
    restBeats: number(2, 16, 8),
  },
  tones: ({ writtenMidi, beats, dynamic: loudness, attack, repeats, restBeats }) =>
    series(repeats, () => ({ note: writtenMidi, beats, dynamics: [loudness], attack, rest: restBeats })),
});

import { dynamic, note, number, series, type Attack } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** The last notes down to the lowest tongued on one air, without rests; then the same slurred: as even as that. */
export const tonguedDescent = defineFamily({
  id: 'tonguedDescent',
  stage: 'descents',
  tempoBpm: 88,
  fields: {
    writtenMidi: note(63),
    beats: number(1, 4, 1),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, beats, restBeats, dynamic: loudness }, horn) => {
    const count = Math.max(1, writtenMidi - horn.lowestWrittenMidi + 1);
    const line = (attack: Attack) =>
      series(count, (i) => ({
        note: writtenMidi - i,
        beats,
        dynamics: [loudness],
        attack: i === 0 ? ('tongue' as const) : attack,
        rest: i === count - 1 ? restBeats : 0,
      }));
    return [...line('tongue'), ...line('slurred')];
  },
  teaching: {
    about: ['start', 'line', 'time'],
    mainNote: 'writtenMidi',
    within: { tempoBpm: [60, 132], beats: [1, 2], dynamic: ['p', 'f'] },
    longestBreathS: 12,
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'softer', 'hideTuner'],
    planned: { from: 'home' },
  },
});

import { choice, dynamic, note } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn, dynamicOf } from '../teaching';

/** Longest that is listened for, beats: nobody is asked to reach it. */
const MOST_BEATS = 60;

/** One note as long as it stays good: the breath or the tone ends it, not the score. */
export const hold = defineFamily({
  id: 'hold',
  stage: 'longTones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    dynamic: dynamic('mf'),
    attack: choice(['breath', 'tongue'], 'breath'),
  },
  tones: ({ writtenMidi, dynamic: loudness, attack }) => [
    { note: writtenMidi, beats: MOST_BEATS, openEnd: true, dynamics: [loudness], attack },
  ],
  teaching: {
    mainNote: 'writtenMidi',
    aims: ['held'],
    within: { dynamic: ['pp', 'f'] },
    easier: ['startLouder', 'easierNote'],
    harder: ['hideTuner', 'softer', 'harderNote'],
    planned: {
      from: 'new',
      meets: ({ midi, reason, band }) =>
        reason === 'pitch' || reason === 'steadiness' ? { writtenMidi: midi, dynamic: dynamicOf(band) } : undefined,
      goals: {
        longTone: (writtenMidi) => ({ writtenMidi }),
        highNote: (writtenMidi) => ({ writtenMidi }),
        softIntonation: (writtenMidi) => ({ writtenMidi, dynamic: 'p' }),
        evenZone: (writtenMidi) => ({ writtenMidi }),
      },
      turn: ({ weakest, turn }) => ({ writtenMidi: weakest(byTurn(['middle', 'low', 'palm'] as const, turn)) }),
    },
  },
});

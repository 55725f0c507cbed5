import { choice, dynamic, note, number, series, type Attack, type Tone } from '@inner-hum/core/exercise';
import { dynamicPosition } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** So much the last note fades where that is asked for, on the ruler. */
const LAST_SOFTER = 0.2;

/** The last notes down to the lowest tongued on one air, without rests; then the same slurred: as even as that. */
export const tonguedDescent = defineFamily({
  id: 'tonguedDescent',
  stage: 'descents',
  tempoBpm: 88,
  fields: {
    writtenMidi: note(63),
    beats: number(1, 4, 1),
    lastNote: choice(['asOthers', 'shortAndSofter'], 'asOthers'),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, beats, lastNote, restBeats, dynamic: loudness }, horn) => {
    const count = Math.max(1, writtenMidi - horn.lowestWrittenMidi + 1);
    const last: Pick<Tone, 'beats' | 'dynamics' | 'rest'> =
      lastNote === 'asOthers'
        ? { beats, dynamics: [loudness], rest: restBeats }
        : {
            beats: beats / 2,
            dynamics: [loudness, Math.max(0, dynamicPosition(loudness) - LAST_SOFTER)],
            rest: restBeats + beats / 2,
          };
    const line = (attack: Attack) =>
      series(count, (i): Tone => ({
        note: writtenMidi - i,
        attack: i === 0 ? 'tongue' : attack,
        ...(i === count - 1 ? last : { beats, dynamics: [loudness] }),
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

import { choice, dynamic, note, number, series, type Attack, type Tone } from '@inner-hum/core/exercise';
import { dynamicPosition } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** Where the last note is to be softer, so many fade to it, by so much on the ruler. */
const FADE = { notes: 3, by: 0.25 } as const;

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
    const ends = lastNote === 'shortAndSofter';
    const from = dynamicPosition(loudness);
    const placeAfter = (toCome: number) => Math.max(0, from - (FADE.by * (FADE.notes - toCome)) / FADE.notes);
    const line = (attack: Attack) =>
      series(count, (i): Tone => {
        const toCome = count - 1 - i;
        const length = ends && toCome === 0 ? beats / 2 : beats;
        return {
          note: writtenMidi - i,
          attack: i === 0 ? 'tongue' : attack,
          beats: length,
          dynamics: ends && toCome < FADE.notes ? [placeAfter(toCome + 1), placeAfter(toCome)] : [loudness],
          rest: toCome === 0 ? restBeats + beats - length : 0,
        };
      });
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

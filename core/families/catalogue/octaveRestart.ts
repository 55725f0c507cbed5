import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** From here down the upper octave is the overtone of the low fingering itself, written C♯4. */
const BY_OVERTONE_MIDI = 61;

/** Slur from the upper octave to the low note, then start that note again and again; each time a semitone lower. */
export const octaveRestart = defineFamily({
  id: 'octaveRestart',
  stage: 'lowRegister',
  tempoBpm: 66,
  climbs: true,
  fields: {
    writtenMidi: note(61),
    notes: number(1, 11, 2),
    beats: number(1, 8, 2),
    restarts: number(1, 8, 3),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, notes, beats, restarts, restBeats, dynamic: loudness }, horn) =>
    series(Math.min(notes, writtenMidi - horn.lowestWrittenMidi + 1), (i): Tone[] => {
      const low = writtenMidi - i;
      const upper = low <= BY_OVERTONE_MIDI ? { note: low, partial: 2 } : { note: low + 12 };
      const again = { note: low, beats, dynamics: [loudness], attack: 'breath', rest: restBeats } as const;
      return [
        { ...upper, beats, dynamics: [loudness], attack: 'breath' },
        { ...again, attack: 'slurred' },
        // The slurred tone is the model of the first one that is started.
        ...series(restarts, (nth) => (nth === 0 ? ({ ...again, pair: true } as const) : again)),
      ];
    }).flat(),
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'notes',
    within: { tempoBpm: [50, 92], notes: [1, 11], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder', 'easierNote'],
    harder: ['more', 'softer', 'harderNote'],
    planned: { from: 'home' },
  },
});

import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Without the octave key the upper octave is not reached by the mouth alone above here, written C♯5. */
const LAST_MIDI = 73;

/** From a note to its octave by the mouth alone, the octave key left shut, then the same with it. */
export const registerSlurs = defineFamily({
  id: 'registerSlurs',
  stage: 'overtones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(67),
    notes: number(1, 5, 2),
    beats: number(1, 6, 3),
    restBeats: number(2, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, notes, beats, restBeats, dynamic: loudness }) =>
    series(Math.max(1, Math.min(notes, LAST_MIDI - writtenMidi + 1)), (i): Tone[] => {
      const low = { note: writtenMidi + i, beats, dynamics: [loudness], attack: 'breath' } as const;
      return [
        low,
        { ...low, partial: 2, attack: 'slurred', rest: restBeats },
        low,
        { ...low, note: low.note + 12, attack: 'slurred', rest: restBeats },
      ];
    }).flat(),
  teaching: {
    about: ['break', 'change'],
    mainNote: 'writtenMidi',
    amount: 'notes',
    within: { tempoBpm: [50, 80], notes: [1, 4], beats: [2, 4], dynamic: ['mp', 'f'] },
    longestBreathS: 8,
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'softer', 'hideTuner'],
    planned: { from: 'home', turn: ({ turn }) => ({ writtenMidi: byTurn([67, 65, 69, 62, 71], turn) }) },
  },
});

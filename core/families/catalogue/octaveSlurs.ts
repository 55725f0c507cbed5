import { dynamic, note, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** A note, its octave and back in one breath, slurred: the octave key changes, the air and the mouth do not. */
export const octaveSlurs = defineFamily({
  id: 'octaveSlurs',
  stage: 'wholeHorn',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(62),
    notes: number(1, 8, 3),
    beats: number(1, 8, 2),
    restBeats: number(2, 12, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ writtenMidi, notes, beats, restBeats, dynamic: loudness }, horn) =>
    series(Math.min(notes, horn.highestKeyedWrittenMidi - 12 - writtenMidi + 1), (i): Tone[] => {
      const low = { note: writtenMidi + i, beats, dynamics: [loudness] } as const;
      return [
        { ...low, attack: 'breath' },
        { ...low, note: low.note + 12, attack: 'slurred' },
        { ...low, attack: 'slurred', rest: restBeats },
      ];
    }).flat(),
  teaching: {
    about: ['change', 'break', 'pitch'],
    mainNote: 'writtenMidi',
    amount: 'notes',
    within: { tempoBpm: [50, 92], notes: [1, 5], beats: [1, 3], dynamic: ['p', 'f'] },
    longestBreathS: 9,
    easier: ['fewer', 'shorter', 'startLouder'],
    harder: ['more', 'softer', 'hideTuner'],
    planned: { from: 'home', turn: ({ turn }) => ({ writtenMidi: byTurn([62, 67, 64, 69, 65], turn) }) },
  },
});

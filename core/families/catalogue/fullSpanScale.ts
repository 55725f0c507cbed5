import { choice, dynamic, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Semitones of the modes over their tonic. */
const MODES = {
  major: [0, 2, 4, 5, 7, 9, 11],
  dorian: [0, 2, 3, 5, 7, 9, 10],
  mixolydian: [0, 2, 4, 5, 7, 9, 10],
  naturalMinor: [0, 2, 3, 5, 7, 8, 10],
  harmonicMinor: [0, 2, 3, 5, 7, 8, 11],
} as const;
const TONICS = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'] as const;

/** A scale from its tonic up to the highest and down to the lowest keyed note of its key, and back to the tonic. */
export const fullSpanScale = defineFamily({
  id: 'fullSpanScale',
  stage: 'wholeHorn',
  tempoBpm: 80,
  fields: {
    key: choice(TONICS, 'C'),
    mode: choice(['major', 'dorian', 'mixolydian', 'naturalMinor', 'harmonicMinor'], 'major'),
    beats: number(1, 4, 1),
    notesInBreath: number(2, 32, 8),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ key, mode, beats, notesInBreath, restBeats, dynamic: loudness }, horn) => {
    const tonic = TONICS.indexOf(key);
    const degrees: readonly number[] = MODES[mode];
    const { lowestWrittenMidi: lowest, highestKeyedWrittenMidi: highest } = horn;
    const up = series(highest - lowest + 1, (i) => lowest + i).filter((midi) =>
      degrees.includes((midi - tonic + 120) % 12),
    );
    const from = up.findIndex((midi) => midi % 12 === tonic);
    const down = [...up].reverse();
    const notes = [...up.slice(from), ...down.slice(1), ...up.slice(1, from + 1)];
    return notes.map((midi, i): Tone => {
      const attack = i % notesInBreath === 0 ? 'breath' : 'slurred';
      return { note: midi, beats, dynamics: [loudness], attack, rest: (i + 1) % notesInBreath === 0 ? restBeats : 0 };
    });
  },
  teaching: {
    within: { tempoBpm: [60, 132], dynamic: ['p', 'f'] },
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'hideTuner', 'softer'],
    planned: {
      from: 'home',
      turn: ({ turn }) => ({ key: byTurn(['C', 'G', 'F', 'D', 'B♭', 'A', 'E♭', 'E', 'A♭', 'B', 'D♭', 'G♭'], turn) }),
    },
  },
});

import { choice, dynamic, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const MAJOR = [0, 2, 4, 5, 7, 9, 11];
const TONICS = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'] as const;

/** A major scale that goes to the lowest and the highest keyed note of its key, not from tonic to tonic. */
export const fullSpanScale = defineFamily({
  id: 'fullSpanScale',
  stage: 'wholeHorn',
  tempoBpm: 80,
  fields: {
    key: choice(TONICS, 'C'),
    beats: number(1, 4, 1),
    notesInBreath: number(2, 32, 8),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ key, beats, notesInBreath, restBeats, dynamic: loudness }, horn) => {
    const tonic = TONICS.indexOf(key);
    const span = horn.highestKeyedWrittenMidi - horn.lowestWrittenMidi + 1;
    const up = series(span, (i) => horn.lowestWrittenMidi + i).filter((value) =>
      MAJOR.includes((value - tonic + 120) % 12),
    );
    const notes = [...up, ...up.slice(0, -1).reverse()];
    return notes.map((note, i): Tone => {
      const attack = i % notesInBreath === 0 ? 'breath' : 'slurred';
      return { note: note, beats, dynamics: [loudness], attack, rest: (i + 1) % notesInBreath === 0 ? restBeats : 0 };
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

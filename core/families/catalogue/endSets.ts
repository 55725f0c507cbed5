import { choice, dynamic, number, series, type Tone } from '@inner-hum/core/exercise';
import type { Instrument } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** The sets of three notes that the keys share at each end, from the end inwards, as pitch classes. */
const SETS = {
  bottom: [
    [10, 0, 2],
    [11, 0, 2],
    [10, 0, 1],
    [11, 1, 3],
  ],
  top: [
    [6, 4, 2],
    [5, 4, 2],
    [5, 3, 2],
    [5, 3, 1],
  ],
} as const;
const OCTAVE = 12;

/** Three notes that several keys share at one end of the horn, drilled alone: from the end and back in a slur. */
export const endSets = defineFamily({
  id: 'endSets',
  stage: 'wholeHorn',
  tempoBpm: 72,
  fields: {
    end: choice(['bottom', 'top'], 'bottom'),
    set: number(1, 4, 1),
    beats: number(1, 4, 2),
    repeats: number(1, 8, 2),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ end, set, beats, repeats, restBeats, dynamic: loudness }, horn) => {
    const [first, second, third] = outermost(SETS[end][set - 1]!, end, horn);
    const notes = [first, second, third, second, first, second, third];
    return series(repeats, () =>
      notes.map((note, i): Tone => {
        const attack = i === 0 ? 'breath' : 'slurred';
        return { note: note, beats, dynamics: [loudness], attack, rest: i === notes.length - 1 ? restBeats : 0 };
      }),
    ).flat();
  },
  teaching: {
    within: { tempoBpm: [60, 132], dynamic: ['p', 'f'] },
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'hideTuner', 'softer'],
    planned: {
      from: 'home',
      turn: ({ turn }) => ({ end: byTurn(['bottom', 'top'], turn), set: 1 + (Math.floor(turn / 2) % 4) }),
    },
  },
});

/** The notes of a set nearest to its end of the horn, the outermost first. */
function outermost(set: readonly number[], end: 'bottom' | 'top', horn: Instrument): readonly [number, number, number] {
  const { lowestWrittenMidi: lowest, highestKeyedWrittenMidi: highest } = horn;
  const sign = end === 'bottom' ? 1 : -1;
  const mod = (semitones: number) => (semitones + 10 * OCTAVE) % OCTAVE;
  const first = end === 'bottom' ? lowest + mod(set[0]! - lowest) : highest - mod(highest - set[0]!);
  const next = (from: number, pitchClass: number) => from + sign * mod(sign * (pitchClass - from));
  const second = next(first, set[1]!);
  return [first, second, next(second, set[2]!)];
}

import { choice, dynamic, number, series, type Tone } from '@inner-hum/core/exercise';
import type { Instrument } from '@inner-hum/core/theory';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const MAJOR = [0, 2, 4, 5, 7, 9, 11];
const OCTAVE = 12;

/** Notes that several keys share at one end of the horn, drilled alone: from the end and back in a slur. */
export const endSets = defineFamily({
  id: 'endSets',
  stage: 'wholeHorn',
  tempoBpm: 72,
  fields: {
    end: choice(['bottom', 'top'], 'bottom'),
    set: number(1, 8, 1),
    size: number(2, 5, 3),
    beats: number(1, 4, 2),
    repeats: number(1, 8, 2),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ end, set, size, beats, repeats, restBeats, dynamic: loudness }, horn) => {
    const sets = endSetsOf(horn, end, size);
    const inwards = sets[(set - 1) % sets.length]!;
    const notes = [...inwards, ...inwards.slice(0, -1).reverse(), ...inwards.slice(1)];
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
      turn: ({ turn }) => ({ end: byTurn(['bottom', 'top'], turn), set: 1 + (Math.floor(turn / 2) % 8) }),
    },
  },
});

/** All sets of so many notes that the major keys have at one end of a horn as it is built, the outermost note first. */
function endSetsOf(horn: Instrument, end: 'bottom' | 'top', size: number): readonly (readonly number[])[] {
  const { lowestWrittenMidi: lowest, highestKeyedWrittenMidi: highest } = horn;
  const sign = end === 'bottom' ? 1 : -1;
  const outermost = end === 'bottom' ? lowest : highest;
  const inwards = series(2 * OCTAVE, (i) => outermost + sign * i);
  const sets = new Map<string, readonly number[]>();
  for (const tonic of series(OCTAVE, (i) => i)) {
    const notes = inwards.filter((midi) => MAJOR.includes((midi + OCTAVE - tonic) % OCTAVE)).slice(0, size);
    sets.set(notes.join(' '), notes);
  }
  // From the end inwards, the wider ones first.
  const order = (a: readonly number[], b: readonly number[]) =>
    sign * (a[0]! - b[0]!) || sign * (b[1]! - a[1]!) || sign * (b.at(-1)! - a.at(-1)!);
  return [...sets.values()].sort(order);
}

import { choice, dynamic, highestNote, note, number, series, softerThan, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { keptPlace } from '../teaching';

const PAIRS = 3;

/** Grow on one note, slur at the peak to the next semitone, fade there; pair by pair upwards, or each pair through its octaves. */
export const relaySwell = defineFamily({
  id: 'relaySwell',
  stage: 'swells',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(62),
    pairs: number(1, 31, PAIRS),
    order: choice(['bySemitones', 'byOctaves'], 'bySemitones'),
    beats: number(2, 16, 4),
    restBeats: number(1, 16, 4),
    softest: dynamic('p'),
    loudest: dynamic('f'),
  },
  tones: ({ writtenMidi, pairs, order, beats, restBeats, softest, loudest }, horn) => {
    softerThan(softest, loudest);
    // Altissimo is reached by semitones; through the octaves it stays on the keys.
    const top = order === 'bySemitones' ? highestNote(horn) : horn.highestKeyedWrittenMidi;
    return pairsFrom(writtenMidi, order, Math.max(writtenMidi + 1, top))
      .slice(0, pairs)
      .flatMap((lower): Tone[] => [
        { note: lower, beats, dynamics: [softest, loudest], attack: 'breath' },
        { note: lower + 1, beats, dynamics: [loudest, softest], attack: 'slurred', rest: restBeats },
      ]);
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'pairs',
    within: { tempoBpm: [50, 100], beats: [2, 8], pairs: [1, 6], softest: ['pp', 'mp'], loudest: ['mf', 'ff'] },
    easier: ['startLouder', 'fasterTempo', 'fewer'],
    harder: ['softer', 'hideTuner', 'more', 'slower'],
    planned: {
      from: 'home',
      goals: { evenZone: (writtenMidi) => ({ writtenMidi, pairs: 2 }) },
      seam: (writtenMidi) => ({ writtenMidi, pairs: 1 }),
      // The place is kept: each time it goes on where it stopped, and from the top begins anew.
      turn: ({ horn, turn }) => ({ writtenMidi: horn.lowestWrittenMidi + keptPlace(turn, PAIRS, span(horn)) }),
    },
  },
});

const OCTAVE = 12;

/** Pairs from the bottom of a horn to its top key. */
const span = (horn: { readonly lowestWrittenMidi: number; readonly highestKeyedWrittenMidi: number }) =>
  horn.highestKeyedWrittenMidi - horn.lowestWrittenMidi;

/** The lower notes of all pairs from a note up to the top of the horn; by octaves each comes again an octave higher first. */
function pairsFrom(from: number, order: 'bySemitones' | 'byOctaves', top: number): number[] {
  const all = series(top - from, (i) => from + i);
  if (order === 'bySemitones') return all;
  return series(Math.min(OCTAVE, all.length), (i) => all.filter((lower) => (lower - from) % OCTAVE === i)).flat();
}

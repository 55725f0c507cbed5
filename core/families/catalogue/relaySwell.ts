import { dynamic, note, number, series, softerThan, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Grow on one note, slur at the peak to the next semitone, fade there; pair by pair upwards. */
export const relaySwell = defineFamily({
  id: 'relaySwell',
  stage: 'swells',
  tempoBpm: 66,
  fields: {
    writtenMidi: note(62),
    pairs: number(1, 12, 3),
    beats: number(2, 16, 4),
    restBeats: number(1, 16, 4),
    softest: dynamic('p'),
    loudest: dynamic('f'),
  },
  tones: ({ writtenMidi, pairs, beats, restBeats, softest, loudest }) => {
    softerThan(softest, loudest);
    return series(pairs, (i): Tone[] => [
      { note: writtenMidi + i, beats, dynamics: [softest, loudest], attack: 'breath' },
      { note: writtenMidi + i + 1, beats, dynamics: [loudest, softest], attack: 'slurred', rest: restBeats },
    ]).flat();
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
      turn: ({ turn }) => ({ writtenMidi: byTurn([62, 67, 72, 77, 82], turn) }),
    },
  },
});

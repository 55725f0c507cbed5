import { choice, dynamic, note, number, series, softerThan } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Chromatic descent with rests; the dynamics grow and fade by turns. */
export const zigzagDescent = defineFamily({
  id: 'zigzagDescent',
  stage: 'descents',
  tempoBpm: 72,
  fields: {
    writtenMidi: note(67),
    notes: number(2, 24, 8),
    beats: number(2, 16, 4),
    restBeats: number(1, 8, 2),
    softest: dynamic('p'),
    loudest: dynamic('f'),
    first: choice(['grow', 'fade'], 'grow'),
    attack: choice(['breath', 'tongue'], 'breath'),
  },
  tones: ({ writtenMidi, notes, beats, restBeats, softest, loudest, first, attack }, horn) => {
    softerThan(softest, loudest);
    const count = Math.min(notes, writtenMidi - horn.lowestWrittenMidi + 1);
    return series(count, (i) => {
      const grows = (i % 2 === 0) === (first === 'grow');
      const dynamics = grows ? [softest, loudest] : [loudest, softest];
      return { note: writtenMidi - i, beats, dynamics, attack, rest: restBeats };
    });
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'notes',
    within: { tempoBpm: [56, 100], beats: [2, 8], notes: [3, 12], softest: ['pp', 'mp'], loudest: ['mf', 'ff'] },
    easier: ['startLouder', 'fewer', 'shorter'],
    harder: ['softer', 'more', 'hideTuner', 'slower'],
    planned: { from: 'new', turn: ({ turn }) => ({ writtenMidi: byTurn([67, 65, 79, 74], turn) }) },
  },
});

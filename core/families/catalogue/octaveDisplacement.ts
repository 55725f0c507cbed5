import { choice, dynamic, number, phrase, phraseTones } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

const SEMITONES = { up: 12, down: -12 } as const;

/** A phrase of one's own, as it is and then an octave up or down. */
export const octaveDisplacement = defineFamily({
  id: 'octaveDisplacement',
  stage: 'wholeHorn',
  tempoBpm: 72,
  fields: {
    phrase: phrase('E5 D5 C5 D5 E5:2'),
    direction: choice(['up', 'down'], 'down'),
    restBeats: number(1, 8, 2),
    dynamic: dynamic('mf'),
  },
  tones: ({ phrase: text, direction, restBeats, dynamic: loudness }) =>
    [0, SEMITONES[direction]].flatMap((by) =>
      phraseTones(text, restBeats, (midi) => ({ note: midi + by, dynamics: [loudness] })),
    ),
  teaching: {
    within: { tempoBpm: [56, 120], dynamic: ['p', 'f'] },
    easier: ['slower', 'startLouder'],
    harder: ['quicker', 'hideTuner', 'softer'],
    planned: { from: 'new', turn: ({ turn }) => ({ direction: byTurn(['down', 'up'], turn) }) },
  },
});

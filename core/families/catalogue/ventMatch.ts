import { choice, dynamic, number, series, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';
import { byTurn } from '../teaching';

/** Each vent with its note: only where the pitch stays about where it is. */
const NOTE_OF = { palmD: 74, frontE: 88, frontF: 89 } as const;
type Vent = keyof typeof NOTE_OF;
const VENTS = Object.keys(NOTE_OF) as Vent[];

/**
 * D5 with the palm D key opened as a bright model, and with it closed in the same breath, keeping the sound; likewise E6
 * and F6 by the front key and by the palm keys.
 */
export const ventMatch = defineFamily({
  id: 'ventMatch',
  stage: 'lowRegister',
  tempoBpm: 60,
  fields: {
    vent: choice(VENTS, 'palmD'),
    beats: number(2, 8, 4),
    pairs: number(1, 6, 3),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
  },
  tones: ({ vent, beats, pairs, restBeats, dynamic: loudness }) =>
    series(pairs, (): Tone[] => [
      { note: NOTE_OF[vent], beats, dynamics: [loudness], attack: 'breath' },
      { note: NOTE_OF[vent], beats, dynamics: [loudness], attack: 'slurred', rest: restBeats, pair: true },
    ]).flat(),
  teaching: {
    about: ['colour', 'line'],
    aims: ['colourMatch'],
    amount: 'pairs',
    within: { tempoBpm: [50, 90], beats: [2, 6], pairs: [2, 5], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'softer'],
    planned: {
      from: 'home',
      turn: ({ level, turn }) => ({ vent: level === 'advanced' ? byTurn(VENTS, turn) : 'palmD' }),
    },
  },
});

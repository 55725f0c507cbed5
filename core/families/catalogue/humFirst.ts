import { dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import { defineFamily } from '../family';

/** Higher than this an overtone is out of reach of most voices. */
const HIGHEST_HUMMED = 6;

/** The target is hummed or sung in any octave, then played. */
export const humFirst = defineFamily({
  id: 'humFirst',
  stage: 'overtones',
  tempoBpm: 60,
  fields: {
    writtenMidi: note(58),
    partial: number(1, 8, 2),
    humBeats: number(2, 8, 3),
    betweenBeats: number(1, 8, 2),
    beats: number(2, 8, 4),
    repeats: number(1, 6, 3),
    restBeats: number(2, 12, 4),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, partial, humBeats, betweenBeats, beats, repeats, restBeats, dynamic: loudness }) =>
    series(repeats, (): Tone[] => {
      const common = { note: writtenMidi, partial, dynamics: [loudness], attack: 'breath' } as const;
      return [
        { ...common, beats: humBeats, rest: betweenBeats, hum: true },
        { ...common, beats, rest: restBeats },
      ];
    }).flat(),
  teaching: {
    mainNote: 'writtenMidi',
    unjudged: ['timing'],
    amount: 'partial',
    within: { tempoBpm: [50, 80], beats: [2, 6], partial: [1, 6], dynamic: ['mp', 'f'] },
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: {
      from: 'new',
      turn: ({ frontier }) => ({ writtenMidi: frontier.tubeMidi, partial: Math.min(HIGHEST_HUMMED, frontier.partial) }),
    },
  },
});

import { choice, dynamic, note, number, series, tuning, type Tone } from '@inner-hum/core/exercise';
import type { Dynamic } from '@inner-hum/core/theory';
import { defineFamily } from '../family';

/** From the top down in one breath, at three levels. */
const LEVELS: readonly Dynamic[] = ['f', 'mf', 'p'];

/** Partials of one low fingering, slurred: up by one at a time, up and back, or from the top down to the fundamental. */
export const overtoneLadder = defineFamily({
  id: 'overtoneLadder',
  stage: 'overtones',
  tempoBpm: 72,
  climbs: true,
  fields: {
    writtenMidi: note(58),
    top: number(2, 8, 2),
    pattern: choice(['growing', 'upAndBack', 'downAtThreeLevels'], 'growing'),
    beats: number(1, 8, 2),
    repeats: number(1, 4, 2),
    restBeats: number(1, 8, 4),
    dynamic: dynamic('mf'),
    tuning,
  },
  tones: ({ writtenMidi, top, pattern, beats, repeats, restBeats, dynamic: loudness }) => {
    const up = (to: number) => Array.from({ length: to }, (_, i) => i + 1);
    const down = up(top).reverse();
    const breaths: readonly (readonly [readonly number[], Dynamic])[] = {
      growing: up(top)
        .slice(1)
        .map((to) => [up(to), loudness] as const),
      upAndBack: [[[...up(top), ...down.slice(1)], loudness] as const],
      downAtThreeLevels: LEVELS.map((level) => [down, level] as const),
    }[pattern];
    const often = series(repeats, () => breaths).flat();
    return often.flatMap(([partials, level]) =>
      partials.map((partial, i): Tone => ({
        note: writtenMidi,
        partial,
        beats,
        dynamics: [level],
        attack: i === 0 ? 'breath' : 'slurred',
        rest: i === partials.length - 1 ? restBeats : 0,
      })),
    );
  },
  teaching: {
    mainNote: 'writtenMidi',
    amount: 'top',
    within: { tempoBpm: [50, 84], beats: [1, 4], top: [2, 8], dynamic: ['mp', 'f'] },
    longestBreathS: 6,
    easier: ['fewer', 'startLouder', 'fasterTempo'],
    harder: ['more', 'hideTuner', 'softer'],
    planned: {
      from: 'new',
      goals: { partial: (writtenMidi, top = 3) => ({ writtenMidi, top, pattern: 'growing' }) },
      turn: ({ frontier }) => ({ writtenMidi: frontier.tubeMidi, top: frontier.partial, pattern: 'growing' }),
    },
  },
});

import type { Target } from './targets';

/** A target for tests: C4 that speaks late, put to rest after six days. */
export const RESTING: Target = {
  key: 'response 60 ',
  reason: 'response',
  midis: [60],
  need: { midi: 60, reason: 'response', size: 2, value: 0.2 },
  isOut: true,
  since: '2026-03-08',
  days: Array.from({ length: 6 }, (_, i) => ({
    day: `2026-03-${10 + i}`,
    tries: 3,
    inside: 0,
    firstInside: false,
    size: 2,
  })),
  state: 'rests',
  stateSince: '2026-03-18',
  returns: 0,
  rests: 1,
  lessons: 6,
};

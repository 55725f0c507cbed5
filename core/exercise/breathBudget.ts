import { beatSeconds, scoreBeats, type Score } from './score';

/** What a tone that lasts as long as it stays good is reckoned with, seconds. */
const OPEN_END_S = 15;

/** What a score asks of the breath and the clock, seconds. */
export interface BreathBudget {
  /** the longest stretch without a rest */
  readonly longestBreathS: number;
  /** from the first beat to the end of the last tone */
  readonly totalS: number;
}

/**
 * Breath budget of a score: seconds = beats × 60 / tempo. Steps that touch are one breath; a tone without a set end asks
 * nothing of the breath.
 */
export function breathBudget(score: Score): BreathBudget {
  let longest = 0;
  let breathStart = 0;
  let lastEnd = -Infinity;
  for (const step of score.steps) {
    if (step.openEnd) continue;
    // Who looks for a tone by ear breathes before any of them.
    if (score.clearS !== undefined || step.startBeat > lastEnd + 1e-9) breathStart = step.startBeat;
    lastEnd = step.startBeat + step.beats;
    longest = Math.max(longest, lastEnd - breathStart);
  }
  const open = score.steps.filter((step) => step.openEnd);
  const openS = open.reduce((sum, step) => sum + step.beats * beatSeconds(score) - OPEN_END_S, 0);
  const totalS = scoreBeats(score) * beatSeconds(score) - Math.max(0, openS);
  return { longestBreathS: longest * beatSeconds(score), totalS };
}

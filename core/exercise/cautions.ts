import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';
import { breathBudget } from './breathBudget';
import { beatSeconds, type Score } from './score';

/** Things to mind with an exercise: practice hints, no medical advice. */
export type Caution = 'ears' | 'dizziness';

/** High tones from this length on are hard on the ears near the horn; loud breaths from this length on on the head, seconds. */
const HIGH_TONE_S = 4;
const LOUD_BREATH_S = 12;
const LOUD_FROM = 0.7;

/** What to mind with a score, if anything. */
export function cautionsFor(score: Score): Caution[] {
  const beatS = beatSeconds(score);
  const high = score.steps.some(
    (step) => ['palm', 'altissimo'].includes(zoneOf(step.soundedMidi)) && step.beats * beatS >= HIGH_TONE_S,
  );
  const loud = score.steps.some((step) => step.dynamics.some((point) => dynamicPosition(point.dynamic) >= LOUD_FROM));
  const long = breathBudget(score).longestBreathS >= LOUD_BREATH_S;
  return [...(high ? (['ears'] as const) : []), ...(loud && long ? (['dizziness'] as const) : [])];
}

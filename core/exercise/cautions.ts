import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';
import { breathBudget } from './breathBudget';
import { beatSeconds, isOpenEnded, type Score, type Step } from './score';

/** Things to mind with an exercise: practice hints, no medical advice. */
const CAUTIONS = ['headphones', 'ears', 'breath', 'lip', 'neighbours', 'hands'] as const;
export type Caution = (typeof CAUTIONS)[number];

/** High tones from this length on are hard on the ears near the horn, seconds. */
const HIGH_TONE_S = 4;
/** Breaths from this length on can make dizzy, at any dynamic, seconds. */
const LONG_BREATH_S = 10;
/** Overtones and altissimo of this length together want a rest of the lip after them, seconds. */
const LIP_S = 20;
const LOUD_FROM = 0.7;
/** An exercise of this length is a reason to look at strap and neck, seconds. */
const LONG_STAND_S = 120;

/** What to mind with a score, the most pressing first; said before the tone, in the count-in or the rest. */
export function cautionsFor(score: Score): Caution[] {
  const beatS = beatSeconds(score);
  const lasts = (step: Step) => step.beats * beatS;
  const high = score.steps.some((step) => isHigh(step) && lasts(step) >= HIGH_TONE_S);
  const budget = breathBudget(score);
  const lipS = score.steps
    .filter((step) => step.partialNumber > 1 || step.bendCents || zoneOf(step.soundedMidi) === 'altissimo')
    .reduce((sum, step) => sum + lasts(step), 0);
  const carries = score.steps.some((step) => isLoud(step) && (zoneOf(step.fingeredMidi) === 'low' || isHigh(step)));
  const found: Readonly<Record<Caution, boolean>> = {
    headphones: score.steps.some(({ droneMidi }) => droneMidi !== undefined),
    ears: high,
    breath: isOpenEnded(score) || budget.longestBreathS >= LONG_BREATH_S,
    lip: lipS >= LIP_S,
    neighbours: carries,
    hands: budget.totalS >= LONG_STAND_S,
  };
  return CAUTIONS.filter((caution) => found[caution]);
}

function isHigh({ soundedMidi }: Step): boolean {
  return ['palm', 'altissimo'].includes(zoneOf(soundedMidi));
}

function isLoud({ dynamics }: Step): boolean {
  return dynamics.some((point) => (point.position ?? dynamicPosition(point.dynamic)) >= LOUD_FROM);
}

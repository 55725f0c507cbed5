import type { Step } from '@inner-hum/core/exercise';
import type { Demand, Measured, StepMeasures } from '@inner-hum/core/measure';
import type { FindingId, TryId, Weight } from './verdict';

export type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;

/** What a rule may look at besides the measures of its step. */
export interface RuleContext {
  readonly demand: Demand;
  readonly beatS: number;
  /** whether the player wants one colour from soft to loud */
  readonly evenColour: boolean;
  /** whether a tone may sit wherever its tube puts it */
  readonly freeTuning: boolean;
  /** whether overtones are asked to be tempered */
  readonly tempered: boolean;
  /** what was asked for */
  readonly step: Step | undefined;
  /** whether it is slurred to from another partial or from its twin */
  readonly changesOver: boolean;
}

/** One row of the judge: when it speaks, how much it weighs, what the sentence needs, what to try. */
export interface Rule {
  readonly id: FindingId;
  readonly weight: Weight;
  readonly tries: readonly TryId[];
  /** evidence when the rule speaks, else undefined */
  readonly when: (measures: Sounded, context: RuleContext) => Readonly<Record<string, number>> | undefined;
}

/** A tone that sounds another partial for this share of its length never sounded its own. */
const WRONG_PARTIAL_SHARE = 0.6;

/** Limits of each demand. Our choice; the pitch windows are those of the measures. */
export const LIMITS = {
  loose: {
    errorDb: 3,
    slopeCents: 12,
    driftCents: 6,
    spreadCents: 8,
    rangeShare: 0.5,
    lateS: 0.12,
    responseS: 0.25,
    apartDb: 6,
    glitchS: 0.15,
    humCents: 40,
  },
  firm: {
    errorDb: 2,
    slopeCents: 7,
    driftCents: 3.5,
    spreadCents: 5,
    rangeShare: 0.65,
    lateS: 0.07,
    responseS: 0.16,
    apartDb: 4.5,
    glitchS: 0.1,
    humCents: 25,
  },
  fine: {
    errorDb: 1.3,
    slopeCents: 4,
    driftCents: 2,
    spreadCents: 3.5,
    rangeShare: 0.8,
    lateS: 0.04,
    responseS: 0.1,
    apartDb: 3,
    glitchS: 0.06,
    humCents: 15,
  },
} as const;

/** True when a quantity lies above a limit by more than its own uncertainty. */
export function above(quantity: Measured, limit: number): boolean {
  return quantity.kind === 'measured' && quantity.value - quantity.uncertainty > limit;
}

/** Evidence of a quantity under a name: the value's size and its uncertainty. */
export function evidence(name: string, quantity: Measured): Record<string, number> {
  return quantity.kind === 'measured' ? { [name]: Math.abs(quantity.value), uncertainty: quantity.uncertainty } : {};
}

export function negative(quantity: Measured): Measured {
  return quantity.kind === 'measured' ? { ...quantity, value: -quantity.value } : quantity;
}

/** Evidence in seconds as milliseconds. */
export function inMs(values: Record<string, number>): Record<string, number> {
  return Object.fromEntries(Object.entries(values).map(([name, seconds]) => [name, 1000 * seconds]));
}

/** The partial that sounded instead of the one asked for, through most of the tone. */
export function wrongPartial(m: Sounded): number | undefined {
  for (const { toPartial } of m.jumps) {
    const lastedS = m.jumps.filter((one) => one.toPartial === toPartial).reduce((sum, one) => sum + one.lastsS, 0);
    if (lastedS >= WRONG_PARTIAL_SHARE * (m.endS - m.onsetS)) return toPartial;
  }
  return undefined;
}

import type { Step } from '@inner-hum/core/exercise';
import { limitOf, type Demand, type Measured, type StepMeasures } from '@inner-hum/core/measure';
import type { LevelRuler } from '@inner-hum/core/theory';
import type { ValuesOfFinding } from './finding';
import type { FindingId } from './findings.data';

export type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;

/** What a rule may look at besides the measures of its step. */
export interface RuleContext {
  readonly demand: Demand;
  readonly beatS: number;
  /** whether the player wants one colour from soft to loud */
  readonly evenColour: boolean;
  /** whether a tone may sit wherever its tube puts it */
  readonly freeTuning: boolean;
  /** how far a pair may differ by the nature of its partials, cents */
  readonly pairOffsetCents: number;
  /** where the tube of an overtone lies in this take, cents, when it is to be in tune with that; else 0 */
  readonly tubeCents: number;
  readonly ruler: LevelRuler['origin'];
  /** what was asked for */
  readonly step: Step | undefined;
  /** whether it is slurred to from another partial or from its twin */
  readonly changesOver: boolean;
  /** whether it is a regular note and not the fundamental that overtones of the same score stand on */
  readonly regular: boolean;
}

/** Evidence of a rule that speaks: what its sentence needs, and how far over its limit it is (1 at the limit). */
export interface Spoken<Id extends FindingId> {
  readonly values: ValuesOfFinding<Id>;
  readonly severity: number;
}

/** When the judge speaks of a tone; all else about a finding stands in its row of findings.data.ts. */
export interface Rule<Id extends FindingId = FindingId> {
  readonly id: Id;
  readonly when: (measures: Sounded, context: RuleContext) => Spoken<Id> | undefined;
}

/** A rule as a row of a list of rules of any kind. */
export type AnyRule = { [Id in FindingId]: Rule<Id> }[FindingId];

/** Keeps the kind of a rule tied to its numbers. */
export function rule<Id extends FindingId>(row: Rule<Id>): AnyRule {
  return row as unknown as AnyRule;
}

type Limited = Parameters<typeof limitOf>[0];

/** True when a quantity lies above a limit by more than its own uncertainty. */
function above(quantity: Measured, limit: number): boolean {
  return quantity.kind === 'measured' && quantity.value - quantity.uncertainty > limit;
}

/** A quantity against another place than its target. */
export function against(quantity: Measured, place: number): Measured {
  return quantity.kind === 'measured' ? { ...quantity, value: quantity.value - place } : quantity;
}

export function negative(quantity: Measured): Measured {
  return quantity.kind === 'measured' ? { ...quantity, value: -quantity.value } : quantity;
}

/** A quantity that is surely over a limit: its size, its uncertainty, and how far over. */
export interface Over {
  readonly size: number;
  readonly uncertainty: number;
  readonly severity: number;
}

/** What lies over a limit by more than its own uncertainty, else undefined. The limit may be negative, as of decibels. */
export function over(quantity: Measured, limit: number): Over | undefined {
  if (quantity.kind !== 'measured' || !above(quantity, limit)) return undefined;
  const { value, uncertainty } = quantity;
  const severity = limit > 0 ? (value - uncertainty) / limit : 1 + (value - uncertainty - limit) / Math.abs(limit);
  return { size: Math.abs(value), uncertainty, severity };
}

/** The same against the limit that a quantity has under a demand. */
export function overLimit(name: Limited, quantity: Measured, { demand }: Pick<RuleContext, 'demand'>) {
  return over(quantity, limitOf(name, demand));
}

/** The same, whichever side of 0 it lies on. */
export function overEitherWay(name: Limited, quantity: Measured, context: Pick<RuleContext, 'demand'>) {
  return overLimit(name, quantity, context) ?? overLimit(name, negative(quantity), context);
}

/** What an `over` says in cents, decibels, beats or partials. */
export function said<const Unit extends string>(unit: Unit, found: Over | undefined) {
  return (
    found && {
      values: { [unit]: found.size, uncertainty: found.uncertainty } as Readonly<Record<Unit | 'uncertainty', number>>,
      severity: found.severity,
    }
  );
}

/** What an `over` of seconds says in milliseconds. */
export function saidInMs(found: Over | undefined) {
  return said('ms', found && { ...found, size: 1000 * found.size, uncertainty: 1000 * found.uncertainty });
}

/** Severity of a tone that never came, or another in its place: over any limit. */
export const ALL_OF_IT = 10;
/** A tone that sounds another partial for this share of its length never sounded its own. */
const WRONG_PARTIAL_SHARE = 0.6;

/** The partial that sounded instead of the one asked for, through most of the tone. */
export function wrongPartial(m: Sounded): number | undefined {
  for (const { toPartial } of m.jumps) {
    const own = m.jumps.filter((jump) => jump.toPartial === toPartial);
    const lastedS = own.reduce((sum, jump) => sum + jump.lastsS, 0);
    if (lastedS >= WRONG_PARTIAL_SHARE * (m.endS - m.onsetS)) return toPartial;
  }
  return undefined;
}

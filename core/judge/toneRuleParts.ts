import { DEMAND_CENTS, type Demand, type PartialJump } from '@inner-hum/core/measure';
import type { over } from './rule';
import { said, type RuleContext, type Sounded, type Spoken } from './rule';

/** A break or a hole weighs as many times its limit as it lasts, seconds; a stair so many dB. Our choice. */
export const BREAK_S = 0.1;
export const STAIR_DB = 2.5;
/** A tone that ends this much before its plan ended early, seconds and beats. */
export const EARLY_END = { s: 0.35, beats: 0.4 } as const;

export const beatOf = (timeS: number, measures: Sounded, { beatS }: RuleContext) =>
  1 + Math.max(0, Math.floor((timeS - measures.plannedStartS) / beatS));

/** Whether a drift leads anywhere: over a short tone a slope is only its waver. */
export function driftsFar(m: Sounded, demand: Demand): boolean {
  const { driftCentsPerS: drift } = m;
  const far = drift.kind === 'measured' ? Math.abs(drift.value) * (m.endS - m.onsetS) : 0;
  return far > DEMAND_CENTS[demand];
}

/** Only against a ruler that was measured with this player: an assumed one says nothing of p and f. */
export function measuredRuler({ ruler }: RuleContext, found: () => ReturnType<typeof over>) {
  return ruler === 'measured' ? said('db', found()) : undefined;
}

/** The first slip of a kind, and how many there are. */
export function slips<Kind extends PartialJump['kind']>(
  kind: Kind,
  m: Sounded,
  context: RuleContext,
): Spoken<'jump' | 'crack' | 'squeak'> | undefined {
  const found = m.jumps.filter((jump) => jump.kind === kind);
  const first = found[0];
  return (
    first && {
      values: {
        beat: beatOf(first.atS, m, context),
        atS: first.atS,
        partial: first.toPartial,
        lastsMs: 1000 * first.lastsS,
        count: found.length,
      },
      severity: 1 + found.reduce((sum, jump) => sum + jump.lastsS, 0) / BREAK_S,
    }
  );
}

import { valueOf, type StepMeasures } from '@inner-hum/core/measure';

/** How far two takes of one exercise lie apart, over the tones that sounded in both; left out what was not measured. */
export interface Nearness {
  readonly tones: number;
  /** mean distance of their pitch, cents */
  readonly pitchCents?: number;
  /** mean distance of how far each lay from the written dynamics, dB */
  readonly levelDb?: number;
  /** mean distance of their centre of partials, share */
  readonly colour?: number;
}
type Part = Exclude<keyof Nearness, 'tones'>;

/** So far apart it is heard at once: what is farthest is told by these. Our choice. */
const HEARD: Readonly<Record<Part, number>> = { pitchCents: 10, levelDb: 4, colour: 0.2 };

/** Two takes of one exercise, tone by tone; undefined where no tone sounded in both, or nothing of them could be measured. */
export function nearness(a: readonly StepMeasures[], b: readonly StepMeasures[]): Nearness | undefined {
  const both = a.flatMap((one, i) => {
    const other = b[i];
    return one.kind === 'sounded' && other?.kind === 'sounded' ? [[one, other] as const] : [];
  });
  if (both.length === 0) return undefined;
  const apart = (of: (step: Extract<StepMeasures, { kind: 'sounded' }>) => number | undefined) => {
    const found = both.flatMap(([one, other]) => {
      const [mine, theirs] = [of(one), of(other)];
      return mine === undefined || theirs === undefined ? [] : [Math.abs(mine - theirs)];
    });
    return found.length === 0 ? undefined : found.reduce((sum, value) => sum + value, 0) / found.length;
  };
  const pitchCents = apart((step) => valueOf(step.pitchCentreCents));
  const levelDb = apart((step) => valueOf(step.levelAgainstPlanDb));
  const colour = apart((step) => {
    const partials = valueOf(step.centroidPartials);
    return partials === undefined ? undefined : Math.log(partials);
  });
  if ([pitchCents, levelDb, colour].every((part) => part === undefined)) return undefined;
  return {
    tones: both.length,
    ...(pitchCents !== undefined && { pitchCents }),
    ...(levelDb !== undefined && { levelDb }),
    ...(colour !== undefined && { colour: Math.exp(colour) - 1 }),
  };
}

/** What of two takes is heard most as apart; undefined where nothing is. */
export function farthest(near: Nearness): Part | undefined {
  const parts = (Object.keys(HEARD) as Part[]).filter((part) => (near[part] ?? 0) >= HEARD[part]);
  return parts.sort((x, y) => near[y]! / HEARD[y] - near[x]! / HEARD[x])[0];
}

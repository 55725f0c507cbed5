import { median } from '@inner-hum/core/measure';
import jstat from 'jstat';
import { MATTERS } from './compare';
import type { Digest } from '../history/digest';
import { ROUNDS, takesOf, type AskedQuantity, type Experiment, type ProbeDynamic } from './experiment';

/** How often an experiment may say something that is not so, over all its measures and all times it is looked at. */
const FALSE_ANSWERS = 0.05;
/** It is looked at after each second round from here on. */
const FIRST_LOOK = 4;
/** How the false answers that are allowed are spent over the rounds: less on the first looks (K. K. G. Lan, D. L. DeMets 1983). */
const SPENDING = 1.5;

/** What one try told: of each measure the mean over its notes, against the usual value of each note. */
export interface TrialValues {
  readonly round: number;
  readonly variant: number;
  readonly part: number;
  /** the player's own day, and which try of that day it was, from 0 */
  readonly day: string;
  readonly place: number;
  /** by {@link measureKey} */
  readonly values: Readonly<Record<string, number>>;
}

/** One difference between two variants: the second less the first. */
export interface Difference {
  readonly quantity: AskedQuantity;
  readonly dynamic: ProbeDynamic;
  readonly variants: readonly [number, number];
  readonly difference: number;
  /** the interval that is wide enough for all measures and looks together */
  readonly from: number;
  readonly to: number;
  readonly answer: 'differs' | 'alike' | 'open';
  /** about how many rounds a difference of this size would take; undefined when it has its answer, or would need too many */
  readonly rounds: number | undefined;
}

/** What changed over a session whatever was played, per try, with its error; only what is more than chance. */
interface Drift {
  readonly quantity: AskedQuantity;
  readonly dynamic: ProbeDynamic;
  readonly perTry: number;
  readonly error: number;
}

export interface ExperimentAnswer {
  /** rounds that are whole and looked at */
  readonly rounds: number;
  readonly differences: readonly Difference[];
  readonly drifts: readonly Drift[];
  /** `cannot`: all rounds are played, and something is open still */
  readonly state: 'begins' | 'goesOn' | 'decided' | 'cannot';
}

const measureKey = (quantity: AskedQuantity, dynamic: ProbeDynamic) => `${quantity} ${dynamic}`;

/** What the takes of an experiment answer so far. */
export function experimentAnswer(experiment: Experiment, takes: readonly Digest[]): ExperimentAnswer {
  return answerFrom(experiment, trialValues(experiment, takes));
}

/** What each take that counts told of the measures that are asked about. */
function trialValues(experiment: Experiment, takes: readonly Digest[]): TrialValues[] {
  const counted = takesOf(experiment, takes);
  const keys = experiment.dynamics.flatMap((dynamic) =>
    experiment.about.map((quantity) => ({ quantity, dynamic, key: measureKey(quantity, dynamic) })),
  );
  // A tone belongs to the dynamic that was asked of it, however loud it became: its place in the probe says which.
  const { dynamics, notes } = experiment;
  const told = (take: Digest, { quantity, dynamic }: (typeof keys)[number], midi: number) => {
    const step = dynamics.indexOf(dynamic) * notes.length + notes.indexOf(midi);
    const own = take.seen.filter((one) => one.midi === midi && one.atMs - take.startedAtMs === step);
    return own.flatMap(({ values }) => values[quantity] ?? []);
  };
  const usual = new Map(
    keys.flatMap((key) =>
      experiment.notes.map((midi) => [`${key.key} ${midi}`, counted.flatMap((take) => told(take, key, midi))] as const),
    ),
  );
  const days = new Map<string, number>();
  return counted.map((take) => {
    const place = days.get(take.day) ?? 0;
    days.set(take.day, place + 1);
    const values = keys.flatMap((key) => {
      const each = experiment.notes.flatMap((midi) =>
        told(take, key, midi).map((value) => value - median(usual.get(`${key.key} ${midi}`)!)),
      );
      return each.length > 0 ? [[key.key, each.reduce((sum, value) => sum + value, 0) / each.length] as const] : [];
    });
    const { round, variant, part } = take.trial!;
    return { round, variant, part, day: take.day, place, values: Object.fromEntries(values) };
  });
}

/**
 * Differences by least squares with an effect of each variant, each day, and each further try of a day, so that warming up
 * and tiring are told apart from the variant. False answers are bounded over all measures (S. Holm 1979) and all looks.
 */
export function answerFrom(
  { kind, about, dynamics, variants, order }: Pick<Experiment, 'kind' | 'about' | 'dynamics' | 'variants' | 'order'>,
  trials: readonly TrialValues[],
): ExperimentAnswer {
  const parts = kind === 'around' ? 2 : 1;
  const whole = order.findIndex(
    (round, i) => trials.filter((trial) => trial.round === i).length < parts * round.length,
  );
  const played = whole < 0 ? order.length : whole;
  const rounds = played - (played % 2);
  if (rounds < FIRST_LOOK) return { rounds: played, differences: [], drifts: [], state: 'begins' };
  const own = trials.filter(({ round }) => round < rounds);
  const rows = kind === 'around' ? changesIn(own) : own;
  const asked = about.flatMap((quantity) => dynamics.map((dynamic) => ({ quantity, dynamic })));
  const fits = asked.flatMap(({ quantity, dynamic }) => {
    const fit = fitOf(rows, measureKey(quantity, dynamic), variants.length, kind === 'ways');
    return fit ? [{ quantity, dynamic, fit }] : [];
  });
  const pairs = pairsOf({ variants });
  const tests = fits.flatMap(({ fit, ...measure }) =>
    pairs.map((pair) => ({ ...measure, variants: pair, freedom: fit.freedom, ...fit.between(...pair) })),
  );
  const differences = decided(tests, asked.length * pairs.length, rounds);
  const drifts = fits.flatMap(({ quantity, dynamic, fit: { drift, freedom } }): Drift[] => {
    if (!drift || chanceOf(drift.value / drift.error, freedom) > FALSE_ANSWERS / fits.length) return [];
    return [{ quantity, dynamic, perTry: drift.value, error: drift.error }];
  });
  const open = differences.length < asked.length * pairs.length || differences.some(({ answer }) => answer === 'open');
  const state = !open ? 'decided' : rounds >= ROUNDS ? 'cannot' : 'goesOn';
  return { rounds, differences, drifts, state };
}

/** Each two ways of an experiment. */
export const pairsOf = ({ variants }: Pick<Experiment, 'variants'>): (readonly [number, number])[] =>
  variants.flatMap((_, b) => Array.from({ length: b }, (__, a) => [a, b] as const));

/** The share of false answers that may be given at a look after so many rounds. */
function spentAt(rounds: number): number {
  const until = (count: number) => (count < FIRST_LOOK ? 0 : FALSE_ANSWERS * Math.min(1, count / ROUNDS) ** SPENDING);
  return until(rounds) - until(rounds - 2);
}

interface Test {
  readonly quantity: AskedQuantity;
  readonly dynamic: ProbeDynamic;
  readonly variants: readonly [number, number];
  readonly value: number;
  readonly error: number;
  readonly freedom: number;
}

function decided(tests: readonly Test[], asked: number, rounds: number): Difference[] {
  const spent = spentAt(rounds);
  // The surest first, against the strictest bound; the first that fails ends it.
  const sorted = [...tests].sort(
    (a, b) => chanceOf(a.value / a.error, a.freedom) - chanceOf(b.value / b.error, b.freedom),
  );
  let failed = false;
  return sorted.map(({ quantity, dynamic, variants, value, error, freedom }, i) => {
    const bound = spent / (asked - (failed ? 0 : i));
    const sure = !failed && chanceOf(value / error, freedom) < bound;
    failed ||= !sure;
    const half = jstat.studentt.inv(1 - bound / 2, freedom) * error;
    const matters = MATTERS[quantity]!;
    const [from, to] = [value - half, value + half];
    const alike = Math.max(Math.abs(from), Math.abs(to)) < matters;
    const answer = alike ? 'alike' : sure ? 'differs' : 'open';
    const needed = Math.ceil(rounds * (half / Math.max(Math.abs(value), 1e-9)) ** 2);
    const more = answer === 'open' && Math.abs(value) >= matters && needed <= ROUNDS;
    return {
      quantity,
      dynamic,
      variants,
      difference: value,
      from,
      to,
      answer,
      rounds: more ? Math.max(rounds + 2, needed) : undefined,
    };
  });
}

/** How often chance alone lies as far out, in both directions. */
const chanceOf = (t: number, freedom: number) => 2 * (1 - jstat.studentt.cdf(Math.abs(t), freedom));

/** The change from the first probe of a round to the second; each round is a try of its own. */
function changesIn(trials: readonly TrialValues[]): TrialValues[] {
  return trials.flatMap((after) => {
    const before = trials.find(({ round, part }) => round === after.round && part === 0);
    // What was probed on another day is no "before".
    if (after.part !== 1 || before?.day !== after.day) return [];
    const values = Object.entries(after.values).flatMap(([key, value]) =>
      before.values[key] === undefined ? [] : [[key, value - before.values[key]] as const],
    );
    return [{ ...after, values: Object.fromEntries(values) }];
  });
}

/** Least squares of one measure; nothing when there are too few tries for an error. */
function fitOf(trials: readonly TrialValues[], key: string, variants: number, within: boolean) {
  const rows = trials.flatMap(({ values, ...trial }) =>
    values[key] === undefined ? [] : [{ ...trial, value: values[key] }],
  );
  // The change around something has its own day each: it is compared over the days.
  const days = within ? [...new Set(rows.map(({ day }) => day))] : [''];
  const drifting = within && rows.some(({ place }) => place !== rows[0]!.place);
  const design = rows.map(({ day, variant, place }) => [
    ...days.map((one) => Number(!within || one === day)),
    ...Array.from({ length: variants - 1 }, (_, i) => Number(variant === i + 1)),
    ...(drifting ? [place] : []),
  ]);
  const width = days.length + variants - 1 + Number(drifting);
  const freedom = rows.length - width;
  if (freedom < 2) return undefined;
  const cross = Array.from({ length: width }, (_, i) =>
    Array.from({ length: width }, (__, j) => sum(design.map((row) => row[i]! * row[j]!))),
  );
  const inverse = jstat.inv(cross);
  const toward = Array.from({ length: width }, (_, i) => sum(design.map((row, r) => row[i]! * rows[r]!.value)));
  const solution = inverse.map((row) => sum(row.map((entry, j) => entry * toward[j]!)));
  if (!solution.every(Number.isFinite)) return undefined;
  const left = sum(design.map((row, r) => (rows[r]!.value - sum(row.map((entry, i) => entry * solution[i]!))) ** 2));
  const variance = Math.max(left / freedom, 1e-12);
  /** of a sum of coefficients: its value and its standard error */
  const of = (weights: readonly number[]) => ({
    value: sum(weights.map((weight, i) => weight * solution[i]!)),
    error: Math.sqrt(variance * sum(weights.map((a, i) => sum(weights.map((b, j) => a * b * inverse[i]![j]!))))),
  });
  const unit = (i: number) => Array.from({ length: width }, (_, j) => Number(i === j));
  /** the coefficient of a variant; the first has none */
  const effect = (variant: number) => (variant === 0 ? unit(-1) : unit(days.length + variant - 1));
  return {
    freedom,
    between: (a: number, b: number) => of(effect(b).map((weight, i) => weight - effect(a)[i]!)),
    drift: drifting ? of(unit(width - 1)) : undefined,
  };
}

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

/** How blind choices between two variants came out: how many for the second, of how many, and how often chance does as well. */
export function blindOf({ picks }: Pick<Experiment, 'picks'>, [a, b]: readonly [number, number]) {
  const own = picks.filter(({ heard }) => heard.includes(a) && heard.includes(b));
  const chosen = own.filter((pick) => pick.chosen >= 0);
  const forB = chosen.filter((pick) => pick.chosen === b).length;
  const most = Math.max(forB, chosen.length - forB);
  const byChance = chosen.length === 0 ? 1 : Math.min(1, 2 * (1 - jstat.binomial.cdf(most - 1, chosen.length, 0.5)));
  return { pair: [a, b] as const, heard: own.length, chosen: chosen.length, forB, byChance };
}

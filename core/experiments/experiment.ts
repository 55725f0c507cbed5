import { isDay, type ExerciseParameters, type Trial } from '@inner-hum/core/exercise';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { isHornId, noteName, sizeOf, type HornId } from '@inner-hum/core/theory';
import { array, number, object, string } from 'yup';
import type { Digest } from '../history/digest';
import type { Quantity } from '../history/observation';

/** What a question can be about; several at once make each of them harder to decide. */
export const ASKED_QUANTITIES = [
  'pitchSteadinessCents',
  'pitchCentreCents',
  'responseS',
  'softestDb',
  'centroidPartials',
  'breathRatioDb',
] as const satisfies readonly Quantity[];
export type AskedQuantity = (typeof ASKED_QUANTITIES)[number];
export const ASKED_AT_ONCE = 3;
export const PROBE_DYNAMICS = ['p', 'mf', 'f'] as const;
export type ProbeDynamic = (typeof PROBE_DYNAMICS)[number];
export const VARIANTS = { min: 2, max: 3 } as const;
export const PROBE_NOTES = { min: 1, max: 5 } as const;
/** After so many rounds the question is answered, or can't be by a player's patience. */
export const ROUNDS = 12;
const HELD_BEATS = 4;
const BREATH_BEATS = 2;

/** One choice between two variants by ear, without knowing which was which. */
export interface BlindPick {
  readonly round: number;
  /** the variants that were heard */
  readonly heard: readonly [number, number];
  /** the one that sounded better; −1 for no difference */
  readonly chosen: number;
}

/** A question that playing answers: the same probe notes in two or three ways, in an order drawn by chance. */
export interface Experiment {
  readonly id: string;
  /** in the player's words */
  readonly question: string;
  /** the ways, in the player's words */
  readonly variants: readonly string[];
  /**
   * `ways`: each try is played in another way. `around`: each round is another day; the notes are probed before and after
   * what the variant says, and it is the change between the two that is compared.
   */
  readonly kind: 'ways' | 'around';
  readonly instrumentId: HornId;
  /** written notes that are probed, each at each of the dynamics */
  readonly notes: readonly number[];
  readonly dynamics: readonly ProbeDynamic[];
  readonly about: readonly AskedQuantity[];
  /** for each round the variants that are played in it, one after the other */
  readonly order: readonly (readonly number[])[];
  readonly startedOn: string;
  readonly picks: readonly BlindPick[];
}

const words = (most: number) => string().required().max(most);
const numberIn = (min: number, max: number) => number().required().integer().min(min).max(max);
const EXPERIMENT = object({
  id: words(100),
  question: words(300),
  variants: array(words(100)).required().min(VARIANTS.min).max(VARIANTS.max),
  kind: string().required().oneOf(['ways', 'around']),
  instrumentId: string().required().test(isHornId),
  notes: array(numberIn(0, 127)).required().min(PROBE_NOTES.min).max(PROBE_NOTES.max),
  dynamics: array(string().required().oneOf(PROBE_DYNAMICS)).required().min(1),
  about: array(string().required().oneOf(ASKED_QUANTITIES)).required().min(1).max(ASKED_AT_ONCE),
  order: array(
    array(numberIn(0, VARIANTS.max - 1))
      .required()
      .min(1)
      .max(VARIANTS.max),
  )
    .required()
    .length(ROUNDS),
  startedOn: string().required().test('day', 'must be a day that there is', isDay),
  picks: array(
    object({
      round: numberIn(0, ROUNDS - 1),
      heard: array(numberIn(0, VARIANTS.max - 1))
        .required()
        .length(2),
      chosen: numberIn(-1, VARIANTS.max - 1),
    })
      .noUnknown()
      .required(),
  ).required(),
})
  .noUnknown()
  .required();

/**
 * The order of the rounds, by chance and balanced. *ways*: two rounds are one another's mirror, so that what gets better
 * or worse evenly from try to try takes off as much from each way. *around*: as many days for each.
 * @param random gives numbers in 0…1
 */
export function drawOrder(kind: Experiment['kind'], variants: number, random: () => number): number[][] {
  const numbers = Array.from({ length: variants }, (_, i) => i);
  if (kind === 'around') {
    const sets = Array.from({ length: ROUNDS / variants }, () => shuffled(numbers, random));
    return sets.flat().map((variant) => [variant]);
  }
  const ways = permutations(numbers);
  const pairs = Array.from({ length: ROUNDS / 2 }, (_, i) => ways[i % ways.length]!);
  return shuffled(pairs, random).flatMap((first) => [first, first.toReversed()]);
}

function shuffled<T>(entries: readonly T[], random: () => number): T[] {
  const left = [...entries];
  return entries.map(() => left.splice(Math.floor(random() * left.length), 1)[0]!);
}

function permutations(numbers: readonly number[]): number[][] {
  if (numbers.length <= 1) return [[...numbers]];
  return numbers.flatMap((first) =>
    permutations(numbers.filter((one) => one !== first)).map((rest) => [first, ...rest]),
  );
}

/** What is played at each try: every probe note at every dynamic, each with a breath of its own. */
export function probeOf({ instrumentId, notes, dynamics }: Experiment): ExerciseParameters {
  const tones = dynamics.flatMap((dynamic) =>
    notes.map((midi) => `[${dynamic}] ${noteName(midi, 'english')}:${HELD_BEATS} r:${BREATH_BEATS}`),
  );
  return { ...usualExercise(familyById('ownPassage'), instrumentId), phrase: tones.join(' '), repeats: 1 };
}

/** All tries of an experiment in the order in which they are to be played. */
function trialsOf({ id, kind, order }: Experiment): Trial[] {
  const parts = kind === 'around' ? [0, 1] : [0];
  return order.flatMap((variants, round) =>
    variants.flatMap((variant) => parts.map((part) => ({ experiment: id, round, variant, part }))),
  );
}

/**
 * The try that comes next; none once all are played. Around something, before and after belong to one day: what was left
 * in the middle begins anew, and after a whole round the next one is for another day.
 * @param today yyyy-mm-dd
 */
export function nextTrial(
  experiment: Experiment,
  takes: readonly Pick<Digest, 'trial' | 'day'>[],
  today: string,
): { readonly next: Trial | undefined; readonly anotherDay: boolean } {
  const days = new Map<string, string>();
  for (const { trial, day } of takes) if (trial?.experiment === experiment.id) days.set(placeOf(trial), day);
  const dayOf = (trial: Trial, part = trial.part) => days.get(placeOf({ ...trial, part }));
  const around = experiment.kind === 'around';
  const whole = (trial: Trial) => dayOf(trial, 0) !== undefined && dayOf(trial, 0) === dayOf(trial, 1);
  const next = trialsOf(experiment).find((trial) => {
    if (!around) return dayOf(trial) === undefined;
    return !whole(trial) && (trial.part === 1 || dayOf(trial) !== today);
  });
  const anotherDay =
    around && next?.part === 0 && trialsOf(experiment).some((trial) => whole(trial) && dayOf(trial) === today);
  return { next, anotherDay };
}

const placeOf = ({ round, variant, part }: Trial) => `${round} ${variant} ${part}`;

/** The takes that count: of each try the last one that was played. */
export function takesOf(experiment: Experiment, takes: readonly Digest[]): Digest[] {
  const own = takes.filter(({ trial, setup }) => {
    const here = trial?.experiment === experiment.id && setup.instrumentId === sizeOf(experiment.instrumentId);
    return here && experiment.order[trial.round]?.includes(trial.variant) === true;
  });
  const last = new Map<string, Digest>();
  for (const take of own.sort((a, b) => a.startedAtMs - b.startedAtMs)) last.set(placeOf(take.trial!), take);
  return [...last.values()].sort((a, b) => a.startedAtMs - b.startedAtMs);
}

/** Whether a stored or imported value is an experiment that can be played. */
export function isExperiment(value: unknown): value is Experiment {
  const fits: boolean = EXPERIMENT.isValidSync(value, { strict: true });
  if (!fits) return false;
  const { variants, order } = value as Experiment;
  return order.every((round) => round.every((variant) => variant < variants.length));
}

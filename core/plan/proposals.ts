import { breathBudget, type ExerciseParameters } from '@inner-hum/core/exercise';
import {
  breathLimitS,
  exerciseKey,
  exerciseScore,
  familyById,
  FAMILIES,
  fittedToBreath,
  LEVELS,
  mainNoteOf,
  playable,
  turned,
  usualExercise,
  type Family,
  type FieldValues,
  type Level,
  type PlayerNow,
} from '@inner-hum/core/families';
import {
  DYNAMICS,
  dynamicPosition,
  expectedSuccess,
  instrumentById,
  lattice,
  sourceKey,
  zoneOf,
  type Dynamic,
  type Horn,
  sizeOf,
} from '@inner-hum/core/theory';
import { dayNumber } from './days';
import type { Digest } from './digest';
import { frontier } from './frontier';
import { heldFor, longestHolds, type Holds } from './holds';
import { needs, type Need } from './needs';
import type { PlanFor } from './planFor';
import { exerciseFor, exerciseForSeam, workOf } from './exerciseFor';
import { slotOf, type Slot } from './lesson';
import { seams } from './seams';
import type { Reason } from './session';

/** An exercise that could be in a session, why, and how much it is wanted. */
export interface Proposal {
  readonly family: Family;
  /** where it stands in a session */
  readonly slot: Slot;
  readonly exercise: ExerciseParameters;
  readonly reason: Reason;
  readonly weight: number;
}

type Unplaced = Omit<Proposal, 'slot'>;

const DAY_MS = 86_400_000;
/** An exercise goes on where it stood for so long, days. */
const REMEMBERED_DAYS = 21;
/** What a family weighs for each day that it was not played, and how many days count. */
const AGE = { aDay: 0.07, most: 16 } as const;
/** A family that was away for so long comes before all needs: within two weeks each has its turn. */
const OVERDUE = { days: 9, weight: 4 } as const;
/** Smaller needs are none: such a note is only kept in shape. */
const WORTH_IT = 0.5;
const MOST_NEED = 2.5;
const LAST_BELL_MIDI = 61;
/** Highest note that is asked of a level. */
const TOP_MIDI: Readonly<Record<Level, number>> = { new: 84, home: 90, advanced: 102 };

/** All that could be in a session of a player today, each family once or more, the most wanted first. */
export function proposals(plan: PlanFor): Proposal[] {
  const horn = instrumentById(plan.instrumentId);
  const top = TOP_MIDI[plan.level];
  const wanted = needs(plan.notes, plan.instrumentId, plan.nowMs).filter((need) => need.midi <= top);
  const holds = longestHolds(plan.recent.flatMap((digest) => digest.holds));
  const ready = LEVELS.slice(0, LEVELS.indexOf(plan.level) + 1);
  const found = FAMILIES.filter(({ teaching }) => teaching.planned && ready.includes(teaching.planned.from)).flatMap(
    (family) => ofFamily(family, plan, horn, wanted),
  );
  const made = [...found, ...ofSeams(plan)].flatMap((unplaced) => readied(unplaced, plan, holds) ?? []);
  return made.sort((a, b) => b.weight - a.weight || jitter(a, plan.day) - jitter(b, plan.day));
}

/** The weakest middle, low and palm note, each held: what there is time for in five minutes. */
export function threeNotes(plan: PlanFor): Proposal[] {
  const wanted = needs(plan.notes, plan.instrumentId, plan.nowMs);
  const holds = longestHolds(plan.recent.flatMap((digest) => digest.holds));
  return (['middle', 'low', 'palm'] as const).flatMap((zone) => {
    const need = wanted.find(
      (candidate) => zoneOf(candidate.midi) === zone && candidate.midi <= TOP_MIDI[plan.level] + 2,
    );
    if (!need) return [];
    const exercise = exerciseFor({ ...need, reason: 'pitch' }, plan.instrumentId);
    return (
      readied({ family: familyById(exercise.family), exercise, reason: reasonOf(need), weight: 1 }, plan, holds) ?? []
    );
  });
}

function ofFamily(family: Family, plan: PlanFor, horn: Horn, wanted: readonly Need[]): Unplaced[] {
  const { planned } = family.teaching;
  if (!planned) return [];
  const usual = usualExercise(family, plan.instrumentId);
  const on = (values: FieldValues): ExerciseParameters => ({ ...usual, ...values });
  const age = ageOf(family, plan);
  const bonus = age.weight;
  const goals = plan.goals
    .filter((goal) => goal.instrumentId === sizeOf(plan.instrumentId) && goal.by >= plan.day)
    .flatMap((goal): Unplaced[] => {
      const values = planned.goals?.[goal.kind]?.(goal.midi);
      if (!values) return [];
      const daysLeft = dayNumber(goal.by) - dayNumber(plan.day);
      const reason = { kind: 'goal', goal: goal.kind, midi: goal.midi, daysLeft } as const;
      return [{ family, exercise: on(values), reason, weight: 2 + 14 / (7 + daysLeft) + bonus }];
    });
  const weakest = wanted.find(({ reason }) => reason !== 'unmeasured' && reason !== 'stale');
  const met = wanted.flatMap((need): Unplaced[] => {
    const { reason, size } = need;
    const small = size < WORTH_IT && reason !== 'stale' && reason !== 'unmeasured';
    const values = planned.meets?.(workOf(need));
    if (!values || small) return [];
    // What wants it most is in the session whatever else has waited its turn.
    const most = need === weakest ? OVERDUE.weight : 0;
    return [{ family, exercise: on(values), reason: reasonOf(need), weight: Math.min(MOST_NEED, size) + bonus + most }];
  });
  if (goals.length + met.length > 0 && (age.days ?? Infinity) < OVERDUE.days) return [...goals, ...met];
  const values = planned.turn ? planned.turn(playerNow(family, plan, horn, wanted)) : {};
  if (!values) return [...goals, ...met];
  const exercise = on(values);
  const reason = reasonOfTurn(family, exercise, age.days, plan);
  return [...goals, ...met, { family, exercise, reason, weight: bonus + 0.2 }];
}

/** What a family is told of the player. */
function playerNow(family: Family, plan: PlanFor, horn: Horn, wanted: readonly Need[]): PlayerNow {
  const played = plan.recent.filter((digest) => digest.family === family.id);
  const days = new Set(played.map((digest) => digest.day)).size;
  const middleOf = { low: 60, middle: 71, palm: 86 } as const;
  // What was never heard asks for nothing yet.
  const asking = wanted.filter(({ reason }) => reason !== 'unmeasured' && reason !== 'stale');
  return {
    horn,
    level: plan.level,
    turn: days,
    frontier: frontier(plan.sources, plan.level, horn),
    weakest: (zone) => asking.find((need) => zoneOf(need.midi) === zone)?.midi ?? middleOf[zone],
  };
}

/** For how many of the player's own days a family was away, undefined when it was never played lately, and what that weighs. */
function ageOf(
  family: Family,
  { recent, day }: PlanFor,
): { readonly days: number | undefined; readonly weight: number } {
  const played = recent.flatMap((digest) => (digest.family === family.id ? [dayNumber(digest.day)] : []));
  const days = played.length > 0 ? Math.max(0, dayNumber(day) - Math.max(...played)) : undefined;
  const waited = Math.min(AGE.most, days ?? Infinity);
  return { days, weight: AGE.aDay * waited + (waited >= OVERDUE.days ? OVERDUE.weight : 0) };
}

function reasonOf({ midi, reason, value, band }: Need): Reason {
  return { kind: reason, midi, value, ...(band && { band }) };
}

/** Why a family comes up that nothing asks for: what it is for. */
function reasonOfTurn(family: Family, exercise: ExerciseParameters, days: number | undefined, plan: PlanFor): Reason {
  const midi = mainNoteOf(family.teaching, exercise) ?? 67;
  const { stage } = family;
  if (slotOf(family) === 'measure') return { kind: 'firstMap', midi };
  if (stage === 'lowEnd') return { kind: 'warmUp', midi };
  const partial = Number(exercise['top'] ?? exercise['partial'] ?? 0);
  if (stage === 'overtones' && partial > 1) {
    const horn = instrumentById(plan.instrumentId);
    const source = lattice(horn).find(
      (candidate) => candidate.fingeredMidi === midi && candidate.partialNumber === partial,
    );
    const tries = source && plan.sources.get(sourceKey(source))?.tries;
    if (source)
      return {
        kind: 'overtone',
        midi: source.soundedMidi,
        partial,
        ...(tries && tries.of > 0 && { percent: 100 * expectedSuccess(source.prior, tries) }),
      };
  }
  if (days !== undefined) return { kind: 'round', midi, days };
  return plan.everPlayed?.has(family.id) ? { kind: 'long', midi } : { kind: 'round', midi };
}

/** The exercises that work on the seams of the map. */
function ofSeams(plan: PlanFor): Unplaced[] {
  if (plan.level === 'new') return [];
  return seams(plan.notes).map((seam) => {
    const exercise = exerciseForSeam(seam, plan.instrumentId);
    const family = familyById(exercise.family);
    const reason = { kind: 'seam', midi: seam.lower, upper: seam.upper } as const;
    return { family, exercise, reason, weight: Math.min(1.5, seam.z / 3) + ageOf(family, plan).weight / 2 };
  });
}

/** A proposal as it stands with this player now: where it went on to, fit for breath and hour; undefined when not for today. */
function readied(proposal: Unplaced, plan: PlanFor, holds: Holds): Proposal | undefined {
  const { recent, nowMs, day, quiet, goals } = plan;
  const key = exerciseKey(proposal.exercise);
  const same = recent.filter((digest) => exerciseKey(digest.parameters) === key);
  const last = same.reduce<Digest | undefined>(
    (newest, digest) => (newest && newest.startedAtMs > digest.startedAtMs ? newest : digest),
    undefined,
  );
  if (last?.decision === 'leave' && last.day === day) return undefined;
  const remembered = last && nowMs - last.startedAtMs < REMEMBERED_DAYS * DAY_MS;
  const goalNotes = goals.map((goal) => goal.midi);
  let exercise = remembered ? goneOn(last, proposal, goalNotes) : proposal.exercise;
  if (quiet) {
    const softer = softened(exercise);
    if (!softer) return undefined;
    exercise = softer;
  }
  const score = exerciseScore(exercise);
  const limitS = breathLimitS(proposal.family, score, heldFor(score, holds));
  const fitted = fittedToBreath(exercise, proposal.family, limitS);
  return { ...proposal, exercise: fitted, slot: placeOf(proposal.family, fitted) };
}

/** Where an exercise went on to; what was abandoned comes back easier. */
function goneOn(last: Digest, { exercise, family }: Unplaced, goalNotes: readonly number[]): ExerciseParameters {
  const { mainNote } = family.teaching;
  // Another note is for the tries of a day: the next day begins on the note that is wanted.
  const onItsNote = mainNote === undefined ? {} : { [mainNote]: exercise[mainNote]! };
  const on = { ...exercise, ...last.parameters, ...last.next, ...onItsNote };
  const went = playable({ ...on, ...nearDynamic(on, exercise) }).exercise;
  if (last.decision !== 'leave') return went;
  for (const turn of family.teaching.easier) {
    const made = turned(turn, went, { goalNotes });
    if (made) return { ...went, ...made.values };
  }
  return went;
}

/** A dynamic that went far from the one that is wanted comes back to its neighbour: what is soft is not healed loud. */
function nearDynamic(on: ExerciseParameters, { dynamic }: ExerciseParameters): { readonly dynamic?: Dynamic } {
  const now = DYNAMICS.indexOf(on['dynamic'] as Dynamic);
  const wanted = DYNAMICS.indexOf(dynamic as Dynamic);
  if (now < 0 || wanted < 0 || Math.abs(now - wanted) <= 1) return {};
  return { dynamic: DYNAMICS[wanted + Math.sign(now - wanted)]! };
}

/** Where a proposal stands: what sounds altissimo is altissimo, whatever its family is for. */
function placeOf(family: Family, exercise: ExerciseParameters): Slot {
  const slot = slotOf(family);
  return slot !== 'overtones' && slot !== 'measure' && altissimoS(exercise) > 0 ? 'altissimo' : slot;
}

/** The exercise without loud bell notes, else undefined. */
function softened(exercise: ExerciseParameters): ExerciseParameters | undefined {
  const { exercise: soft, score } = playable({
    ...exercise,
    ...('dynamic' in exercise && loud(exercise['dynamic']) && { dynamic: 'mp' }),
    ...('loudest' in exercise && loud(exercise['loudest']) && { loudest: 'mf' }),
  });
  const loudBell = score.steps.some(
    (step) => step.fingeredMidi <= LAST_BELL_MIDI && step.dynamics.some((point) => loud(point.dynamic)),
  );
  return loudBell ? undefined : soft;
}

function loud(dynamic: unknown): boolean {
  return dynamicPosition(dynamic as 'f') > dynamicPosition('mf');
}

/** A number that only the day and the exercise decide, so that days differ and a day does not. */
function jitter({ exercise }: Proposal, day: string): number {
  let hash = 0;
  for (const letter of `${day} ${exerciseKey(exercise)}`) hash = (Math.imul(hash, 31) + letter.charCodeAt(0)) >>> 0;
  return hash / 2 ** 32;
}

/** A held altissimo note is reckoned with about four beats. */
const OPEN_ALTISSIMO_S = 5;

/** Seconds of altissimo that sound in an exercise. */
export function altissimoS(exercise: ExerciseParameters): number {
  const score = exerciseScore(exercise);
  return score.steps
    .filter((step) => zoneOf(step.soundedMidi) === 'altissimo')
    .reduce((sum, step) => sum + (step.openEnd ? OPEN_ALTISSIMO_S : (step.beats * 60) / score.tempoBpm), 0);
}

/** Seconds of one try without its count-in. */
export function tryS(exercise: ExerciseParameters): number {
  return breathBudget(exerciseScore(exercise)).totalS;
}

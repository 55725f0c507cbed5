import type { ExerciseParameters } from '@inner-hum/core/exercise';
import {
  breathLimitS,
  exerciseKey,
  exerciseScore,
  fittedToBreath,
  playable,
  tryScore,
  turned,
  usualExercise,
  type Family,
  type FieldValues,
  type Level,
} from '@inner-hum/core/families';
import { isSecure } from '@inner-hum/core/judge';
import { DYNAMICS, dynamicPosition, sizeOf, type Dynamic } from '@inner-hum/core/theory';
import type { Digest } from '../history/digest';
import { heldFor } from '../history/holds';
import { altissimoS } from './lasts';
import { slotOf, type Slot } from './slots';
import type { PlanFor } from './planFor';
import { withSchools } from './schools';
import type { Reason } from './session';
import { NEWCOMER_RANGE, type Standing } from './standing';

/** An exercise that could be in a session, and why. */
export interface Candidate {
  readonly family: Family;
  /** where it stands in a session */
  readonly slot: Slot;
  readonly exercise: ExerciseParameters;
  readonly reason: Reason;
}
const LAST_BELL_MIDI = 61;
/** Highest note that is asked of a level. */
export const TOP_MIDI: Readonly<Record<Level, number>> = { new: 84, home: 90, advanced: 102 };
/** Highest note that is asked now: a goal above what the level has is worked on once the overtones are there for it. */
function topOf({ level, goals }: PlanFor, { altissimoReady }: Standing): number {
  const wanted = altissimoReady ? goals.filter(({ kind }) => kind === 'highNote').map(({ midi }) => midi) : [];
  return Math.max(TOP_MIDI[level], ...wanted);
}
/** The two notes of the break, written. */
export const BREAK_MIDI = { under: 73, over: 74 } as const;
/** What turns from time to time stays for so many sessions. */
export const SESSIONS_A_TURN = 2;

/** A candidate as it stands with this player now: where it went on to, fit for breath and hour; undefined when not for today. */
export function made(
  family: Family,
  values: FieldValues | ExerciseParameters,
  reason: Reason,
  plan: PlanFor,
  standing: Standing,
): Candidate | undefined {
  const { nowMs, day, quiet, schools } = plan;
  if (plan.without?.has(family.id)) return undefined;
  const usual = usualExercise(family, plan.instrumentId);
  const own = schools ? withSchools({ ...usual, ...values }, schools) : usual;
  // What a need, a goal or a turn sets is set, whatever the school has for usual.
  const proposed: ExerciseParameters = { ...own, ...values };
  const key = exerciseKey(proposed);
  const same = standing.tries(key);
  const last = same.at(-1);
  if (last?.decision === 'leave' && last.day === day) return undefined;
  // What measures is asked as it is, each time.
  const measures = ['measure', 'tune'].includes(slotOf(family));
  const remembered = !measures && last && nowMs - last.startedAtMs < REMEMBERED_DAYS * DAY_MS;
  let exercise = onTheBeat(remembered ? goneOn(last, same, { family, exercise: proposed }, plan) : proposed);
  if (quiet) {
    const softer = softened(exercise);
    if (!softer) return undefined;
    exercise = softer;
  }
  const tried = tryScore(exercise);
  if (!('score' in tried)) return undefined;
  const { score } = tried;
  const limitS = breathLimitS(family, score, heldFor(score, standing.holds), plan.level);
  const fitted = fittedToBreath(exercise, family, limitS);
  return isAllowed(fitted, plan, standing)
    ? { family, exercise: fitted, reason, slot: placeOf(family, fitted) }
    : undefined;
}

/** Whether the range, the break and altissimo are the player's yet. */
function isAllowed(exercise: ExerciseParameters, plan: PlanFor, standing: Standing): boolean {
  const { steps } = exerciseScore(exercise);
  const sounded = steps.filter(({ hum }) => !hum).map(({ soundedMidi }) => soundedMidi);
  const { from, to } = NEWCOMER_RANGE;
  if (standing.newcomer && sounded.some((midi) => midi < from || midi > to)) return false;
  if (steps.some(({ soundedMidi, partialNumber }) => partialNumber === 1 && soundedMidi > topOf(plan, standing)))
    return false;
  // An overtone above the break is another partial of the same fingers: no break is crossed.
  const slursOver = steps.some((step, i) => {
    const before = steps[i - 1] ?? step;
    if (step.partialNumber > 1 || before.partialNumber > 1) return false;
    const [lower, upper] = [before.soundedMidi, step.soundedMidi].sort((one, other) => one - other) as [number, number];
    return step.attack === 'slurred' && lower <= BREAK_MIDI.under && upper >= BREAK_MIDI.over;
  });
  return standing.crossesBreak || !slursOver;
}

/** Where an exercise went on to; harder only when it is secure, and what was abandoned comes back easier. */
function goneOn(
  last: Digest,
  same: readonly Digest[],
  { exercise, family }: Pick<Candidate, 'family' | 'exercise'>,
  { goals, instrumentId }: PlanFor,
): ExerciseParameters {
  const { mainNote } = family.teaching;
  // Another note is for the tries of a day: the next day begins on the note that is wanted.
  const onItsNote = mainNote === undefined ? {} : { [mainNote]: exercise[mainNote]! };
  const goesOn = last.decision !== 'harder' || isSecure(same);
  // Which overtone is learnt now is decided by the tries at it, not by where an exercise went.
  const learnt = family.stage === 'overtones' ? pickOf(exercise, ['top', 'partial']) : {};
  const on = { ...exercise, ...last.parameters, ...(goesOn && last.next), ...onItsNote, ...learnt, instrumentId };
  const went = playable({ ...on, ...nearDynamic(on, exercise) }).exercise;
  if (last.decision !== 'leave') return went;
  const goalNotes = goals.filter((goal) => goal.instrumentId === sizeOf(instrumentId)).map((goal) => goal.midi);
  for (const turn of family.teaching.easier) {
    const easier = turned(turn, went, { goalNotes });
    const gone = easier && { ...went, ...easier.values };
    if (gone) return { ...gone, ...nearDynamic(gone, exercise) };
  }
  return went;
}

/** A planned session has its minutes: what was led by ear last time goes on the beat there. */
function onTheBeat(exercise: ExerciseParameters): ExerciseParameters {
  return Object.fromEntries(Object.entries(exercise).filter(([name]) => name !== 'goesOn')) as ExerciseParameters &
    FieldValues;
}

function pickOf(exercise: ExerciseParameters, names: readonly string[]): FieldValues {
  return Object.fromEntries(Object.entries(exercise).filter(([name]) => names.includes(name))) as FieldValues;
}

/** A dynamic that went far from the one that is wanted comes back to its neighbour: what is soft is not healed loud. */
function nearDynamic(on: ExerciseParameters, { dynamic }: ExerciseParameters): { readonly dynamic?: Dynamic } {
  const now = DYNAMICS.indexOf(on['dynamic'] as Dynamic);
  const wanted = DYNAMICS.indexOf(dynamic as Dynamic);
  if (now < 0 || wanted < 0 || Math.abs(now - wanted) <= 1) return {};
  return { dynamic: DYNAMICS[wanted + Math.sign(now - wanted)]! };
}

/** Where a candidate stands: what sounds altissimo is altissimo, whatever its family is for. */
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

const DAY_MS = 86_400_000;
/** An exercise goes on where it stood for so long, days. */
const REMEMBERED_DAYS = 21;

import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { isExercise, mainNoteOf, familyById, playable } from '@inner-hum/core/families';
import type { HornId } from '@inner-hum/core/theory';
import { triesIn } from './adapted';
import type { SessionBlock } from './session';

/** One exercise of a routine, as it was set: so many tries, a rest after them, and what to mind. */
export interface RoutineBlock {
  readonly exercise: ExerciseParameters;
  readonly tries: number;
  /** after each try, seconds */
  readonly restS: number;
  readonly remark: string;
  /** goes by the clock: so many minutes, whatever tries these hold */
  readonly minutes?: number;
}

/** A practice laid out once and played again: by the player, or set by a teacher. */
export interface Routine {
  readonly name: string;
  /** who set it; '' when the player did */
  readonly from: string;
  /** weekdays on which it is played, Monday 0 to Sunday 6; none: whenever it is chosen */
  readonly days: readonly number[];
  /** on its days it stands in the session, and only the rest of the time is planned */
  readonly must: boolean;
  /** whether it is played just as it was set; else the judge makes it easier and harder */
  readonly asWritten?: boolean;
  readonly remark: string;
  readonly blocks: readonly RoutineBlock[];
  /** what a teacher says of takes that came back from the player */
  readonly remarks?: readonly RemarkOnTake[];
}

/** What is said of one beat of a take, beats counted from 1. */
export interface RemarkOnTake {
  readonly takeId: string;
  readonly beat: number;
  readonly text: string;
}

export const ROUTINE_LIMITS = {
  blocks: 40,
  tries: 20,
  restS: 600,
  minutes: 60,
  text: 2000,
  remarks: 200,
  /** no score has so many */
  beat: 100_000,
} as const;

/** Whether a value, as it came from outside, is a routine that can be played. */
export function isRoutine(value: unknown): value is Routine {
  if (!isRecord(value)) return false;
  const { name, from, days, must, asWritten = false, remark, blocks, remarks = [] } = value;
  return (
    isText(name) &&
    name.trim() !== '' &&
    isText(from) &&
    isText(remark) &&
    typeof must === 'boolean' &&
    typeof asWritten === 'boolean' &&
    Array.isArray(days) &&
    days.every((day) => isWhole(day, 0, 6)) &&
    Array.isArray(blocks) &&
    blocks.length <= ROUTINE_LIMITS.blocks &&
    blocks.every(isRoutineBlock) &&
    Array.isArray(remarks) &&
    remarks.length <= ROUTINE_LIMITS.remarks &&
    remarks.every(isRemark)
  );
}

/** A routine as it came from outside, without anything that no routine has; undefined when it can't be played. */
export function routineFrom(value: unknown): Routine | undefined {
  // One's own may be empty while it is laid out; what comes from others is to be played.
  if (!isRoutine(value) || value.blocks.length === 0) return undefined;
  const { name, from, days, must, asWritten, remark, blocks, remarks } = value;
  return {
    name,
    from,
    days: [...new Set(days)],
    must,
    ...(asWritten !== undefined && { asWritten }),
    remark,
    blocks: blocks.map(({ exercise, tries, restS, remark: toMind, minutes }) => ({
      exercise: knownFields(exercise),
      tries,
      restS,
      remark: toMind,
      ...(minutes !== undefined && { minutes }),
    })),
    ...(remarks && { remarks: remarks.map(({ takeId, beat, text }) => ({ takeId, beat, text })) }),
  };
}

/** An exercise without fields that its family does not have. */
function knownFields(exercise: ExerciseParameters): ExerciseParameters {
  const names = [
    'family',
    'instrumentId',
    'tempoBpm',
    'tunerHidden',
    ...Object.keys(familyById(exercise.family).fields),
  ];
  const known = Object.entries(exercise).filter(([name]) => names.includes(name));
  return Object.fromEntries(known) as unknown as ExerciseParameters;
}

/** Whether a value, as it came from outside, is a remark on a take. */
export function isRemark(value: unknown): value is RemarkOnTake {
  if (!isRecord(value)) return false;
  const { takeId, beat, text } = value;
  return isText(takeId) && isWhole(beat, 1, ROUTINE_LIMITS.beat) && isText(text) && text.trim() !== '';
}

function isRoutineBlock(value: unknown): value is RoutineBlock {
  if (!isRecord(value)) return false;
  const { exercise, tries, restS, remark, minutes = 1 } = value;
  return (
    isExercise(exercise) &&
    isWhole(tries, 1, ROUTINE_LIMITS.tries) &&
    isWhole(restS, 0, ROUTINE_LIMITS.restS) &&
    isWhole(minutes, 1, ROUTINE_LIMITS.minutes) &&
    isText(remark)
  );
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isText = (value: unknown): value is string => typeof value === 'string' && value.length <= ROUTINE_LIMITS.text;
const isWhole = (value: unknown, min: number, max: number) =>
  typeof value === 'number' && Number.isInteger(value) && value >= min && value <= max;

/** Whether a routine is played just as it was set: a teacher's is, where nobody said otherwise. */
export const isAsWritten = ({ asWritten, from }: Pick<Routine, 'asWritten' | 'from'>): boolean =>
  asWritten ?? from !== '';

/** The routine made of blocks of a session, its adjustments kept. */
export function routineOf(name: string, blocks: readonly SessionBlock[]): Routine {
  return {
    name,
    from: '',
    days: [],
    must: false,
    ...(blocks.length > 0 && blocks.every(({ asWritten }) => asWritten) && { asWritten: true }),
    remark: '',
    blocks: blocks.slice(0, ROUTINE_LIMITS.blocks).map(({ exercise, tries, restS, remark = '', leftS }) => ({
      exercise,
      tries: Math.min(tries, ROUTINE_LIMITS.tries),
      restS: Math.min(Math.round(restS), ROUTINE_LIMITS.restS),
      remark,
      ...(leftS !== undefined && { minutes: Math.max(1, Math.round(leftS / 60)) }),
    })),
  };
}

/** Blocks of a session that play a routine on a horn: what can't be played there is the nearest that can. */
export function routineBlocks(
  routine: Pick<Routine, 'name' | 'blocks' | 'asWritten' | 'from'>,
  instrumentId: HornId,
): SessionBlock[] {
  const { name, blocks } = routine;
  return blocks.map(({ exercise: set, tries, restS, remark, minutes }): SessionBlock => {
    const { exercise } = playable({ ...set, instrumentId });
    const midi = mainNoteOf(familyById(exercise.family).teaching, exercise) ?? 67;
    const leftS = minutes && 60 * minutes;
    return {
      exercise,
      tries: leftS ? triesIn(leftS, { exercise, betweenS: restS }) : tries,
      ...(leftS && { leftS }),
      ...(isAsWritten(routine) && { asWritten: true }),
      betweenS: restS,
      restS,
      reason: { kind: 'routine', midi, name },
      ...(remark && { remark }),
    };
  });
}

/** Routines that have to be played on a weekday, Monday 0 to Sunday 6, in their order. */
export function dueRoutines(routines: readonly Routine[], weekday: number): Routine[] {
  return routines.filter(({ must, days }) => must && days.includes(weekday));
}

/** A planned session with the routines that have to be played in front; of the rest no family that they have already. */
export function withRoutines(routine: readonly SessionBlock[], planned: readonly SessionBlock[]): SessionBlock[] {
  const set = new Set(routine.map(({ exercise }) => exercise.family));
  return [...routine, ...planned.filter(({ exercise }) => !set.has(exercise.family))];
}

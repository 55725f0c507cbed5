import { GOAL_KINDS, LEVELS, type Level } from '@inner-hum/core/families';
import type { Demand } from '@inner-hum/core/measure';
import {
  isRemark,
  MINUTES,
  PRACTICE_IDS,
  WHY_LEFT,
  type Goal,
  type LeftOut,
  type Practice,
  type RemarkOnTake,
} from '@inner-hum/core/lesson';
import { array, mixed, number, object } from 'yup';
import {
  day,
  exercise,
  horn,
  listOf,
  midi,
  ofNow,
  oneOf,
  real,
  recordOf,
  text,
  time,
  whole,
  type PartsOf,
} from './parts';
import { CUES, FIRST_SCHOOLS, SCHOOLS, type Cue, type Schools } from '@inner-hum/core/lesson';

/** What the player said of himself, of goals and of time. */
export interface PlayerSettings {
  /** how far the player is, as said once: bounds what is proposed; null until it was said */
  readonly level: Level | null;
  /** what is part of the player's own practice already, as ticked once */
  readonly practices: readonly Practice[];
  /** the day on which both were answered; '' before */
  readonly askedOn: string;
  readonly demand: Demand;
  readonly schools: Schools;
  /** the cue being tried, kept with each take; '' for none */
  readonly cue: Cue | '';
  /** what is worked towards */
  readonly goals: readonly Goal[];
  /** how long a practice is today, and whether it does many things or stays on few */
  readonly minutes: number;
  readonly style: 'sweep' | 'dwell';
  /** from and to hh:mm, when bell notes must not be loud; null when never */
  readonly quietHours: { readonly from: string; readonly to: string } | null;
  /** minutes planned for each day of the week, Monday first, and when they begin */
  readonly weekMinutes: readonly number[];
  readonly practiceAt: string;
  /** the day on which the first-run questions were answered; '' before */
  readonly welcomedOn: string;
  /** the day on which the list before playing was put away */
  readonly preparedOn: string;
  /** the day on which each caution was put away */
  readonly cautionsSeen: Readonly<Record<string, string>>;
  /** families that were taken out of plans by hand, and why once it was said */
  readonly leftOut: readonly LeftOut[];
  /** families the player marked */
  readonly favourites: readonly string[];
  /** the name on what is handed out: a student's on a week, a teacher's on a routine; '' for none */
  readonly signedAs: string;
  /** stays the same on all weeks that are handed out; '' before the first */
  readonly studentId: string;
  /** what was said of students' takes, and whether it went out with a routine */
  readonly remarks: readonly StudentRemark[];
}

/** A remark of a teacher on a student's take. */
export interface StudentRemark extends RemarkOnTake {
  readonly studentId: string;
  readonly sent: boolean;
}

export const FIRST_PLAYER: PlayerSettings = {
  level: null,
  practices: [],
  askedOn: '',
  demand: 'firm',
  schools: FIRST_SCHOOLS,
  cue: '',
  goals: [],
  minutes: 15,
  style: 'sweep',
  quietHours: null,
  weekMinutes: [15, 15, 15, 15, 15, 30, 15],
  practiceAt: '18:30',
  welcomedOn: '',
  preparedOn: '',
  cautionsSeen: {},
  leftOut: [],
  favourites: [],
  signedAs: '',
  studentId: '',
  remarks: [],
};

export const PLAYER_PARTS: PartsOf<PlayerSettings> = {
  level: whole(oneOf(LEVELS).nullable().defined()),
  practices: listOf(oneOf(PRACTICE_IDS).required()),
  askedOn: whole(text()),
  demand: whole(oneOf(['loose', 'firm', 'fine']).required()),
  schools: whole(object(Object.fromEntries(Object.entries(SCHOOLS).map(([name, options]) => [name, oneOf(options)])))),
  cue: whole(oneOf(['', ...CUES]).defined()),
  goals: listOf(
    object({
      kind: oneOf(GOAL_KINDS).required(),
      instrumentId: horn.required(),
      midi: midi(),
      by: day().required(),
      partial: number().integer().min(2).max(8),
      since: day(),
      exercise: exercise().optional(),
    }).test('passage', ({ kind, exercise: passage }) => kind !== 'passage' || passage !== undefined),
  ),
  minutes: whole(real().min(MINUTES.min).max(MINUTES.max)),
  style: whole(oneOf(['sweep', 'dwell']).required()),
  quietHours: whole(object({ from: time().required(), to: time().required() }).nullable().default(undefined)),
  weekMinutes: whole(array(real().min(0).max(MINUTES.max)).length(7).required()),
  practiceAt: whole(time().required()),
  welcomedOn: whole(text()),
  preparedOn: whole(text()),
  cautionsSeen: recordOf(text()),
  leftOut: ofNow(
    listOf(
      object({
        family: text().required(),
        days: array(day().required()).required().max(3),
        why: oneOf(WHY_LEFT),
        saidOn: day(),
      }),
    ),
  ),
  favourites: listOf(text().required()),
  signedAs: whole(text()),
  studentId: whole(text()),
  remarks: listOf(mixed(isStudentRemark).required()),
};

function isStudentRemark(value: unknown): value is StudentRemark {
  if (!isRemark(value)) return false;
  const { studentId, sent } = value as Partial<StudentRemark>;
  return typeof studentId === 'string' && typeof sent === 'boolean';
}

import type { ExerciseParameters, Trial } from '@inner-hum/core/exercise';
import { familyById, GOAL_KINDS, usualExercise } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { isExperiment, type Experiment } from '@inner-hum/core/experiments';
import { isRoutine, PILLARS, REASON_KINDS, type Routine, type SessionBlock } from '@inner-hum/core/lesson';
import type { InstrumentId } from '@inner-hum/core/theory';
import { array, boolean, mixed, number, object, string } from 'yup';
import {
  day,
  exercise,
  flag,
  horn,
  listOf,
  midi,
  ofNow,
  oneOf,
  real,
  recordOf,
  text,
  whole,
  type PartsOf,
} from './parts';

/** A planned session on its way. */
export interface RunningSession {
  readonly day: string;
  readonly instrumentId: InstrumentId;
  readonly minutes: number;
  readonly blocks: readonly SessionBlock[];
  /** takes played of it */
  readonly done: number;
  /** what the last verdict changed of the rest */
  readonly change: { readonly decision: Decision; readonly of: string } | null;
}

/** What is heard when a tone without a set end stops being good; the drone that stops then sounds in headphones alone. */
export const HOLD_SOUNDS = ['none', 'tick', 'drone'] as const;
type HoldSound = (typeof HOLD_SOUNDS)[number];

/** The exercise on the Stand and what plays one after the other. */
export interface SessionSettings {
  /** the exercise on the Stand */
  readonly exercise: ExerciseParameters;
  /** whether the proposed next step follows a verdict by itself */
  readonly goesOn: boolean;
  /** whether the verdict is read aloud */
  readonly spoken: boolean;
  /** whether a short sound tells that a take is judged */
  readonly endSound: boolean;
  /** what is heard when a tone without a set end stops being good */
  readonly holdSound: HoldSound;
  /** whether the note played again after a verdict starts the next take */
  readonly hornGoesOn: boolean;
  /** whether what is held in free play is kept and enters the map */
  readonly freeCounts: boolean;
  /** whether a take that is started by hand fills the screen */
  readonly fullOnStart: boolean;
  /** exercises that one key press plays one after the other */
  readonly block: readonly ExerciseParameters[];
  /** today's session: what of it is left */
  readonly session: RunningSession | null;
  /** what was left for the day, and the day */
  readonly left: Readonly<Record<string, string>>;
  /** practices laid out once and played again */
  readonly routines: readonly Routine[];
  /** own exercises by the names the player gave them */
  readonly own: readonly { readonly name: string; readonly exercise: ExerciseParameters }[];
  /** questions that playing answers */
  readonly experiments: readonly Experiment[];
  /** the try of an experiment that was put on the Stand last */
  readonly trial: Trial | null;
}

export const FIRST_SESSION: SessionSettings = {
  exercise: usualExercise(familyById('swell'), 'alto'),
  goesOn: false,
  spoken: false,
  endSound: false,
  holdSound: 'tick',
  hornGoesOn: false,
  freeCounts: true,
  fullOnStart: false,
  block: [],
  session: null,
  left: {},
  routines: [],
  own: [],
  experiments: [],
  trial: null,
};

/** An hour by the clock, of the shortest tries, has fewer than this. */
const MOST_TRIES = 1000;

const sessionBlock = object({
  exercise: exercise(),
  tries: number().required().integer().min(1).max(MOST_TRIES),
  betweenS: number().min(0).max(3600),
  restS: number().required().min(0).max(3600),
  remark: string().max(2000),
  asWritten: boolean(),
  leftS: number().min(0).max(3600),
  reason: object({
    kind: oneOf(REASON_KINDS).required(),
    name: string().max(2000),
    midi: midi(),
    upper: number().integer().min(0).max(127),
    days: number().min(0),
    daysLeft: number(),
    partial: number().integer(),
    got: number(),
    of: number(),
    growing: boolean(),
    theme: boolean(),
    cents: number(),
    about: mixed(),
    value: number(),
    band: oneOf(LOUDNESS_BANDS),
    goal: oneOf(GOAL_KINDS),
    pillar: oneOf(PILLARS),
    target: object({ day: number().required(), inside: number().required(), isIn: boolean() }).default(undefined),
  }).required(),
});

export const SESSION_PARTS: PartsOf<SessionSettings> = {
  exercise: whole(exercise()),
  goesOn: whole(flag()),
  spoken: whole(flag()),
  endSound: whole(flag()),
  holdSound: whole(oneOf(HOLD_SOUNDS)),
  hornGoesOn: whole(flag()),
  freeCounts: whole(flag()),
  fullOnStart: whole(flag()),
  block: ofNow(listOf(exercise())),
  session: whole(
    object({
      day: day().required(),
      instrumentId: horn.required(),
      minutes: real(),
      blocks: array(sessionBlock).required().max(500),
      done: number().required().integer().min(0),
      change: object({ decision: string().required(), of: text() }).nullable().default(undefined),
    })
      .nullable()
      .default(undefined),
  ),
  left: ofNow(recordOf(text())),
  routines: listOf(mixed((value): value is Routine => isRoutine(value)).required()),
  own: listOf(object({ name: text().required(), exercise: exercise() })),
  experiments: listOf(mixed((value): value is Experiment => isExperiment(value)).required()),
  trial: whole(
    object({
      experiment: text().required(),
      round: number().required().integer().min(0),
      variant: number().required().integer().min(0),
      part: number().required().integer().min(0).max(1),
    })
      .nullable()
      .default(undefined),
  ),
};

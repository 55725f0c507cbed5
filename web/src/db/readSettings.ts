import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { isExercise, playable } from '@inner-hum/core/families';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { GOAL_KINDS, LEVELS } from '@inner-hum/core/families';
import { MINUTES, NEED_REASONS, SETUP_PARTS } from '@inner-hum/core/plan';
import { A4_RANGE_HZ, INSTRUMENTS, KEYS } from '@inner-hum/core/theory';
import { array, boolean, mixed, number, object, string, type AnySchema } from 'yup';
import { CUES, SCHOOLS } from '../store/schools';
import { HABIT_NAMES, INITIAL_SETTINGS, type Settings } from '../store/settings';
import { detailOf } from '../base/detailOf';

/** A part of stored settings that can't be understood: kept aside as it was. */
export interface SetAside {
  /** such as "goals[2]" */
  readonly path: string;
  readonly reason: string;
  readonly value: unknown;
}

/** Stored settings as far as they can be understood, over the first ones, and what can't. */
export interface ReadSettings {
  readonly settings: Settings;
  readonly aside: readonly SetAside[];
}

/** How a part is read: as a whole, or, so that one bad entry costs no other, by the entries of a list or of a record. */
interface Part {
  readonly by: 'whole' | 'list' | 'record';
  readonly schema: AnySchema;
}
const whole = (schema: AnySchema): Part => ({ by: 'whole', schema });
const listOf = (schema: AnySchema): Part => ({ by: 'list', schema });
const recordOf = (schema: AnySchema): Part => ({ by: 'record', schema });
const oneOf = (options: readonly (string | number)[]) =>
  mixed((value): value is string | number => (options as readonly unknown[]).includes(value));

const real = () => number().required().min(-1e9).max(1e9);
const text = () => string().defined().max(2000);
const horn = oneOf(INSTRUMENTS.map((one) => one.id));
const day = () => string().matches(/^\d{4}-\d\d-\d\d$/);
const time = () => string().matches(/^([01]\d|2[0-3]):[0-5]\d$/);
const midi = () => number().required().integer().min(0).max(127);
const flag = () => boolean().required();
const exercise = () => mixed((value): value is ExerciseParameters => isExercise(value)).required();

const sessionBlock = object({
  exercise: exercise(),
  tries: number().required().integer().min(1).max(50),
  betweenS: number().min(0).max(3600),
  restS: number().required().min(0).max(3600),
  reason: object({
    kind: oneOf([
      ...NEED_REASONS,
      'goal',
      'seam',
      'overtone',
      'round',
      'anchor',
      'break',
      'warmUp',
      'firstMap',
      'kept',
    ]).required(),
    midi: midi(),
    upper: number().integer().min(0).max(127),
    days: number().min(0),
    daysLeft: number(),
    partial: number().integer(),
    percent: number(),
    value: number(),
    band: oneOf(LOUDNESS_BANDS),
    goal: oneOf(GOAL_KINDS),
  }).required(),
});

/** What each setting must hold to be used. */
const PARTS: { readonly [name in keyof Required<Settings>]: Part } = {
  instrumentId: whole(horn.required()),
  a4Hz: whole(real().min(A4_RANGE_HZ.min).max(A4_RANGE_HZ.max)),
  noteNames: whole(oneOf(['english', 'german', 'fixedDo']).required()),
  spelling: whole(oneOf(['usual', 'sharps', 'flats']).required()),
  partialNumbers: whole(oneOf(['partials', 'overtones']).required()),
  demand: whole(oneOf(['loose', 'firm', 'fine']).required()),
  theme: whole(oneOf(['system', 'light', 'dark']).required()),
  source: whole(oneOf(['microphone', 'file', 'standIn']).required()),
  deviceId: whole(text()),
  rulers: recordOf(
    object({ softestDb: real(), loudestDb: real(), origin: oneOf(['assumed', 'measured']).required() }).test(
      'order',
      'softest above loudest',
      ({ softestDb, loudestDb }) => Number(softestDb) < Number(loudestDb),
    ),
  ),
  loops: recordOf(object({ delayS: real().min(-1).max(5), delayErrorS: real().min(0).max(5) })),
  tuneUps: recordOf(object({ at: string().required(), cents: real(), roomCelsius: number() })),
  roomCelsius: whole(real()),
  gear: listOf(
    object({
      part: oneOf(SETUP_PARTS).required(),
      name: text().required(),
      instrumentId: horn,
      cut: string(),
      strength: string(),
      openedOn: day(),
      retiredOn: day(),
    }),
  ),
  fitted: recordOf(object(Object.fromEntries(SETUP_PARTS.map((part) => [part, string()])))),
  room: whole(text()),
  schools: whole(object(Object.fromEntries(Object.entries(SCHOOLS).map(([name, options]) => [name, oneOf(options)])))),
  cue: whole(oneOf(['', ...CUES]).defined()),
  headphones: whole(flag()),
  silentBarEvery: whole(oneOf([0, 2, 4]).required()),
  keepSound: whole(flag()),
  clickOn: whole(flag()),
  startOn: whole(oneOf(['beat', 'sound']).required()),
  goesOn: whole(flag()),
  habit: whole(oneOf(HABIT_NAMES).required()),
  exercise: whole(exercise()),
  block: listOf(exercise()),
  minutes: whole(real().min(MINUTES.min).max(MINUTES.max)),
  style: whole(oneOf(['sweep', 'dwell']).required()),
  level: whole(oneOf(LEVELS).required()),
  goals: listOf(
    object({ kind: oneOf(GOAL_KINDS).required(), instrumentId: horn.required(), midi: midi(), by: day().required() }),
  ),
  quietHours: whole(object({ from: time().required(), to: time().required() }).nullable().default(undefined)),
  weekMinutes: whole(array(real().min(0).max(MINUTES.max)).length(7).required()),
  practiceAt: whole(time().required()),
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
  welcomedOn: whole(text()),
  soundBudgetMb: whole(real().min(0)),
  pinned: listOf(text().required()),
  cautionsSeen: recordOf(text()),
  favourites: listOf(text().required()),
  left: recordOf(text()),
  preparedOn: whole(text()),
  fingerings: listOf(
    object({
      instrumentId: horn.required(),
      midi: midi(),
      keys: array(oneOf(KEYS.map((key) => key.id)).required()).required(),
    }),
  ),
  own: listOf(object({ name: text().required(), exercise: exercise() })),
};

/**
 * Settings as they were stored or saved, part by part: one that can't be understood falls back to its first value (of a
 * list or a record only the bad entry goes) and is told. Parts that are missing are those of an older version.
 */
export function readSettings(value: unknown): ReadSettings {
  if (value === undefined || value === null) return { settings: INITIAL_SETTINGS, aside: [] };
  if (typeof value !== 'object' || Array.isArray(value))
    return { settings: INITIAL_SETTINGS, aside: [{ path: 'settings', reason: 'expected an object', value }] };
  const stored = ofToday(value as Record<string, unknown>);
  const aside: SetAside[] = [];
  const found: Record<string, unknown> = {};
  for (const [name, part] of Object.entries(PARTS))
    if (Object.hasOwn(stored, name) && stored[name] !== undefined) {
      const read = readPart(part, stored[name], name, aside);
      if (read !== undefined) found[name] = read;
    }
  const settings: Settings = { ...INITIAL_SETTINGS, ...found };
  return {
    settings: {
      ...settings,
      schools: { ...INITIAL_SETTINGS.schools, ...settings.schools },
      block: settings.block.map((one) => playable(one).exercise),
      own: settings.own.map((one) => ({ ...one, exercise: playable(one.exercise).exercise })),
    },
    aside,
  };
}

/** The part with its bad entries left out; undefined when nothing of it can be used. */
function readPart({ by, schema }: Part, value: unknown, path: string, aside: SetAside[]): unknown {
  const good = (entry: unknown, at: string) => {
    const reason = whyNot(schema, entry);
    if (reason !== undefined) aside.push({ path: at, reason, value: entry });
    return reason === undefined;
  };
  if (by === 'whole') return good(value, path) ? value : undefined;
  if (by === 'list' && Array.isArray(value)) return value.filter((entry, i) => good(entry, `${path}[${i}]`));
  if (by === 'record' && typeof value === 'object' && value !== null && !Array.isArray(value))
    return Object.fromEntries(Object.entries(value).filter(([key, entry]) => good(entry, `${path}.${key}`)));
  aside.push({ path, reason: `expected a ${by}`, value });
  return undefined;
}

function whyNot(schema: AnySchema, value: unknown): string | undefined {
  try {
    schema.validateSync(value, { strict: true });
    return undefined;
  } catch (error) {
    return detailOf(error);
  }
}

/** Older versions kept one exercise, a swell, and a reed on each horn. */
function ofToday({ swell, reeds, ...rest }: Record<string, unknown>): Record<string, unknown> {
  const exercise = { ...INITIAL_SETTINGS.exercise, ...(swell as object | undefined) };
  const fitted = Object.entries((reeds as Record<string, unknown> | undefined) ?? {}).map(([on, reed]) => [
    on,
    { reed },
  ]);
  return {
    ...(reeds !== undefined && { fitted: Object.fromEntries(fitted) }),
    ...(swell !== undefined && isExercise(exercise) && { exercise }),
    ...rest,
  };
}

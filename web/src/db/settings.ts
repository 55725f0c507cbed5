import { A4_RANGE_HZ, INSTRUMENTS, KEYS } from '@inner-hum/core/theory';
import { exerciseScore, type ExerciseParameters } from '@inner-hum/core/exercise';
import { GOAL_KINDS, MINUTES, SETUP_PARTS } from '@inner-hum/core/plan';
import { array, boolean, mixed, number, object, string } from 'yup';
import { HABIT_NAMES, INITIAL_SETTINGS, type Settings } from '../store/settings';
import { CUES, SCHOOLS } from '../store/schools';
import { database } from './database';

const KEY = 'settings';

/** What older versions kept: their only exercise was a swell, their only gear a reed on each horn. */
interface OlderSettings {
  readonly swell?: Readonly<Record<string, number | string | boolean>>;
  /** the reed on each horn */
  readonly reeds?: Readonly<Record<string, string>>;
}

/** What a stored row must hold to be used; rows of older versions lack fields, which then take their first values. */
const storedSchema = object({
  instrumentId: string().oneOf(INSTRUMENTS.map((one) => one.id)),
  a4Hz: number().min(A4_RANGE_HZ.min).max(A4_RANGE_HZ.max),
  noteNames: string().oneOf(['english', 'german', 'fixedDo']),
  partialNumbers: string().oneOf(['partials', 'overtones']),
  fingerings: array(
    object({
      instrumentId: string().oneOf(INSTRUMENTS.map((one) => one.id)),
      midi: number().integer(),
      keys: array(string().oneOf(KEYS.map((key) => key.id))),
    }),
  ),
  spelling: string().oneOf(['usual', 'sharps', 'flats']),
  demand: string().oneOf(['loose', 'firm', 'fine']),
  theme: string().oneOf(['system', 'light', 'dark']),
  source: string().oneOf(['microphone', 'file', 'standIn']),
  deviceId: string(),
  rulers: object(),
  loops: object(),
  tuneUps: object(),
  cautionsSeen: object(),
  roomCelsius: number(),
  reeds: object(),
  gear: array(
    object({
      part: string().oneOf(SETUP_PARTS).required(),
      name: string().required(),
      instrumentId: string().oneOf(INSTRUMENTS.map((one) => one.id)),
      cut: string(),
      strength: string(),
      openedOn: string(),
      retiredOn: string(),
    }),
  ),
  fitted: object(),
  room: string(),
  schools: object(
    Object.fromEntries(Object.entries(SCHOOLS).map(([name, options]) => [name, string().oneOf([...options])])),
  ),
  cue: string().oneOf(['', ...CUES]),
  headphones: boolean(),
  silentBarEvery: number().oneOf([0, 2, 4]),
  minutes: number().min(MINUTES.min).max(MINUTES.max),
  style: string().oneOf(['sweep', 'dwell']),
  goals: array(
    object({
      kind: string().oneOf(GOAL_KINDS).required(),
      instrumentId: string().required(),
      midi: number().required(),
      by: string().required(),
    }),
  ),
  quietHours: object({ from: string().required(), to: string().required() }).nullable().default(undefined),
  weekMinutes: array(number().min(0).max(MINUTES.max)).length(7),
  practiceAt: string(),
  session: mixed((value): value is object => isSession(value)).nullable(),
  welcomedOn: string(),
  soundBudgetMb: number().min(0),
  pinned: array(string().required()),
  favourites: array(string().required()),
  left: object(),
  preparedOn: string(),
  keepSound: boolean(),
  clickOn: boolean(),
  startOn: string().oneOf(['beat', 'sound']),
  goesOn: boolean(),
  habit: string().oneOf([...HABIT_NAMES]),
  exercise: mixed((value): value is ExerciseParameters => isPlayable(value)),
  block: array(mixed((value): value is ExerciseParameters => isPlayable(value))),
  own: array(
    object({ name: string().required(), exercise: mixed((value): value is ExerciseParameters => isPlayable(value)) }),
  ),
});

/** Stored settings over the initial ones; a row that can't be understood is left aside. */
export async function loadSettings(): Promise<Settings> {
  return settingsFrom((await database.settings.get(KEY))?.value) ?? INITIAL_SETTINGS;
}

/** Settings as they were stored or saved, completed; undefined when they can't be understood. */
export function settingsFrom(value: unknown): Settings | undefined {
  if (value === undefined || value === null || !storedSchema.isValidSync(value, { strict: true })) return undefined;
  const stored = value as unknown as Partial<Settings> & OlderSettings;
  const { swell, reeds = {}, ...rest } = stored;
  const fitted = Object.fromEntries(Object.entries(reeds).map(([horn, reed]) => [horn, { reed }]));
  const exercise = { ...INITIAL_SETTINGS.exercise, ...swell };
  const schools = { ...INITIAL_SETTINGS.schools, ...rest.schools };
  return { ...INITIAL_SETTINGS, fitted, ...(swell && isPlayable(exercise) && { exercise }), ...rest, schools };
}

export async function storeSettings(settings: Settings): Promise<void> {
  await database.settings.put({ name: KEY, value: settings });
}

function isSession(value: unknown): boolean {
  if (value === null || value === undefined) return true;
  const { blocks } = value as { readonly blocks?: unknown };
  return (
    Array.isArray(blocks) && blocks.every((one: { exercise?: unknown }) => one.exercise && isPlayable(one.exercise))
  );
}

function isPlayable(value: unknown): boolean {
  try {
    return value === undefined || exerciseScore(value as ExerciseParameters).steps.length > 0;
  } catch {
    return false;
  }
}

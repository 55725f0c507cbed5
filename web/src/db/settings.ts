import { A4_RANGE_HZ, INSTRUMENTS } from '@inner-hum/core/theory';
import { boolean, number, object, string } from 'yup';
import { HABIT_NAMES, INITIAL_SETTINGS, type Settings } from '../store/settings';
import { database } from './database';

const KEY = 'settings';

/** What a stored row must hold to be used; rows of older versions lack fields, which then take their first values. */
const storedSchema = object({
  instrumentId: string().oneOf(INSTRUMENTS.map((one) => one.id)),
  a4Hz: number().min(A4_RANGE_HZ.min).max(A4_RANGE_HZ.max),
  noteNames: string().oneOf(['english', 'german', 'fixedDo']),
  spelling: string().oneOf(['usual', 'sharps', 'flats']),
  demand: string().oneOf(['loose', 'firm', 'fine']),
  theme: string().oneOf(['system', 'light', 'dark']),
  source: string().oneOf(['microphone', 'file', 'standIn']),
  deviceId: string(),
  rulers: object(),
  loops: object(),
  keepSound: boolean(),
  clickOn: boolean(),
  startOn: string().oneOf(['beat', 'sound']),
  habit: string().oneOf([...HABIT_NAMES]),
  swell: object(),
});

/** Stored settings over the initial ones; a row that can't be understood is left aside. */
export async function loadSettings(): Promise<Settings> {
  const row = await database.settings.get(KEY);
  if (!row || !storedSchema.isValidSync(row.value, { strict: true })) return INITIAL_SETTINGS;
  const stored = row.value as Partial<Settings>;
  return { ...INITIAL_SETTINGS, ...stored, swell: { ...INITIAL_SETTINGS.swell, ...stored.swell } };
}

export async function storeSettings(settings: Settings): Promise<void> {
  await database.settings.put({ name: KEY, value: settings });
}

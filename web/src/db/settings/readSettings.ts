import { isExercise, playable } from '@inner-hum/core/families';
import type { AnySchema } from 'yup';
import { detailOf } from '../../base/detailOf';
import type { Part } from './parts';
import { FIRST_SETTINGS, SETTINGS_PARTS, type Settings } from './settings';

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

/**
 * Settings as they were stored or saved, part by part: one that can't be understood falls back to its first value (of a
 * list or a record only the bad entry goes) and is told. Parts that are missing are those of an older version.
 */
export function readSettings(value: unknown): ReadSettings {
  if (value === undefined || value === null) return { settings: FIRST_SETTINGS, aside: [] };
  if (typeof value !== 'object' || Array.isArray(value))
    return { settings: FIRST_SETTINGS, aside: [{ path: 'settings', reason: 'expected an object', value }] };
  const stored = ofToday(value as Record<string, unknown>);
  const aside: SetAside[] = [];
  const found: Record<string, unknown> = {};
  for (const [name, part] of Object.entries(SETTINGS_PARTS))
    if (Object.hasOwn(stored, name) && stored[name] !== undefined) {
      const read = readPart(part, stored[name], name, aside);
      if (read !== undefined) found[name] = read;
    }
  const settings: Settings = { ...FIRST_SETTINGS, ...found };
  return {
    settings: {
      ...settings,
      schools: { ...FIRST_SETTINGS.schools, ...settings.schools },
      block: settings.block.map((parameters) => playable(parameters).exercise),
      own: settings.own.map((entry) => ({ ...entry, exercise: playable(entry.exercise).exercise })),
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
  const exercise = { ...FIRST_SETTINGS.exercise, ...(swell as object | undefined) };
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

import { SETUP_PARTS } from '@inner-hum/core/history';
import {
  A4_RANGE_HZ,
  HORN_OPTIONS,
  hornIdOf,
  instrumentById,
  KEYS,
  type Horn,
  type HornOptions,
  type InstrumentId,
  type KeyId,
} from '@inner-hum/core/theory';
import { array, boolean, number, object, string } from 'yup';
import type { Fitted, GearItem } from './gear';
import { day, horn, listOf, midi, oneOf, real, recordOf, text, whole, type PartsOf } from './parts';

/** A fingering the player entered for a note. */
interface OwnFingering {
  readonly instrumentId: InstrumentId;
  readonly midi: number;
  readonly keys: readonly KeyId[];
}

/** How one horn is built, where it differs from what is usual for its size. */
export interface HornBuild extends HornOptions {
  /** when it was built, as the player says */
  readonly year?: string | undefined;
}

/** The horns, what is on them, and how they sit. */
export interface HornSettings {
  readonly instrumentId: InstrumentId;
  readonly a4Hz: number;
  /** when each horn was last in tune, and how it sat then, cents */
  readonly tuneUps: Readonly<
    Record<string, { readonly at: string; readonly cents: number; readonly roomCelsius?: number | undefined }>
  >;
  /** what the room is like today, as the player says */
  readonly roomCelsius?: number | undefined;
  /** horns, mouthpieces, necks, reeds and rooms by the player's own names, and what is on each horn now */
  readonly gear: readonly GearItem[];
  readonly fitted: Fitted;
  readonly room: string;
  /** how each horn is built, by {@link buildKey} */
  readonly builds: Readonly<Record<string, HornBuild>>;
  /** own fingerings of notes */
  readonly fingerings: readonly OwnFingering[];
  /** what a note is fingered with instead of the regular way, by size and written MIDI number: "alto 70" */
  readonly usedFingerings: Readonly<Record<string, string>>;
}

type HasBuild = Pick<HornSettings, 'instrumentId' | 'fitted' | 'builds'>;

/** Under which name the build of the present horn is kept: its size and, where several are told apart, its own name. */
export function buildKey({ instrumentId, fitted }: Pick<HornSettings, 'instrumentId' | 'fitted'>): string {
  const name = fitted[instrumentId]?.horn;
  return name ? `${instrumentId} ${name}` : instrumentId;
}

/** The horn that is played on now, with the keys it has. */
export function hornNow(settings: HasBuild): Horn {
  return instrumentById(hornIdOf(settings.instrumentId, settings.builds[buildKey(settings)]));
}

/** The fingering that is used for a written note instead of the regular one. */
export function usedFingering(
  { instrumentId, usedFingerings }: Pick<HornSettings, 'instrumentId' | 'usedFingerings'>,
  midi: number,
): readonly KeyId[] | undefined {
  const named = usedFingerings[`${instrumentId} ${midi}`]?.split(' ') ?? [];
  const keys = KEYS.flatMap((key) => (named.includes(key.id) ? [key.id] : []));
  return keys.length > 0 ? keys : undefined;
}

export const FIRST_HORN: HornSettings = {
  instrumentId: 'alto',
  a4Hz: 440,
  tuneUps: {},
  gear: [],
  fitted: {},
  room: '',
  builds: {},
  fingerings: [],
  usedFingerings: {},
};

export const HORN_PARTS: PartsOf<HornSettings> = {
  instrumentId: whole(horn.required()),
  a4Hz: whole(real().min(A4_RANGE_HZ.min).max(A4_RANGE_HZ.max)),
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
  builds: recordOf(
    object({ ...Object.fromEntries(HORN_OPTIONS.map((key) => [key, boolean()])), year: string().max(40) }),
  ),
  fingerings: listOf(
    object({
      instrumentId: horn.required(),
      midi: midi(),
      keys: array(oneOf(KEYS.map((key) => key.id)).required()).required(),
    }),
  ),
  usedFingerings: recordOf(text()),
};

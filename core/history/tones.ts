import type { Digest } from './digest';
import { QUANTITIES, type Quantity } from './observation';

/**
 * What all takes of a day told of one quantity: what a trend is drawn from without looking at the takes. A tone is a
 * place in the last four lists, which are of one length; typed, since years of days are read at once.
 */
export interface TonesOfDay {
  readonly key: string;
  /** yyyy-mm-dd */
  readonly day: string;
  readonly takeIds: readonly string[];
  /** of each take */
  readonly instrumentIds: readonly string[];
  /** of each tone its take's place in the two lists above */
  readonly take: Uint16Array;
  /** written notes */
  readonly midi: Uint8Array;
  readonly partial: Uint8Array;
  readonly value: Float32Array;
}

/** Under which a day's tones are kept. Keys of a quantity lie together, in the order of days. */
export function tonesKey(quantity: Quantity, day: string): string {
  return `${quantity} ${day}`;
}

/** The days that takes change, as they are after them, by key. `dayOf` gives what is known so far. */
export function tonesAfter(
  digests: Iterable<Digest>,
  dayOf: (key: string) => TonesOfDay | undefined = () => undefined,
): Map<string, TonesOfDay> {
  const changed = new Map<string, TonesOfDay>();
  for (const digest of digests)
    for (const quantity of QUANTITIES) {
      const told = digest.seen.filter((observation) => observation.values[quantity] !== undefined);
      if (told.length === 0) continue;
      const { day, takeId, setup } = digest;
      const key = tonesKey(quantity, day);
      const known = tonesWithout(changed.get(key) ?? dayOf(key) ?? emptyDay(key, day), new Set([takeId]));
      changed.set(key, {
        ...known,
        takeIds: [...known.takeIds, takeId],
        instrumentIds: [...known.instrumentIds, setup.instrumentId],
        take: Uint16Array.of(...known.take, ...told.map(() => known.takeIds.length)),
        midi: Uint8Array.of(...known.midi, ...told.map((observation) => observation.midi)),
        partial: Uint8Array.of(...known.partial, ...told.map((observation) => observation.partial)),
        value: Float32Array.of(...known.value, ...told.map((observation) => observation.values[quantity]!)),
      });
    }
  return changed;
}

/** A day without some of its takes. */
export function tonesWithout(tones: TonesOfDay, gone: ReadonlySet<string>): TonesOfDay {
  if (!tones.takeIds.some((id) => gone.has(id))) return tones;
  const takeStays = tones.takeIds.map((id) => !gone.has(id));
  const takePlace = takeStays.map((_, i) => takeStays.slice(0, i).filter(Boolean).length);
  const stays = (_: unknown, i: number) => takeStays[tones.take[i]!]!;
  return {
    ...tones,
    takeIds: tones.takeIds.filter((_, i) => takeStays[i]),
    instrumentIds: tones.instrumentIds.filter((_, i) => takeStays[i]),
    take: tones.take.filter(stays).map((place) => takePlace[place]!),
    midi: tones.midi.filter(stays),
    partial: tones.partial.filter(stays),
    value: tones.value.filter(stays),
  };
}

function emptyDay(key: string, day: string): TonesOfDay {
  const bytes = new Uint8Array();
  return {
    key,
    day,
    takeIds: [],
    instrumentIds: [],
    take: new Uint16Array(),
    midi: bytes,
    partial: bytes,
    value: new Float32Array(),
  };
}

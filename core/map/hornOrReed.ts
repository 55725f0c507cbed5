import { limitOf, median } from '@inner-hum/core/measure';
import { zoneOf } from '@inner-hum/core/theory';
import type { Digest } from '../history/digest';
import { knownValue } from '../history/estimate';
import { ofNote, type NoteOnMap } from './hornMap';
import type { DayOfTakes } from '../history/progress';

/** The horn is out of tune when so many of at least so many notes lie so far the same way, cents. */
const OUT_OF_TUNE = { notes: 5, share: 0.7, cents: 8 } as const;
/** A reed is looked at over so many days; in so many zones so many starts, half of which are slow or fail. */
const REED = { days: 2, zones: 2, starts: 6, share: 0.5 } as const;

/** How far the whole horn lies from in tune, cents; undefined while it does not lie one way. */
export function hornOffset(notes: readonly NoteOnMap[]): number | undefined {
  return offsetOf(notes.flatMap((note) => knownValue(ofNote(note, 'pitchCentreCents')) ?? []));
}

/** The same by how far each note lies from in tune, cents. */
export function offsetOf(cents: readonly number[]): number | undefined {
  if (cents.length < OUT_OF_TUNE.notes) return undefined;
  const one = (sign: 1 | -1) => cents.filter((value) => sign * value >= OUT_OF_TUNE.cents);
  const out = [one(1), one(-1)].find((side) => side.length >= OUT_OF_TUNE.share * cents.length);
  return out && median(out);
}

/**
 * Whether the reed, not the player, is what keeps notes from speaking, or, once another reed does the same, the horn: half of
 * the starts of the last days slow or failing in two zones.
 */
export function reedOrLeak(days: readonly DayOfTakes[]): 'reed' | 'leak' | undefined {
  const lately = days.slice(-REED.days).flatMap(({ takes }) => takes);
  if (!isDead(lately)) return undefined;
  const reeds = new Set(lately.map(({ setup }) => setup.reed ?? ''));
  const alike = [...reeds].every((reed) => isDead(lately.filter(({ setup }) => (setup.reed ?? '') === reed)));
  return reeds.size > 1 && alike ? 'leak' : 'reed';
}

function isDead(takes: readonly Pick<Digest, 'seen'>[]): boolean {
  const limitS = limitOf('responseS', 'firm');
  const zones = new Map<string, { bad: number; of: number }>();
  for (const { seen } of takes)
    for (const { tried, attack, partial, midi, spoke, values } of seen) {
      if (!tried || attack === 'slurred' || partial > 1) continue;
      const zone = zones.get(zoneOf(midi)) ?? { bad: 0, of: 0 };
      zones.set(zoneOf(midi), zone);
      zone.of++;
      if (!spoke || (values.responseS ?? 0) > limitS) zone.bad++;
    }
  const bad = [...zones.values()].filter(({ bad: count, of }) => of >= REED.starts && count >= REED.share * of);
  return bad.length >= REED.zones;
}

import { median, movingMedian, QUANTITY_ROWS } from '@inner-hum/core/measure';
import { knownValue } from './estimate';
import { ofNote, type NoteOnMap } from './hornMap';
import type { Quantity } from './observation';

/** The parts of evenness: what is spread over the notes, and the spread at which a part is worth half. Our choice. */
export const EVENNESS_PARTS = {
  pitch: { quantity: 'pitchCentreCents', halfAt: 10, shown: QUANTITY_ROWS.pitchCentreCents },
  colour: { quantity: 'centroidPartials', halfAt: 0.2, shown: { factor: 100, digits: 0 } },
  response: { quantity: 'responseS', halfAt: 0.06, shown: QUANTITY_ROWS.responseS },
  range: { quantity: 'rangeDb', halfAt: 6, shown: QUANTITY_ROWS.rangeDb },
} as const satisfies Record<
  string,
  { readonly quantity: Quantity; readonly halfAt: number; readonly shown: { factor: number; digits: number } }
>;
type EvennessPart = keyof typeof EVENNESS_PARTS;

/** Of one part: over how many notes, how far they spread (unit of its quantity; colour: share), and its worth 0–100. */
interface PartOfEvenness {
  readonly part: EvennessPart;
  readonly notes: number;
  readonly spread: number;
  readonly worth: number;
}

export type Evenness =
  | { readonly kind: 'known'; readonly value: number; readonly parts: readonly PartOfEvenness[] }
  | { readonly kind: 'unknown'; readonly notes: number };

/** Fewer notes than this do not make an evenness. */
const LEAST_NOTES = 8;
/** Colour is compared with its own smooth trend over so many neighbouring notes. */
const TREND_NOTES = 7;

/**
 * Evenness over a map, 0–100: the mean of its parts, each 100 / (1 + (spread / half)²) with 1.25 × the mean distance from
 * the median as spread: every second note off must count, which a median distance would miss. Colour is the share by
 * which a note leaves the smooth trend of the horn. Our choice, published in the application with every part.
 */
export function evenness(notes: readonly NoteOnMap[]): Evenness {
  const parts = (Object.keys(EVENNESS_PARTS) as EvennessPart[]).flatMap((part): PartOfEvenness[] => {
    const { quantity, halfAt } = EVENNESS_PARTS[part];
    const known = notes.flatMap((note) => knownValue(ofNote(note, quantity)) ?? []);
    if (known.length < LEAST_NOTES) return [];
    const spread = spreadOf(part === 'colour' ? awayFromTrend(known) : known);
    return [{ part, notes: known.length, spread, worth: 100 / (1 + (spread / halfAt) ** 2) }];
  });
  if (!parts.some((part) => part.part === 'pitch')) return { kind: 'unknown', notes: notes.length };
  return { kind: 'known', value: parts.reduce((sum, part) => sum + part.worth, 0) / parts.length, parts };
}

function spreadOf(values: readonly number[]): number {
  const centre = median(values);
  return (1.2533 * values.reduce((sum, value) => sum + Math.abs(value - centre), 0)) / values.length;
}

function awayFromTrend(values: readonly number[]): number[] {
  const trend = movingMedian(values, TREND_NOTES);
  return values.map((value, i) => value / trend[i]! - 1);
}

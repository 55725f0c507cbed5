import { median, movingMedian, QUANTITY_ROWS } from '@inner-hum/core/measure';
import { knownValue } from '../history/estimate';
import { ofNote, type NoteOnMap } from './hornMap';
import type { Quantity } from '../history/observation';

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
  const parts = knownParts(notes).map(({ part, known }): PartOfEvenness => {
    const spread = meanOf(distances(part, known));
    return { part, notes: known.length, spread, worth: worthOf(part, spread) };
  });
  if (!parts.some((part) => part.part === 'pitch')) return { kind: 'unknown', notes: notes.length };
  return { kind: 'known', value: parts.reduce((sum, part) => sum + part.worth, 0) / parts.length, parts };
}

/** What would raise evenness: a note that lay where the others do in one part, and by how many points. */
export interface EvennessGain {
  readonly part: EvennessPart;
  readonly midi: number;
  readonly points: number;
}

/** The notes that would raise evenness most, the largest gain first; each note once, only gains of a point and more. */
export function evennessGains(notes: readonly NoteOnMap[], most: number): EvennessGain[] {
  const parts = knownParts(notes);
  const gains = parts.flatMap(({ part, known, midis }) => {
    const away = distances(part, known);
    const now = worthOf(part, meanOf(away));
    return midis.map((midi, i): EvennessGain => {
      const then = worthOf(part, meanOf(away.with(i, 0)));
      return { part, midi, points: (then - now) / parts.length };
    });
  });
  const sorted = gains.filter(({ points }) => points >= 1).sort((a, b) => b.points - a.points);
  return sorted.filter(({ midi }, i) => sorted.findIndex((one) => one.midi === midi) === i).slice(0, most);
}

function knownParts(notes: readonly NoteOnMap[]) {
  return (Object.keys(EVENNESS_PARTS) as EvennessPart[]).flatMap((part) => {
    const told = notes.flatMap((note) => {
      const value = knownValue(ofNote(note, EVENNESS_PARTS[part].quantity));
      return value === undefined ? [] : [{ midi: note.midi, value }];
    });
    if (told.length < LEAST_NOTES) return [];
    return [{ part, known: told.map(({ value }) => value), midis: told.map(({ midi }) => midi) }];
  });
}

const worthOf = (part: EvennessPart, spread: number) => 100 / (1 + (spread / EVENNESS_PARTS[part].halfAt) ** 2);

/** How far each note lies from the middle of all, or its colour from the trend. */
function distances(part: EvennessPart, known: readonly number[]): number[] {
  const values = part === 'colour' ? awayFromTrend(known) : known;
  const centre = median(values);
  return values.map((value) => Math.abs(value - centre));
}

/** 1.25 × the mean distance: the deviation of a normal spread. */
const meanOf = (away: readonly number[]) => (1.2533 * away.reduce((sum, value) => sum + value, 0)) / away.length;

function awayFromTrend(values: readonly number[]): number[] {
  const trend = movingMedian(values, TREND_NOTES);
  return values.map((value, i) => value / trend[i]! - 1);
}

import { limitOf, median } from '@inner-hum/core/measure';
import { zoneOf } from '@inner-hum/core/theory';
import { knownValue } from '../history/estimate';
import { ofNote, type NoteOnMap } from './hornMap';
import type { Quantity } from '../history/observation';

/** What a whole map shows at once, as a teacher would tell it. Zones are those of the written notes. */
export type HornPattern = PitchPattern | EndPattern;

/** Of pitch, cents. */
type PitchPattern =
  | { readonly kind: 'sharpWhenSoft' | 'flatWhenSoft'; readonly cents: number; readonly notes: number }
  | { readonly kind: 'flatLowSharpHigh'; readonly low: number; readonly high: number }
  | { readonly kind: 'allSharp' | 'allFlat'; readonly cents: number; readonly notes: number }
  | { readonly kind: 'zoneSharp' | 'zoneFlat'; readonly zone: KeyedZone; readonly cents: number }
  | { readonly kind: 'oneNote'; readonly midi: number; readonly cents: number };

/** Of the ends of a horn beside its middle: softer than it at the same dynamic, dB; brighter than its own line of colour, share. */
type EndPattern =
  | { readonly kind: 'zoneWeak'; readonly zone: KeyedZone; readonly db: number }
  | { readonly kind: 'palmThin' | 'palmDull'; readonly share: number };

const KEYED_ZONES = ['low', 'middle', 'palm'] as const;
type KeyedZone = (typeof KEYED_ZONES)[number];

/** So many notes of a zone, and of a map, tell a pattern. */
const NOTES = { zone: 3, map: 8 } as const;
/** Most of the notes do it when so many do. */
const MOST = 0.7;
/** A zone that leans by this much is off; one by less than this is in tune, cents. */
const OFF_CENTS = 8;
const IN_TUNE_CENTS = 5;
/** One note that leans by this much beside neighbours in tune, cents. */
const ALONE_CENTS = 15;
/** An end that comes so much softer than the middle is weak, dB. */
const WEAK_DB = 4;
/** Palm notes whose centre of partials leaves the line of the other notes by this share are thin, or dull. */
const OFF_LINE = 0.35;

/** All that is plain on a map: its pattern of pitch, then the ends that are weaker or of another colour than the middle. */
export function hornPatterns(notes: readonly NoteOnMap[]): HornPattern[] {
  return [hornPattern(notes), weakEnd(notes), palmColour(notes)].filter((found) => found !== undefined);
}

/**
 * The pattern of pitch of a map, the widest first: what loudness does everywhere, the two ends against each other, all notes one way,
 * one zone, one note. Undefined while too few notes are known, and when nothing is plain. Our choice, after what players ask.
 */
function hornPattern(notes: readonly NoteOnMap[]): PitchPattern | undefined {
  const known = knownOf(notes, 'pitchCentreCents').map(({ midi, value: cents }) => ({ midi, cents }));
  return (
    slopes(notes) ?? (known.length < NOTES.map ? undefined : (ends(known) ?? all(known) ?? zone(known) ?? alone(known)))
  );
}

interface Leaning {
  readonly midi: number;
  readonly cents: number;
}

function slopes(notes: readonly NoteOnMap[]): PitchPattern | undefined {
  const each = notes.flatMap((note) => knownValue(ofNote(note, 'pitchAgainstLevelCents')) ?? []);
  if (each.length < NOTES.map / 2) return undefined;
  const limit = limitOf('pitchAgainstLevelCents', 'firm');
  const share = (sign: 1 | -1) => each.filter((cents) => sign * cents >= limit).length / each.length;
  const found = { cents: Math.abs(median(each)), notes: each.length };
  if (share(-1) >= MOST) return { kind: 'sharpWhenSoft', ...found };
  return share(1) >= MOST ? { kind: 'flatWhenSoft', ...found } : undefined;
}

/** Notes on which a quantity is known. */
function knownOf(notes: readonly NoteOnMap[], quantity: Quantity): { readonly midi: number; readonly value: number }[] {
  return notes.flatMap((note) => {
    const value = knownValue(ofNote(note, quantity));
    return value === undefined ? [] : [{ midi: note.midi, value }];
  });
}

/** The middle of a zone, where enough of its notes are known. */
function ofZone(known: readonly Leaning[], name: KeyedZone): number | undefined {
  return middleOf(
    known.map(({ midi, cents }) => ({ midi, value: cents })),
    name,
  );
}

function middleOf(
  known: readonly { readonly midi: number; readonly value: number }[],
  name: KeyedZone,
): number | undefined {
  const values = known.filter(({ midi }) => zoneOf(midi) === name).map(({ value }) => value);
  return values.length < NOTES.zone ? undefined : median(values);
}

function ends(known: readonly Leaning[]): PitchPattern | undefined {
  const [low, high] = [ofZone(known, 'low'), ofZone(known, 'palm')];
  if (low === undefined || high === undefined || low > -OFF_CENTS || high < OFF_CENTS) return undefined;
  return { kind: 'flatLowSharpHigh', low: -low, high };
}

function all(known: readonly Leaning[]): PitchPattern | undefined {
  const cents = median(known.map((note) => note.cents));
  const sign = Math.sign(cents);
  const share = known.filter((note) => sign * note.cents >= IN_TUNE_CENTS).length / known.length;
  if (Math.abs(cents) < OFF_CENTS || share < MOST) return undefined;
  return { kind: sign > 0 ? 'allSharp' : 'allFlat', cents: Math.abs(cents), notes: known.length };
}

function zone(known: readonly Leaning[]): PitchPattern | undefined {
  for (const name of KEYED_ZONES) {
    const cents = ofZone(known, name);
    const others = KEYED_ZONES.filter((other) => other !== name).flatMap((other) => ofZone(known, other) ?? []);
    const alone = others.length > 0 && others.every((other) => Math.abs(other) < IN_TUNE_CENTS);
    if (cents !== undefined && Math.abs(cents) >= OFF_CENTS && alone)
      return { kind: cents > 0 ? 'zoneSharp' : 'zoneFlat', zone: name, cents: Math.abs(cents) };
  }
  return undefined;
}

function alone(known: readonly Leaning[]): PitchPattern | undefined {
  const found = known.filter(({ midi, cents }) => {
    const near = known.filter((note) => note.midi !== midi && Math.abs(note.midi - midi) <= 2);
    return Math.abs(cents) >= ALONE_CENTS && near.length >= 2 && near.every((note) => Math.abs(note.cents) < OFF_CENTS);
  });
  const [one] = found.sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
  return one && { kind: 'oneNote', ...one };
}

/** An end of the horn that comes softer than the middle where the same dynamic is asked; the weaker one of two. */
function weakEnd(notes: readonly NoteOnMap[]): EndPattern | undefined {
  const known = knownOf(notes, 'levelAgainstPlanDb');
  const middle = middleOf(known, 'middle');
  if (middle === undefined) return undefined;
  const [weakest] = (['low', 'palm'] as const)
    .map((zone) => ({ zone, db: middle - (middleOf(known, zone) ?? middle) }))
    .sort((a, b) => b.db - a.db);
  return weakest!.db < WEAK_DB ? undefined : { kind: 'zoneWeak', ...weakest! };
}

/**
 * Palm notes against the line that the colour of all notes below them makes by itself: the logarithm of the centre of
 * partials falls evenly as the notes rise, while the horn passes on the same frequencies.
 */
function palmColour(notes: readonly NoteOnMap[]): EndPattern | undefined {
  const known = knownOf(notes, 'centroidPartials').map(({ midi, value }) => ({ midi, value: Math.log(value) }));
  const below = known.filter(({ midi }) => zoneOf(midi) === 'low' || zoneOf(midi) === 'middle');
  if (below.length < NOTES.map) return undefined;
  const line = lineThrough(below);
  const away = middleOf(
    known.map(({ midi, value }) => ({ midi, value: value - line(midi) })),
    'palm',
  );
  const share = away === undefined ? 0 : Math.exp(away) - 1;
  if (share > OFF_LINE) return { kind: 'palmThin', share };
  return share < -OFF_LINE ? { kind: 'palmDull', share: -share } : undefined;
}

/** The straight line of least squares. */
function lineThrough(points: readonly { readonly midi: number; readonly value: number }[]): (midi: number) => number {
  const mean = (of: (point: (typeof points)[number]) => number) =>
    points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [x, y] = [mean(({ midi }) => midi), mean(({ value }) => value)];
  const slope = mean(({ midi, value }) => (midi - x) * (value - y)) / mean(({ midi }) => (midi - x) ** 2);
  return (midi) => y + slope * (midi - x);
}

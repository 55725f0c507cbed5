import { limitOf, median } from '@inner-hum/core/measure';
import { zoneOf } from '@inner-hum/core/theory';
import { knownValue } from './estimate';
import { ofNote, type NoteOnMap } from './hornMap';

/** What a whole map shows at once, as a teacher would tell it. Cents; zones are those of the written notes. */
export type HornPattern =
  | { readonly kind: 'sharpWhenSoft' | 'flatWhenSoft'; readonly cents: number; readonly notes: number }
  | { readonly kind: 'flatLowSharpHigh'; readonly low: number; readonly high: number }
  | { readonly kind: 'allSharp' | 'allFlat'; readonly cents: number; readonly notes: number }
  | { readonly kind: 'zoneSharp' | 'zoneFlat'; readonly zone: KeyedZone; readonly cents: number }
  | { readonly kind: 'oneNote'; readonly midi: number; readonly cents: number };

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

/**
 * The pattern of a map, the widest first: what loudness does everywhere, the two ends against each other, all notes one way,
 * one zone, one note. Undefined while too few notes are known, and when nothing is plain. Our choice, after what players ask.
 */
export function hornPattern(notes: readonly NoteOnMap[]): HornPattern | undefined {
  const known = notes.flatMap((note) => {
    const cents = knownValue(ofNote(note, 'pitchCentreCents'));
    return cents === undefined ? [] : [{ midi: note.midi, cents }];
  });
  return (
    slopes(notes) ?? (known.length < NOTES.map ? undefined : (ends(known) ?? all(known) ?? zone(known) ?? alone(known)))
  );
}

interface Leaning {
  readonly midi: number;
  readonly cents: number;
}

function slopes(notes: readonly NoteOnMap[]): HornPattern | undefined {
  const each = notes.flatMap((note) => knownValue(ofNote(note, 'pitchAgainstLevelCents')) ?? []);
  if (each.length < NOTES.map / 2) return undefined;
  const limit = limitOf('pitchAgainstLevelCents', 'firm');
  const share = (sign: 1 | -1) => each.filter((cents) => sign * cents >= limit).length / each.length;
  const found = { cents: Math.abs(median(each)), notes: each.length };
  if (share(-1) >= MOST) return { kind: 'sharpWhenSoft', ...found };
  return share(1) >= MOST ? { kind: 'flatWhenSoft', ...found } : undefined;
}

/** The middle of a zone, where enough of its notes are known. */
function ofZone(known: readonly Leaning[], name: KeyedZone): number | undefined {
  const cents = known.filter(({ midi }) => zoneOf(midi) === name).map((note) => note.cents);
  return cents.length < NOTES.zone ? undefined : median(cents);
}

function ends(known: readonly Leaning[]): HornPattern | undefined {
  const [low, high] = [ofZone(known, 'low'), ofZone(known, 'palm')];
  if (low === undefined || high === undefined || low > -OFF_CENTS || high < OFF_CENTS) return undefined;
  return { kind: 'flatLowSharpHigh', low: -low, high };
}

function all(known: readonly Leaning[]): HornPattern | undefined {
  const cents = median(known.map((note) => note.cents));
  const sign = Math.sign(cents);
  const share = known.filter((note) => sign * note.cents >= IN_TUNE_CENTS).length / known.length;
  if (Math.abs(cents) < OFF_CENTS || share < MOST) return undefined;
  return { kind: sign > 0 ? 'allSharp' : 'allFlat', cents: Math.abs(cents), notes: known.length };
}

function zone(known: readonly Leaning[]): HornPattern | undefined {
  for (const name of KEYED_ZONES) {
    const cents = ofZone(known, name);
    const others = KEYED_ZONES.filter((other) => other !== name).flatMap((other) => ofZone(known, other) ?? []);
    const alone = others.length > 0 && others.every((other) => Math.abs(other) < IN_TUNE_CENTS);
    if (cents !== undefined && Math.abs(cents) >= OFF_CENTS && alone)
      return { kind: cents > 0 ? 'zoneSharp' : 'zoneFlat', zone: name, cents: Math.abs(cents) };
  }
  return undefined;
}

function alone(known: readonly Leaning[]): HornPattern | undefined {
  const found = known.filter(({ midi, cents }) => {
    const near = known.filter((note) => note.midi !== midi && Math.abs(note.midi - midi) <= 2);
    return Math.abs(cents) >= ALONE_CENTS && near.length >= 2 && near.every((note) => Math.abs(note.cents) < OFF_CENTS);
  });
  const [one] = found.sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
  return one && { kind: 'oneNote', ...one };
}

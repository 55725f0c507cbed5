import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { hzToMidi, INSTRUMENTS, soundingMidi, type InstrumentId, type LevelRuler } from '@inner-hum/core/theory';
import { rulerFrom } from './ruler';
import { median, robustDeviation } from './statistics';

/** A tone counts when it is held for so long, seconds, and moves no more than this, cents. */
const HELD_S = 1.5;
const STEADY_CENTS = 30;
/** So much of a beginning is passed over, seconds: a starting reed may sound the octave below. */
const BEGINNING_S = 0.15;
/** Farther from every horn's note than this, cents, it is another note. */
const FARTHEST_CENTS = 80;
/** The room is what is heard this far from any tone, seconds, for at least so long. */
const AWAY_S = 0.3;
const LEAST_ROOM_S = 0.5;

/** What one written note tells of a player who is not known yet. */
export type FirstNote =
  | { readonly kind: 'listening' }
  /** a steady tone that is no horn's note */
  | { readonly kind: 'otherNote'; readonly hz: number }
  | {
      readonly kind: 'heard';
      readonly instrumentId: InstrumentId;
      /** against A = 440 Hz */
      readonly cents: number;
      /** level of the room without a tone, dBFS; undefined when there was no such moment */
      readonly roomDb: number | undefined;
      /** median level of the tone, dBFS */
      readonly levelDb: number;
      /** from the softest and the loudest held second; undefined while they lie too near together */
      readonly ruler: LevelRuler | undefined;
    };

type Heard = Pick<Frames, 'f0Hz' | 'levelDb' | 'count'>;

/**
 * Tells the size of a horn from one written note that is held, and with it where it is tuned, the room, and the first span
 * of the dynamics. Sizes lie two semitones apart and more; two horns of one pitch are told as the first of them.
 *
 * @param written the note that was asked for, written MIDI number
 */
export function firstNote(heard: Heard, written: number): FirstNote {
  const held = heldTones(heard);
  const longest = held.reduce<Span | undefined>(
    (most, span) => (most && lasts(most) >= lasts(span) ? most : span),
    undefined,
  );
  if (!longest) return { kind: 'listening' };
  const hz = pitchOf(heard, longest);
  const { id, cents } = nearestHorn(hz, written);
  if (Math.abs(cents) > FARTHEST_CENTS) return { kind: 'otherNote', hz };
  const ruler = rulerFrom(heard, heard);
  return {
    kind: 'heard',
    instrumentId: id,
    cents,
    roomDb: roomLevel(heard),
    levelDb: median(held.flatMap(({ from, to }) => [...heard.levelDb.subarray(from, to)])),
    ruler: ruler.kind === 'measured' ? ruler.ruler : undefined,
  };
}

interface Span {
  readonly from: number;
  readonly to: number;
}
const lasts = ({ from, to }: Span) => to - from;

/** Tones that were held, without their beginnings. */
function heldTones(heard: Heard): Span[] {
  const spans: Span[] = [];
  for (let i = 0, from = -1; i <= heard.count; i++) {
    const toned = i < heard.count && heard.f0Hz[i]! > 0;
    if (toned && from < 0) from = i;
    if (toned || from < 0) continue;
    spans.push({ from: from + Math.round(BEGINNING_S / HOP_S), to: i });
    from = -1;
  }
  return spans.filter((span) => lasts(span) * HOP_S >= HELD_S - BEGINNING_S && spreadOf(heard, span) <= STEADY_CENTS);
}

const pitchOf = ({ f0Hz }: Heard, { from, to }: Span) => median(f0Hz.subarray(from, to));

function spreadOf({ f0Hz }: Heard, { from, to }: Span): number {
  return (1200 / Math.LN2) * robustDeviation(f0Hz.subarray(from, to).map(Math.log));
}

function nearestHorn(hz: number, written: number): { readonly id: InstrumentId; readonly cents: number } {
  const off = INSTRUMENTS.map((instrument) => ({
    id: instrument.id,
    cents: 100 * (hzToMidi(hz, 440) - soundingMidi(instrument, written)),
  }));
  return off.reduce((near, next) => (Math.abs(next.cents) < Math.abs(near.cents) ? next : near));
}

function roomLevel({ f0Hz, levelDb, count }: Heard): number | undefined {
  const away = Math.round(AWAY_S / HOP_S);
  const levels: number[] = [];
  let toneAt = -Infinity;
  for (let i = 0; i < count; i++) {
    if (f0Hz[i]! > 0) {
      // What lies just before a tone is its beginning.
      if (i - toneAt > 1) levels.splice(Math.max(0, levels.length - away));
      toneAt = i;
    } else if (i - toneAt > away) levels.push(levelDb[i]!);
  }
  return levels.length * HOP_S >= LEAST_ROOM_S ? median(levels) : undefined;
}

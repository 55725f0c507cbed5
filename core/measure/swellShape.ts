import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';
import { median, movingMedian } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody, type ToneSpan } from './tone';

/** Level error of the ear itself, dB. */
const LEVEL_ERROR_DB = 0.3;
const STAIR_DB = 2;
const STAIR_S = 0.15;
/** A good attack overshoots its level by 2–3 dB and is back after so long (recorded tones): no stair of the swell. */
const ATTACK_S = 0.15;
const WRONG_WAY_DB = 0.5;
const WRONG_WAY_S = 0.25;

/** A sudden change of level that the plan does not ask for: when (seconds in the frames) and by how much. */
export interface Stair {
  readonly atS: number;
  readonly db: number;
}

/** Swell error: RMS dB of the level against the planned line, the line free in offset. */
export function swellErrorDb(body: ToneBody, line: PlannedLine): Measured {
  if (body.levelDb.length < MIN_BODY_FRAMES) return absent('tooShort');
  const difference = body.levelDb.map((level, i) => level - line.levelDbAt(body.timeS[i]!));
  const offset = median(difference);
  const squares = difference.reduce((sum, value) => sum + (value - offset) ** 2, 0);
  return measured(Math.sqrt(squares / difference.length), LEVEL_ERROR_DB);
}

/**
 * Stairs: places where the level departs from the plan's own change by more than 2 dB inside 150 ms, once the attack is
 * over. The time is that of the steepest part.
 */
export function stairs(body: ToneBody, line: PlannedLine): Stair[] {
  const width = Math.round(STAIR_S / HOP_S);
  const level = movingMedian(body.levelDb, 5);
  const found: Stair[] = [];
  let best: Stair | undefined;
  const settled = body.timeS.findIndex((timeS) => timeS >= body.timeS[0]! + ATTACK_S);
  for (let i = settled < 0 ? level.length : settled; i + width < level.length; i++) {
    const gapless = body.frame[i + width]! - body.frame[i]! === width;
    const planned = line.levelDbAt(body.timeS[i + width]!) - line.levelDbAt(body.timeS[i]!);
    const excess = gapless ? level[i + width]! - level[i]! - planned : 0;
    if (Math.abs(excess) > STAIR_DB && (!best || Math.sign(best.db) === Math.sign(excess))) {
      if (!best || Math.abs(excess) > Math.abs(best.db)) best = { atS: steepest(body, level, i, width), db: excess };
    } else if (best) {
      found.push(best);
      best = undefined;
    }
  }
  if (best) found.push(best);
  return found;
}

function steepest(body: ToneBody, level: Float64Array, from: number, width: number): number {
  let at = from;
  for (let i = from; i < from + width; i++)
    if (Math.abs(level[i + 1]! - level[i]!) > Math.abs(level[at + 1]! - level[at]!)) at = i;
  return (body.timeS[at]! + body.timeS[at + 1]!) / 2;
}

/** Share of the time in which the level moves against a rising or falling plan by more than 0.5 dB in 250 ms, 0–1. */
export function wrongWayShare(body: ToneBody, line: PlannedLine): Measured {
  const width = Math.round(WRONG_WAY_S / HOP_S);
  const level = movingMedian(body.levelDb, 9);
  let against = 0;
  let counted = 0;
  for (let i = 0; i + width < level.length; i++) {
    const planned = line.levelDbAt(body.timeS[i + width]!) - line.levelDbAt(body.timeS[i]!);
    if (Math.abs(planned) < 0.1) continue;
    counted++;
    if (-Math.sign(planned) * (level[i + width]! - level[i]!) > WRONG_WAY_DB) against++;
  }
  if (counted < width) return absent(line.endS - line.startS > 1 ? 'notPlanned' : 'tooShort');
  return measured(against / counted, 0.02);
}

/** Mean levels of the half-beats of a tone, from its planned start on; those that sound less than half are left out. */
export function halfBeatLevels(frames: Frames, span: ToneSpan, line: PlannedLine): { beat: number; levelDb: number }[] {
  const out: { beat: number; levelDb: number }[] = [];
  const half = line.beatS / 2;
  const edge = 3;
  for (let beat = 0; line.startS + beat * line.beatS < line.endS - half / 2; beat += 0.5) {
    const fromS = line.startS + beat * line.beatS;
    const from = Math.max(span.start + edge, Math.ceil(fromS / HOP_S));
    const to = Math.min(span.end - edge, Math.floor((fromS + half) / HOP_S));
    if ((to - from) * HOP_S < half / 2) continue;
    let power = 0;
    for (let i = from; i < to; i++) power += 10 ** (frames.levelDb[i]! / 10);
    out.push({ beat, levelDb: 10 * Math.log10(power / (to - from)) });
  }
  return out;
}

/** What a room at the level of the tone adds to the error of that level, dB; it grows with the room's amplitude over it. */
const ROOM_ERROR_DB = 0.35;

/**
 * Range: decibels between the softest and the loudest half-beat. The nearer the room is to the softest, the less is known.
 *
 * @param roomDb level of the room by itself, dBFS; undefined where it was never heard alone
 */
export function rangeDb(halfBeats: readonly { levelDb: number }[], roomDb?: number): Measured {
  if (halfBeats.length < 3) return absent('tooShort');
  const levels = halfBeats.map((halfBeat) => halfBeat.levelDb);
  const softest = Math.min(...levels);
  const ofRoom = roomDb === undefined ? 0 : ROOM_ERROR_DB * 10 ** ((roomDb - softest) / 20);
  return measured(Math.max(...levels) - softest, Math.hypot(LEVEL_ERROR_DB, ofRoom));
}

/** Peak place: middle of the loudest half-beat less the planned peak, beats; late is positive. */
export function peakPlaceBeats(halfBeats: readonly { beat: number; levelDb: number }[], line: PlannedLine): Measured {
  if (line.innerPeakBeat === undefined) return absent('notPlanned');
  if (halfBeats.length < 3) return absent('tooShort');
  const top = Math.max(...halfBeats.map((halfBeat) => halfBeat.levelDb));
  // Half-beats that the ear can't tell from the loudest share the peak.
  const near = halfBeats.filter((halfBeat) => halfBeat.levelDb > top - LEVEL_ERROR_DB);
  const middle = near.reduce((sum, next) => sum + next.beat + 0.25, 0) / near.length;
  return measured(middle - line.innerPeakBeat, 0.25);
}

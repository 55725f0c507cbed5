import { HOP_S, PARTIALS_KEPT, type Frames } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** Partials that are compared, and how far under the strongest they still count, dB. */
const COMPARED = 10;
const FLOOR_DB = -45;
/** Two colours nearer to each other than this can't be told apart from frame to frame, dB. */
const LEAST_APART_DB = 0.8;
/** Nor are two that lie hardly farther apart than each of them strays by itself. */
const APART_TIMES = 1.4;
/** A change is sudden: from so far before it to so far after it, frames, this share of the way between the colours is gone. */
const AROUND = { near: 3, far: 40 } as const;
const SUDDEN_SHARE = 0.85;
/** The change is looked for so far to each side of the planned one, in shares of the shorter tone. */
const REACH = 0.6;

/**
 * When one colour turned into another on the same pitch, against the planned moment, seconds; late is positive. The
 * moment that best parts the frames into those like the first body and those like the second; absent where the colour only
 * drifted, as any tone's does. Our choice.
 */
export function pairChangeS(frames: Frames, first: ToneBody, second: ToneBody, plannedS: number): Measured {
  if (Math.min(first.frame.length, second.frame.length) < MIN_BODY_FRAMES) return absent('tooShort');
  const a = meanColour(frames, farHalf(first, 'start'));
  const b = meanColour(frames, farHalf(second, 'end'));
  // A change that comes off the count mixes the colours of one of the two; how far the other strays by itself is told by the less.
  const own = Math.min(
    distance(a, meanColour(frames, farHalf(first, 'end'))),
    distance(b, meanColour(frames, farHalf(second, 'start'))),
  );
  if (distance(a, b) < Math.max(LEAST_APART_DB, APART_TIMES * own)) return absent('tooAlike');
  const shorter = Math.min(first.frame.length, second.frame.length);
  const planned = Math.round(plannedS / HOP_S);
  const reach = Math.round(REACH * shorter);
  let likelihood = 0;
  let best = -Infinity;
  let at = planned;
  for (let i = Math.max(0, planned - reach); i < Math.min(frames.count, planned + reach); i++) {
    if (likelihood > best) {
      best = likelihood;
      at = i;
    }
    if (frames.f0Hz[i]! === 0) continue;
    const here = colour(frames, i);
    likelihood += distance(here, b) - distance(here, a);
  }
  return isSudden(frames, at, a, b) ? measured((at - planned) * HOP_S, 2 * HOP_S) : absent('tooAlike');
}

/** Whether a colour turned into another at a frame, and was not on its way all along. */
function isSudden(frames: Frames, at: number, a: Float64Array, b: Float64Array): boolean {
  const apart = distance(a, b) ** 2 * COMPARED;
  /** Where the frames lie on the way from the one to the other, on the mean: 0 … 1. */
  const place = (from: number, to: number) => {
    const places: number[] = [];
    for (let i = Math.max(0, from); i < Math.min(frames.count, to); i++)
      if (frames.f0Hz[i]! > 0) {
        const here = colour(frames, i);
        places.push(here.reduce((sum, db, k) => sum + (db - a[k]!) * (b[k]! - a[k]!), 0) / apart);
      }
    return places.length > 0 ? median(places) : NaN;
  };
  const before = place(at - AROUND.far, at - AROUND.near);
  const after = place(at + AROUND.near, at + AROUND.far);
  return after - before >= SUDDEN_SHARE;
}

/** The half of a body that lies away from the change: surely of its own colour. */
function farHalf({ frame }: ToneBody, side: 'start' | 'end'): Int32Array {
  const half = Math.floor(frame.length / 2);
  return side === 'start' ? frame.subarray(0, half) : frame.subarray(frame.length - half);
}

function meanColour(frames: Frames, rows: Int32Array): Float64Array {
  const sum = new Float64Array(COMPARED);
  for (const row of rows) colour(frames, row).forEach((db, k) => (sum[k]! += db / rows.length));
  return sum;
}

/** Partials of a frame against their own mean, dB, no lower than the floor. */
function colour({ partialsDb }: Frames, row: number): Float64Array {
  const levels = Float64Array.from(partialsDb.subarray(row * PARTIALS_KEPT, row * PARTIALS_KEPT + COMPARED));
  const floor = Math.max(...levels) + FLOOR_DB;
  let mean = 0;
  for (let k = 0; k < COMPARED; k++) {
    levels[k] = Math.max(floor, levels[k]!);
    mean += levels[k]! / COMPARED;
  }
  return levels.map((db) => db - mean);
}

function distance(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < COMPARED; k++) sum += (a[k]! - b[k]!) ** 2;
  return Math.sqrt(sum / COMPARED);
}

import { HOP_S } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import type { ToneBody } from './tone';

/** Rates of a vibrato, Hz. */
const SLOWEST_HZ = 3;
const FASTEST_HZ = 8;
const RATE_STEP_HZ = 0.1;
/** A smaller extent is no vibrato, cents. */
const LEAST_EXTENT_CENTS = 4;
/** The wave is fitted over this much of the tone at a time, frames: its phase and size may wander. */
const HALF_WINDOW = 40;
const LEAST_FRAMES = 60;
/** Share of what moves around the line that the wave must explain. */
const LEAST_SHARE = 0.5;

/** A vibrato of the body, or why there is none. */
export interface Vibrato {
  readonly rateHz: Measured;
  /** half its width, cents */
  readonly extentCents: Measured;
  /** share of the movement that one steady wave explains, 0–1 */
  readonly regularity: Measured;
  /** what is left of the body's cents when the vibrato is taken out */
  readonly restCents: Float64Array;
}

/**
 * Vibrato of a body: the rate between 3 and 8 Hz whose wave, fitted by least squares with a line to 0.8 s at a time,
 * leaves the least. None below ±4 cents, or when the movement is not mainly that wave. Our choice.
 */
export function vibrato(body: ToneBody): Vibrato {
  const none = (reason: 'tooShort' | 'noVibrato'): Vibrato => ({
    rateHz: absent(reason),
    extentCents: absent(reason),
    regularity: absent(reason),
    restCents: body.cents,
  });
  if (body.cents.length < LEAST_FRAMES) return none('tooShort');
  const windows = windowsSideBySide(body);
  let rateHz = SLOWEST_HZ;
  let explained = -Infinity;
  for (let hz = SLOWEST_HZ; hz <= FASTEST_HZ + 1e-9; hz += RATE_STEP_HZ) {
    const share = shareExplained(windows, hz);
    if (share > explained) [rateHz, explained] = [hz, share];
  }
  if (explained < LEAST_SHARE) return none('noVibrato');
  const wave = Float64Array.from(body.cents, (_, i) => fitWave(windowAround(body, i), rateHz).cosine);
  const extentCents = Math.SQRT2 * Math.sqrt(wave.reduce((sum, value) => sum + value * value, 0) / wave.length);
  if (extentCents < LEAST_EXTENT_CENTS) return none('noVibrato');
  return {
    rateHz: measured(rateHz, 0.1),
    extentCents: measured(extentCents, Math.max(0.5, 0.05 * extentCents)),
    regularity: measured(explained, 0.05),
    restCents: body.cents.map((value, i) => value - wave[i]!),
  };
}

/** What is left of a stretch of cents around its own line, by the time from the row in the middle. */
interface Window {
  readonly sinceS: Float64Array;
  readonly cents: Float64Array;
  readonly squares: number;
}

function windowsSideBySide(body: ToneBody): Window[] {
  const windows: Window[] = [];
  for (let centre = HALF_WINDOW; centre < body.cents.length - HALF_WINDOW / 2; centre += HALF_WINDOW)
    windows.push(windowAround(body, centre));
  return windows;
}

function windowAround({ cents, timeS }: ToneBody, centre: number): Window {
  const from = Math.max(0, centre - HALF_WINDOW);
  const to = Math.min(cents.length, centre + HALF_WINDOW + 1);
  const line = lineThrough(cents, timeS, from, to);
  const around = cents.slice(from, to).map((value, k) => value - line(timeS[from + k]!));
  return {
    sinceS: timeS.slice(from, to).map((time) => time - timeS[centre]!),
    cents: around,
    squares: around.reduce((sum, value) => sum + value * value, 0),
  };
}

/** Share of the variance around the local line that a wave of this rate explains. */
function shareExplained(windows: readonly Window[], rateHz: number): number {
  let total = 0;
  let rest = 0;
  for (const window of windows) {
    total += window.squares;
    rest += fitWave(window, rateHz).restSquares;
  }
  return total > 0 ? 1 - rest / total : 0;
}

/** Least squares of a wave; `cosine` is its value at the row in the middle. */
function fitWave({ sinceS, cents, squares }: Window, rateHz: number) {
  let cc = 0;
  let ss = 0;
  let cs = 0;
  let yc = 0;
  let ys = 0;
  for (let i = 0; i < cents.length; i++) {
    const phase = 2 * Math.PI * rateHz * sinceS[i]!;
    const c = Math.cos(phase);
    const s = Math.sin(phase);
    cc += c * c;
    ss += s * s;
    cs += c * s;
    yc += cents[i]! * c;
    ys += cents[i]! * s;
  }
  const determinant = cc * ss - cs * cs;
  const cosine = determinant > 0 ? (yc * ss - ys * cs) / determinant : 0;
  const sine = determinant > 0 ? (ys * cc - yc * cs) / determinant : 0;
  return { cosine, restSquares: Math.max(0, squares - cosine * yc - sine * ys) };
}

function lineThrough(y: Float64Array, x: Float64Array, from: number, to: number): (at: number) => number {
  const count = to - from;
  let sx = 0;
  let sy = 0;
  for (let i = from; i < to; i++) {
    sx += x[i]!;
    sy += y[i]!;
  }
  let sxx = 0;
  let sxy = 0;
  for (let i = from; i < to; i++) {
    sxx += (x[i]! - sx / count) ** 2;
    sxy += (x[i]! - sx / count) * (y[i]! - sy / count);
  }
  const slope = (to - from) * HOP_S > 0.3 && sxx > 0 ? sxy / sxx : 0;
  return (at) => sy / count + slope * (at - sx / count);
}

import { powerAt } from '@inner-hum/core/signal';
import { median } from './statistics';

/** A window is so long, seconds: the lines of the longest tube lie four of its widths apart. */
const WINDOW_S = 0.2;
const WINDOWS = 9;
/** Beside a line, where nothing of it is left, widths of the window (1 / length). */
const BESIDE_WIDTHS = 3;
/** Two lines of the tube stand out of what is beside them by this, dB; where it is told surely, by that. */
const STANDS_DB = 8;
const SURE_DB = 14;
/** Fainter than the plainest tube's by more than this, lines of a longer one are chance, dB. */
const FAINTER_DB = 12;
/** Less than this is nothing, dB. */
const NOTHING_DB = 6;
/** Lines are looked for up to the third partial of the tone: above it a tone of many partials hides them. */
const UP_TO_PARTIAL = 3;
/** What is beside the lines must lie so far under the tone for their absence to tell anything, dB. */
const QUIET_DB = -46;

/** From which tube a tone came, as far as its sound tells. */
export type TubeGuess =
  /** the tone itself is the lowest that is heard of its tube */
  | { readonly kind: 'regular' }
  /** an overtone: partial so many of its tube; `sure` where its traces are plain */
  | { readonly kind: 'partial'; readonly partial: number; readonly sure: boolean; readonly aboveDb: number }
  | { readonly kind: 'cannotTell' };

/**
 * Looks between the partials of a tone for the faint ones of a longer tube that it may be an overtone of: a tube goes on
 * sounding its own fundamental's row under an overtone, at f0·m/n.
 *
 * @param samples a steady stretch of the tone, 0.3 s and more
 * @param candidates partials to think of, 2 and up; lengths of tube that the horn has
 */
export function tubeOf(
  samples: Float32Array,
  sampleRateHz: number,
  f0Hz: number,
  candidates: readonly number[],
): TubeGuess {
  const length = Math.round(WINDOW_S * sampleRateHz);
  if (samples.length < length || candidates.length === 0) return { kind: 'cannotTell' };
  const windows = Array.from({ length: WINDOWS }, (_, i) => {
    const from = Math.floor((i * (samples.length - length)) / (WINDOWS - 1));
    return windowed(samples, from, length);
  });
  const toneDb = median(windows.map((window) => db(powerAt(window, f0Hz / sampleRateHz))));
  const rows = candidates.map((partial) => ({
    partial,
    ...traces(windows, sampleRateHz, f0Hz, partial),
  }));
  // Lines that no shorter tube of the row has: two of them are no chance. Those of a shorter one are the longest's too.
  const plainest = Math.max(...rows.map(({ secondDb }) => secondDb));
  const [found] = rows
    .filter(({ secondDb }) => secondDb >= Math.max(STANDS_DB, plainest - FAINTER_DB))
    .sort((one, other) => other.partial - one.partial);
  if (found) {
    const { partial, secondDb } = found;
    return { kind: 'partial', partial, aboveDb: secondDb, sure: secondDb >= SURE_DB };
  }
  const floorDb = median(rows.map(({ besideDb }) => besideDb)) - toneDb;
  const nothing = rows.every(({ secondDb }) => secondDb < NOTHING_DB);
  return floorDb <= QUIET_DB && nothing ? { kind: 'regular' } : { kind: 'cannotTell' };
}

/** How far the second plainest of a tube's own lines stands out, and what lies beside them, dB. */
function traces(windows: readonly Float64Array[], sampleRateHz: number, f0Hz: number, partial: number) {
  const tubeHz = f0Hz / partial;
  const besideHz = BESIDE_WIDTHS / WINDOW_S;
  const lines = Array.from({ length: UP_TO_PARTIAL * partial - 1 }, (_, i) => i + 1).filter(
    (m) => commonDivisor(m, partial) === 1,
  );
  const heard = lines.map((m) => {
    const at = (hz: number) => median(windows.map((window) => db(powerAt(window, hz / sampleRateHz))));
    const besideDb = (at(m * tubeHz - besideHz) + at(m * tubeHz + besideHz)) / 2;
    return { aboveDb: at(m * tubeHz) - besideDb, besideDb };
  });
  const above = heard.map(({ aboveDb }) => aboveDb).sort((one, other) => other - one);
  return { secondDb: above[1]!, besideDb: median(heard.map(({ besideDb }) => besideDb)) };
}

/** Four cosine terms: what is strong beside a line must not reach it (A. H. Nuttall 1981). */
function windowed(samples: Float32Array, from: number, length: number): Float64Array {
  return Float64Array.from({ length }, (_, i) => {
    const turn = (2 * Math.PI * i) / length;
    const weight = 0.355768 - 0.487396 * Math.cos(turn) + 0.144232 * Math.cos(2 * turn) - 0.012604 * Math.cos(3 * turn);
    return samples[from + i]! * weight;
  });
}

const db = (power: number) => 10 * Math.log10(power + 1e-20);

function commonDivisor(a: number, b: number): number {
  return b === 0 ? a : commonDivisor(b, a % b);
}

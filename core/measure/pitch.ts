import { HOP_S } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import { median, robustDeviation, theilSen } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** Error of a single settled frame's pitch that does not average out (clock and method), cents. */
const SYSTEMATIC_CENTS = 0.3;
/** Pitch wanders slowly: readings closer than this are not independent, seconds. */
const INDEPENDENT_S = 0.2;

// Bodies come here with a vibrato taken out of their cents.

/** Pitch centre: median cents of the body against the target. Uncertainty from its spread over independent readings. */
export function pitchCentreCents(body: ToneBody): Measured {
  if (body.cents.length < MIN_BODY_FRAMES) return absent('tooShort');
  const spread = (1.25 * robustDeviation(body.cents)) / Math.sqrt(independent(body));
  return measured(median(body.cents), Math.hypot(spread, SYSTEMATIC_CENTS));
}

/** Pitch steadiness: robust standard deviation of the body's cents around their own line. */
export function pitchSteadinessCents(body: ToneBody): Measured {
  if (body.cents.length < MIN_BODY_FRAMES) return absent('tooShort');
  const deviation = robustDeviation(residuals(body));
  return measured(deviation, Math.max(0.2, deviation / Math.sqrt(2 * independent(body))));
}

/** Drift: Theil–Sen slope of cents over time, cents a second. Needs half a second of body. */
export function driftCentsPerS(body: ToneBody): Measured {
  const lengthS = body.cents.length * HOP_S;
  if (lengthS < 0.5) return absent('tooShort');
  const { slope } = theilSen(body.timeS, body.cents);
  const deviation = robustDeviation(residuals(body));
  return measured(slope, (3.46 * deviation) / (lengthS * Math.sqrt(independent(body))));
}

/** Share of the body within ± `windowCents` of the target, 0–1. */
export function shareInWindow(body: ToneBody, windowCents: number): Measured {
  if (body.cents.length < MIN_BODY_FRAMES) return absent('tooShort');
  let inside = 0;
  for (const cents of body.cents) if (Math.abs(cents) <= windowCents) inside++;
  const share = inside / body.cents.length;
  return measured(share, Math.sqrt((share * (1 - share)) / independent(body)) + 0.01);
}

function residuals(body: ToneBody): Float64Array {
  const { slope, offset } = theilSen(body.timeS, body.cents);
  return body.cents.map((cents, i) => cents - offset - slope * body.timeS[i]!);
}

function independent(body: ToneBody): number {
  return Math.max(2, (body.cents.length * HOP_S) / INDEPENDENT_S);
}

import { HOP_S } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import { median, quantile, robustDeviation, theilSen } from './statistics';
import type { ToneBody } from './tone';

const BLOCK_FRAMES = Math.round(0.1 / HOP_S);
/** Below this spread of level a slope against it means nothing, dB. */
const LEAST_SPREAD_DB = 4;

/**
 * Pitch against level: Theil–Sen slope of cents on decibels over blocks of 100 ms, cents for each 10 dB. Negative: flat
 * when loud and sharp when soft. Absent when the level moved less than 4 dB.
 */
export function pitchAgainstLevelCents(body: ToneBody): Measured {
  const cents: number[] = [];
  const level: number[] = [];
  for (let i = 0; i + BLOCK_FRAMES <= body.cents.length; i += BLOCK_FRAMES) {
    cents.push(median(body.cents.subarray(i, i + BLOCK_FRAMES)));
    level.push(median(body.levelDb.subarray(i, i + BLOCK_FRAMES)));
  }
  if (cents.length < 8) return absent('tooShort');
  const spreadDb = quantile(level, 0.9) - quantile(level, 0.1);
  if (spreadDb < LEAST_SPREAD_DB) return absent('levelHardlyMoved');
  const { slope, offset } = theilSen(level, cents);
  const rest = robustDeviation(cents.map((value, i) => value - offset - slope * level[i]!));
  // An even spread of width w has a standard deviation of about 0.36 × its 10–90 % width / 0.8.
  const error = rest / (0.36 * spreadDb * Math.sqrt(cents.length / 2));
  return measured(10 * slope, Math.max(0.2, 10 * error));
}

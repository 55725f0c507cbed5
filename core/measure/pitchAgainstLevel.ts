import { HOP_S } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';
import { median, quantile, robustDeviation, theilSen } from './statistics';
import type { ToneBody } from './tone';

const BLOCK_FRAMES = Math.round(0.1 / HOP_S);
/** Below this spread of level a slope against it means nothing, dB. */
const LEAST_SPREAD_DB = 4;
/** Of a way back that is planned so much must be there: till then what follows time can't be told from what follows level. */
const WAY_BACK_SHARE = 0.75;

/**
 * Pitch against level: Theil–Sen slope of cents on decibels over blocks of 100 ms, cents for each 10 dB. Negative: flat
 * when loud and sharp when soft. Absent when the level moved less than 4 dB, and where a swell broke off on its way back.
 */
export function pitchAgainstLevelCents(body: ToneBody, line: PlannedLine): Measured {
  if (body.timeS.length === 0 || !cameBack(line, body.timeS.at(-1)!)) return absent('tooShort');
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

/** Whether of a plan that turns on its way (grows and fades, or the reverse) most of the way back lies before a moment. */
function cameBack({ startS, endS, levelDbAt }: PlannedLine, untilS: number): boolean {
  const [firstDb, lastDb] = [levelDbAt(startS), levelDbAt(endS)];
  const beyondBothDb = (atS: number) => {
    const db = levelDbAt(atS);
    return Math.max(db - Math.max(firstDb, lastDb), Math.min(firstDb, lastDb) - db);
  };
  const moments = Array.from({ length: PLAN_POINTS }, (_, i) => startS + ((endS - startS) * i) / PLAN_POINTS);
  const turnS = moments.reduce((best, atS) => (beyondBothDb(atS) > beyondBothDb(best) ? atS : best));
  return beyondBothDb(turnS) < LEAST_SPREAD_DB || untilS >= turnS + WAY_BACK_SHARE * (endS - turnS);
}
const PLAN_POINTS = 60;

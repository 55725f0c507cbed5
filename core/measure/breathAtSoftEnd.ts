import { absent, measured, type Measured } from './measured';
import { median, quantile } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** Breath ratio of the softest fifth of the body, dB (0 = only noise). */
export function breathAtSoftEndDb(body: ToneBody): Measured {
  if (body.levelDb.length < MIN_BODY_FRAMES) return absent('tooShort');
  const soft = quantile(body.levelDb, 0.2);
  return measured(median(body.breathDb.filter((_, i) => body.levelDb[i]! <= soft)), 1.5);
}

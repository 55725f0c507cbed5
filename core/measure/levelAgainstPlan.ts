import { measured, absent, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';
import { median } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** Level of the body, dBFS: its median. */
export function levelDb(body: ToneBody): Measured {
  return body.levelDb.length < MIN_BODY_FRAMES ? absent('tooShort') : measured(median(body.levelDb), 0.3);
}

/** How much louder the body was than its planned line on the ruler, dB: the offset that the swell error leaves free. */
export function levelAgainstPlanDb(body: ToneBody, line: PlannedLine): Measured {
  if (body.levelDb.length < MIN_BODY_FRAMES) return absent('tooShort');
  return measured(median(body.levelDb.map((db, i) => db - line.levelDbAt(body.timeS[i]!))), 0.3);
}

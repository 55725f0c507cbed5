import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import type { PlannedLine } from './plannedLine';
import { median, quantile } from './statistics';
import type { ToneSpan } from './tone';

/** Where a start is looked at, and what it is set against, seconds after the onset. Our choice. */
const START = { fromS: 0.02, toS: 0.2 } as const;
const SETTLED = { fromS: 0.3, toS: 0.8 } as const;
const LEAST_FRAMES = 5;
/** Standard error of a level over a few frames, dB. */
const LEVEL_DB = 0.6;

/**
 * How much louder the start of a tone was than what followed, dB, a hairpin taken off: a blast is above, a start out of
 * nothing below 0. Absent for tones that are too short to settle.
 * @param delayS how much later the room's sound comes than the plan, seconds
 */
export function overshootDb(frames: Frames, span: ToneSpan, line: PlannedLine, delayS: number): Measured {
  const onsetS = span.start * HOP_S;
  const over = ({ fromS, toS }: typeof START | typeof SETTLED) => {
    const rows: number[] = [];
    for (let i = Math.round((onsetS + fromS) / HOP_S); i < Math.min(span.end, (onsetS + toS) / HOP_S); i++)
      if (frames.f0Hz[i]! > 0) rows.push(frames.levelDb[i]! - line.levelDbAt(i * HOP_S - delayS));
    return rows;
  };
  const [start, settled] = [over(START), over(SETTLED)];
  if (Math.min(start.length, settled.length) < LEAST_FRAMES) return absent('tooShort');
  return measured(quantile(start, 0.8) - median(settled), LEVEL_DB);
}

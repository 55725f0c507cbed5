import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { dynamicPosition, type LevelRuler } from '@inner-hum/core/theory';
import type { DropOut, PartialJump } from './interruptions';
import { absent, measured, type Measured } from './measured';
import { median, quantile } from './statistics';
import { MIN_BODY_FRAMES, type ToneBody } from './tone';

/** A break this soon after the onset is a bad start, seconds. */
const STARTING_S = 0.3;
/** The level of a break is taken from this stretch before it, seconds: the break itself is in the frames next to it. */
const BEFORE = { fromS: 0.14, toS: 0.03 } as const;
/** A tone is held where it stays for so long, frames. */
const HELD_FRAMES = 30;
/** Standard errors of a level that was broken at or held, dB. */
const BROKE_ERROR_DB = 1;
const HELD_ERROR_DB = 0.6;

/** Level of p on a ruler, dBFS: edges are told from there downwards, so that they stay true when the ruler changes. */
export const levelOfP = ({ softestDb, loudestDb }: LevelRuler) =>
  softestDb + (loudestDb - softestDb) * dynamicPosition('p');

/** When a sounding tone broke for the first time, seconds: left its partial or stopped to sound, not at its start. */
export function brokeAtS(
  onsetS: number,
  { jumps, dropOuts }: { readonly jumps: readonly PartialJump[]; readonly dropOuts: readonly DropOut[] },
): number | undefined {
  const all = [...jumps.filter(({ kind }) => kind !== 'squeak'), ...dropOuts].map(({ atS }) => atS);
  const late = all.filter((atS) => atS - onsetS > STARTING_S);
  return late.length > 0 ? Math.min(...late) : undefined;
}

/** How far below p the tone was when it broke, dB; negative where it broke louder than p. Absent when it did not break. */
export function brokeUnderPDb(frames: Frames, atS: number | undefined, ruler: LevelRuler): Measured {
  if (atS === undefined) return absent('noBreak');
  const row = (beforeS: number) => Math.max(0, Math.round((atS - beforeS) / HOP_S));
  const own = [...frames.levelDb.subarray(row(BEFORE.fromS), row(BEFORE.toS))];
  if (own.length < 3) return absent('tooShort');
  return measured(levelOfP(ruler) - median(own), BROKE_ERROR_DB);
}

/** How far below p the tone was held without breaking, dB: the softest three tenths of a second of its body before a break. */
export function heldUnderPDb(body: ToneBody, atS: number | undefined, ruler: LevelRuler): Measured {
  const levels = body.levelDb.filter((_, i) => atS === undefined || body.timeS[i]! < atS - BEFORE.toS);
  if (levels.length < Math.max(MIN_BODY_FRAMES, HELD_FRAMES)) return absent('tooShort');
  let softest = Infinity;
  for (let i = 0; i + HELD_FRAMES <= levels.length; i += 5)
    softest = Math.min(softest, quantile(levels.subarray(i, i + HELD_FRAMES), 0.9));
  return measured(levelOfP(ruler) - softest, HELD_ERROR_DB);
}

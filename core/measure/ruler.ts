import { HOP_S, type Frames } from '@inner-hum/core/signal';
import type { LevelRuler } from '@inner-hum/core/theory';
import { median, robustDeviation } from './statistics';

const HELD_FRAMES = Math.round(1 / HOP_S);
const STEADY_CENTS = 25;
/** A player's softest and loudest lie farther apart than this, dB. */
const LEAST_SPAN_DB = 6;

type Heard = Pick<Frames, 'f0Hz' | 'levelDb' | 'count'>;

export type RulerResult =
  | { readonly kind: 'measured'; readonly ruler: LevelRuler }
  | { readonly kind: 'refused'; readonly reason: 'noTone' }
  | { readonly kind: 'refused'; readonly reason: 'tooNarrow'; readonly spanDb: number };

/**
 * The player's ruler from two held tones: the softest and the loudest median level over a second in which a steady tone
 * sounds throughout. Our choice: a second is what a player can hold on purpose at the edge of speaking.
 */
export function rulerFrom(soft: Heard, loud: Heard): RulerResult {
  const softest = heldLevels(soft);
  const loudest = heldLevels(loud);
  if (softest.length === 0 || loudest.length === 0) return { kind: 'refused', reason: 'noTone' };
  const softestDb = Math.min(...softest);
  const loudestDb = Math.max(...loudest);
  const spanDb = loudestDb - softestDb;
  if (spanDb < LEAST_SPAN_DB) return { kind: 'refused', reason: 'tooNarrow', spanDb };
  return { kind: 'measured', ruler: { softestDb, loudestDb, origin: 'measured' } };
}

/** Median levels of all seconds (every tenth of one) that hold a steady tone. */
function heldLevels(frames: Heard): number[] {
  const levels: number[] = [];
  for (let start = 0; start + HELD_FRAMES <= frames.count; start += 10) {
    const hz = frames.f0Hz.subarray(start, start + HELD_FRAMES);
    if (hz.some((value) => value === 0)) continue;
    const spreadCents = (1200 / Math.LN2) * robustDeviation(hz.map(Math.log));
    if (spreadCents <= STEADY_CENTS) levels.push(median(frames.levelDb.subarray(start, start + HELD_FRAMES)));
  }
  return levels;
}

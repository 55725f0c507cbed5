import { instrumentById, soundingRangeHz } from '@inner-hum/core/theory';
import type { Score } from './score';

/** Where a player hums or sings, any octave, Hz. */
const HUM_RANGE_HZ = { minHz: 80, maxHz: 1000 } as const;

/** The band in which the tones of a score can sound, Hz: that of its horn, and of the voice where it hums. */
export function hearingRangeHz(score: Pick<Score, 'instrumentId' | 'steps'>, a4Hz: number) {
  const range = soundingRangeHz(instrumentById(score.instrumentId), a4Hz);
  if (!score.steps.some((step) => step.hum)) return range;
  return { minHz: Math.min(range.minHz, HUM_RANGE_HZ.minHz), maxHz: Math.max(range.maxHz, HUM_RANGE_HZ.maxHz) };
}

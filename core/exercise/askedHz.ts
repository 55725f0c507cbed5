import { instrumentById, partialTargetHz, writtenToHz } from '@inner-hum/core/theory';
import type { Score, Step } from './score';

/** Frequencies of a step, Hz: of the tube that is fingered, and of the tone that is asked for. */
export function askedHz(
  score: Pick<Score, 'instrumentId' | 'partialTuning'>,
  { fingeredMidi, partialNumber, offCents = 0 }: Step,
  a4Hz: number,
): { readonly fingeredHz: number; readonly targetHz: number } {
  const fingeredHz = writtenToHz(instrumentById(score.instrumentId), fingeredMidi, a4Hz);
  const targetHz = partialTargetHz(fingeredHz, partialNumber, score.partialTuning) * 2 ** (offCents / 1200);
  return { fingeredHz, targetHz };
}

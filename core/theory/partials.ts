import { centsBetweenHz } from './pitch';

/** How the target of an overtone is tuned: 12-tone equal, n × the fundamental, or whatever note is nearest. */
export type PartialTuning = 'tempered' | 'natural' | 'free';

/**
 * How far partial n of a tube lies from the nearest tempered note above its fundamental, cents: 3: +2, 5: −14, 7: −31.
 * @throws RangeError when n is not a whole number from 1 on
 */
export function naturalOffsetCents(partialNumber: number): number {
  checkPartial(partialNumber);
  const cents = 1200 * Math.log2(partialNumber);
  return cents - 100 * Math.round(cents / 100);
}

/** Semitones from the fundamental to the tempered note nearest to partial n: 1: 0, 2: 12, 3: 19, 4: 24, 5: 28. */
export function partialSemitones(partialNumber: number): number {
  checkPartial(partialNumber);
  return Math.round(12 * Math.log2(partialNumber));
}

/**
 * Target frequency of partial n over a fingered fundamental, Hz; for `free` the tempered target stands in until a
 * sounding note is known.
 */
export function partialTargetHz(fingeredHz: number, partialNumber: number, tuning: PartialTuning): number {
  checkPartial(partialNumber);
  return tuning === 'natural' ? fingeredHz * partialNumber : fingeredHz * 2 ** (partialSemitones(partialNumber) / 12);
}

/** Sounding partial of a tube: the whole number nearest to f0 over the fingered fundamental, at least 1. */
export function soundingPartial(f0Hz: number, fingeredHz: number): number {
  return Math.max(1, Math.round(2 ** (centsBetweenHz(fingeredHz, f0Hz) / 1200)));
}

function checkPartial(partialNumber: number): void {
  if (!Number.isInteger(partialNumber) || partialNumber < 1)
    throw new RangeError(`partial number must be a whole number from 1 on, got ${partialNumber}`);
}

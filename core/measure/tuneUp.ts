import { HOP_S } from '@inner-hum/core/signal';
import { hzToMidi } from '@inner-hum/core/theory';
import { median, robustDeviation } from './statistics';

/** In tune within this, cents: closer is chasing what a breath changes. */
const IN_TUNE_CENTS = 5;
/** So much tone is needed, seconds. */
const LEAST_S = 1.5;

/** Where the horn sits against the tuning, and what to do at the mouthpiece. Out makes it flatter. */
export type TuneUp =
  | { readonly kind: 'listening' }
  | {
      readonly kind: 'heard';
      readonly advice: 'out' | 'in' | 'there';
      readonly centreCents: number;
      /** how far the single notes lie from it, robust standard deviation, cents */
      readonly spreadCents: number;
      readonly notes: number;
    };

/** Centre of the horn from a stretch of frames: the median over its notes of how far each lies from the nearest semitone. */
export function tuneUp(f0Hz: ArrayLike<number>, a4Hz: number): TuneUp {
  const byNote = new Map<number, number[]>();
  for (let i = 0; i < f0Hz.length; i++) {
    if (!(f0Hz[i]! > 0)) continue;
    const midi = hzToMidi(f0Hz[i]!, a4Hz);
    const nearest = Math.round(midi);
    byNote.set(nearest, [...(byNote.get(nearest) ?? []), 100 * (midi - nearest)]);
  }
  const toned = [...byNote.values()].reduce((sum, next) => sum + next.length, 0);
  if (toned * HOP_S < LEAST_S) return { kind: 'listening' };
  // What only flits by while changing notes does not count.
  const held = [...byNote.values()].filter((entry) => entry.length * HOP_S >= 0.3);
  if (held.length === 0) return { kind: 'listening' };
  const centres = held.map((entry) => median(entry));
  const centreCents = median(centres);
  return {
    kind: 'heard',
    advice: centreCents > IN_TUNE_CENTS ? 'out' : centreCents < -IN_TUNE_CENTS ? 'in' : 'there',
    centreCents,
    spreadCents: held.length > 1 ? robustDeviation(centres) : robustDeviation(held[0]!),
    notes: held.length,
  };
}

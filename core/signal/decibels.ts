import { SILENCE_DB } from './frames';

/** Power (mean square) in decibels, never below {@link SILENCE_DB}. */
export function powerToDb(power: number): number {
  return power > 1e-12 ? 10 * Math.log10(power) : SILENCE_DB;
}

/** Amplitude in decibels, never below {@link SILENCE_DB}. */
export function amplitudeToDb(amplitude: number): number {
  return powerToDb(amplitude * amplitude);
}

/** Amplitude ratio of a number of decibels. */
export function dbToAmplitude(db: number): number {
  return 10 ** (db / 20);
}

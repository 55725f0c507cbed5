import { dbToAmplitude } from '@inner-hum/core/signal';
import type { Instrument } from '@inner-hum/core/theory';
import { SeededRandom } from './random';

/** Most partials that are played. */
export const MOST_PARTIALS = 30;

/** How far the fundamental of the lowest note lies under its neighbours, dB, and over how many semitones that fades. */
const FUNDAMENTAL_DOWN_DB = 14;
const FUNDAMENTAL_FADES_SEMITONES = 9;
/** Resonances of the alto's sound, Hz, with their gain and width; larger horns have them lower. */
const FORMANTS = [
  { hz: 1050, db: 4, widthHz: 350 },
  { hz: 2500, db: 3, widthHz: 600 },
] as const;
const ALTO_LOWEST_SOUNDING_MIDI = 49;
/** Every fingering has its own colour: deviation of each partial, dB. */
const FINGERING_DB = 1.2;

/** What decides a spectrum. Pitches in Hz; `loudness` is the place on the player's ruler, 0–1. */
export interface Voice {
  readonly instrument: Instrument;
  readonly fingeredMidi: number;
  readonly hz: number;
  readonly loudness: number;
  readonly sampleRateHz: number;
  /** dB for each octave above the fundamental, beyond what the horn has */
  readonly tiltDb: number;
}

/**
 * Fills partial weights (entry k is partial k) with unit power in all; gives how many there are. Roll-off follows
 * loudness, after the spectra of conical reeds (A. H. Benade 1976, ch. 22); numbers are our choice.
 */
export function fillSpectrum(weights: Float64Array, voice: Voice): number {
  const { instrument, fingeredMidi, hz, loudness, sampleRateHz, tiltDb } = voice;
  const count = Math.max(1, Math.min(MOST_PARTIALS, Math.floor((0.45 * sampleRateHz) / hz)));
  const rollOffDb = 13 - 8 * loudness;
  const cutOffHz = 700 + 900 * loudness + hz;
  const size =
    2 ** ((instrument.lowestWrittenMidi + instrument.soundingOffsetSemitones - ALTO_LOWEST_SOUNDING_MIDI) / 24);
  const fromBell = fingeredMidi - instrument.lowestWrittenMidi;
  const random = new SeededRandom(fingeredMidi * 7919);
  let power = 0;
  for (let k = 1; k <= count; k++) {
    const frequency = k * hz;
    let db = FINGERING_DB * random.normal() - 1.5 * (k - 1) * (1 - loudness);
    if (frequency > cutOffHz) db -= rollOffDb * Math.log2(frequency / cutOffHz);
    db += tiltDb * Math.log2(k);
    if (k === 1) db -= FUNDAMENTAL_DOWN_DB * Math.max(0, 1 - fromBell / FUNDAMENTAL_FADES_SEMITONES);
    for (const formant of FORMANTS)
      db += formant.db * Math.exp(-(((frequency - formant.hz * size) / (formant.widthHz * size)) ** 2));
    weights[k] = dbToAmplitude(db);
    power += weights[k]! ** 2;
  }
  const scale = 1 / Math.sqrt(power);
  for (let k = 1; k <= count; k++) weights[k]! *= scale;
  return count;
}

const HUM_PARTIALS = 12;
const HUM_FALL_DB = 10;

/** Fills the weights of a closed-mouth hum, unit power in all; gives how many partials there are. */
export function fillHum(weights: Float64Array, hz: number, sampleRateHz: number): number {
  const count = Math.max(1, Math.min(HUM_PARTIALS, Math.floor((0.45 * sampleRateHz) / hz)));
  let power = 0;
  for (let k = 1; k <= count; k++) {
    weights[k] = dbToAmplitude(-HUM_FALL_DB * Math.log2(k));
    power += weights[k]! ** 2;
  }
  for (let k = 1; k <= count; k++) weights[k]! /= Math.sqrt(power);
  return count;
}

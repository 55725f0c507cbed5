import { beatSeconds, plannedPosition, scoreBeats, type Score, type Step } from '@inner-hum/core/exercise';
import { dbToAmplitude } from '@inner-hum/core/signal';
import { dynamicPosition, instrumentById, partialTargetHz, writtenToHz, type LevelRuler } from '@inner-hum/core/theory';
import type { Habits } from './habits';
import { SeededRandom } from './random';

export interface StandInSettings {
  readonly sampleRateHz: number;
  readonly a4Hz: number;
  readonly ruler: LevelRuler;
  readonly habits: Habits;
  readonly seed: number;
  /** silence before the first beat, seconds */
  readonly leadS: number;
  /** silence after the last beat, seconds */
  readonly tailS: number;
}

const ATTACK_S = 0.03;
const RELEASE_S = 0.05;
const CONTROL_S = 0.005;
const MAX_PARTIALS = 30;

/**
 * The stand-in player: plays a score with habits, as samples in −1…1, the first beat at `leadS`. The same seed plays the
 * same. Sum of partials whose roll-off follows loudness, after the spectra of conical reeds (A. H. Benade 1976, ch. 22);
 * numbers are our choice.
 */
export function playStandIn(score: Score, settings: StandInSettings): Float32Array<ArrayBuffer> {
  const { sampleRateHz, leadS, tailS, habits } = settings;
  const beatS = beatSeconds(score);
  const out = new Float32Array(Math.ceil((leadS + scoreBeats(score) * beatS + tailS) * sampleRateHz));
  const random = new SeededRandom(settings.seed);
  for (const step of score.steps) {
    const startS = leadS + step.startBeat * beatS + habits.lateS;
    addTone(out, score, step, startS, step.beats * beatS - Math.max(0, habits.lateS), settings, random);
  }
  for (let i = 0; i < out.length; i++) out[i] = out[i]! + 1e-4 * random.normal();
  return out;
}

function addTone(
  out: Float32Array,
  score: Score,
  step: Step,
  startS: number,
  lengthS: number,
  settings: StandInSettings,
  random: SeededRandom,
): void {
  const { sampleRateHz, habits, ruler } = settings;
  const fingeredHz = writtenToHz(instrumentById(score.instrumentId), step.fingeredMidi, settings.a4Hz);
  const targetHz = partialTargetHz(fingeredHz, step.partialNumber, score.partialTuning);
  const start = Math.round(startS * sampleRateHz);
  const count = Math.round(lengthS * sampleRateHz);
  const controlStep = Math.round(CONTROL_S * sampleRateHz);
  const plan = levelPlan(step, habits, ruler);
  const middleDb = (plan.minDb + plan.maxDb) / 2;
  const phases = new Float64Array(MAX_PARTIALS + 1).map(() => 2 * Math.PI * random.uniform());
  const weights = new Float64Array(MAX_PARTIALS + 1);
  let partials = 0;
  let wander = 0;
  let hz = targetHz;
  let amplitude = 0;
  let nextAmplitude = 0;
  let noiseAmplitude = 0;
  let lowNoise = 0;
  let phase = 0;
  for (let i = 0; i < count; i++) {
    if (i % controlStep === 0) {
      const place = i / count;
      const levelDb = plan.at(place);
      wander = 0.97 * wander + habits.wobbleCents * Math.sqrt(1 - 0.97 ** 2) * random.normal();
      const t = i / sampleRateHz;
      const cents =
        habits.tuningCents +
        habits.driftCentsPerS * (t - lengthS / 2) -
        (habits.sharpWhenSoftCents * (levelDb - middleDb)) / 10 +
        habits.vibrato.extentCents * Math.sin(2 * Math.PI * habits.vibrato.rateHz * t) +
        wander;
      const jump = habits.jumps.find((one) => within(place * lengthS, one.place * lengthS, one.lastsS));
      const silent = habits.dropOuts.some((one) => within(place * lengthS, one.place * lengthS, one.lastsS));
      hz = (jump ? fingeredHz * jump.partial : targetHz) * 2 ** (cents / 1200);
      amplitude = nextAmplitude;
      nextAmplitude = silent ? 0 : Math.SQRT2 * dbToAmplitude(levelDb) * edges(t, lengthS);
      const loudness = Math.min(1, Math.max(0, (levelDb - ruler.softestDb) / (ruler.loudestDb - ruler.softestDb)));
      partials = spectrum(weights, hz, fingeredHz, loudness, sampleRateHz);
      const breathDb = habits.breathDb + (habits.breathWhenSoftDb * (plan.maxDb - levelDb)) / 10;
      noiseAmplitude = silent ? 0 : dbToAmplitude(levelDb + breathDb) * edges(t, lengthS);
    }
    phase += (2 * Math.PI * hz) / sampleRateHz;
    let value = 0;
    for (let k = 1; k <= partials; k++) value += weights[k]! * Math.sin(k * phase + phases[k]!);
    lowNoise += 0.5 * (random.normal() - lowNoise);
    const blend = (i % controlStep) / controlStep;
    const at = start + i;
    if (at >= 0 && at < out.length)
      out[at]! += (amplitude + (nextAmplitude - amplitude) * blend) * value + noiseAmplitude * lowNoise * 1.73;
  }
}

/** Level over a tone, dBFS, with the habits' share of range, late peak and stairs. */
function levelPlan(step: Step, habits: Habits, ruler: LevelRuler) {
  const position = (place: number) => {
    const warped = habits.peakShift === 0 ? place : place ** (Math.log(0.5) / Math.log(0.5 + habits.peakShift));
    return plannedPosition(step, warped * step.beats, dynamicPosition);
  };
  const places = Array.from({ length: 101 }, (_, i) => position(i / 100));
  const low = Math.min(...places);
  const high = Math.max(...places);
  const span = ruler.loudestDb - ruler.softestDb;
  const toDb = (place: number) => ruler.softestDb + span * (high - (high - place) * habits.rangeShare);
  const stairsDb = (place: number) =>
    habits.stairs.reduce(
      (sum, stair) => sum + (place >= stair.place ? stair.db * Math.exp(-(place - stair.place) * 6) : 0),
      0,
    );
  return { minDb: toDb(low), maxDb: toDb(high), at: (place: number) => toDb(position(place)) + stairsDb(place) };
}

/** Fills partial weights with unit power in all; gives how many there are. */
function spectrum(
  weights: Float64Array,
  hz: number,
  fingeredHz: number,
  loudness: number,
  sampleRateHz: number,
): number {
  const count = Math.max(1, Math.min(MAX_PARTIALS, Math.floor((0.45 * sampleRateHz) / hz)));
  const rollOffDb = 13 - 8 * loudness;
  const cutOffHz = 700 + 900 * loudness + fingeredHz;
  let power = 0;
  for (let k = 1; k <= count; k++) {
    const frequency = k * hz;
    const tubeHighPassDb = -10 * Math.log10(1 + (160 / frequency) ** 4);
    const slopeDb = frequency > cutOffHz ? -rollOffDb * Math.log2(frequency / cutOffHz) : 0;
    weights[k] = dbToAmplitude(tubeHighPassDb + slopeDb - 1.5 * (k - 1) * (1 - loudness));
    power += weights[k]! ** 2;
  }
  const scale = 1 / Math.sqrt(power);
  for (let k = 1; k <= count; k++) weights[k]! *= scale;
  return count;
}

function edges(t: number, lengthS: number): number {
  const rise = Math.min(1, t / ATTACK_S);
  const fall = Math.min(1, (lengthS - t) / RELEASE_S);
  return Math.max(0, Math.min(rise, fall));
}

function within(atS: number, fromS: number, lastsS: number): boolean {
  return atS >= fromS && atS < fromS + lastsS;
}

import {
  beatSeconds,
  hearingRangeHz,
  plannedPosition,
  scoreBeats,
  type ExerciseParameters,
  type Score,
  type Step,
} from '@inner-hum/core/exercise';
import { exerciseScore, type Family } from '@inner-hum/core/families';
import { assess, type Finding } from '@inner-hum/core/judge';
import { hear } from '@inner-hum/core/signal';
import {
  ASSUMED_RULER,
  dynamicPosition,
  instrumentById,
  partialTargetHz,
  writtenToHz,
  type LevelRuler,
} from '@inner-hum/core/theory';
import { recordings } from './recorded';

const RATE_HZ = 44100;
const A4_HZ = 440;
const LEAD_S = 1;
const TAIL_S = 0.6;
/** The player's own attack is left as it is for so long; from there on the level follows the plan. */
const ATTACK_S = 0.15;
/** A tone that is slurred to begins here in its recording, and is joined over so long. */
const SLURRED_FROM_S = 0.4;
const SLUR_S = 0.025;
const RELEASE_S = 0.06;
/** What is longer than its recording goes back to here, over a seam of this length. */
const AGAIN_FROM_S = 1;
const SEAM_S = 0.2;
/** Level is smoothed over this time before it is drawn to the plan. */
const SMOOTH_S = 0.1;

/** A recorded tone at the bench's rate, with its own pitch as the ear hears it on the whole. */
interface RealTone {
  readonly samples: Float32Array;
  readonly hz: number;
}

let tones: readonly RealTone[] | undefined;

function realTones(): readonly RealTone[] {
  tones ??= recordings().map(({ samples, sampleRateHz, soundingHz }) => {
    const { f0Hz } = hear(samples, { sampleRateHz, minHz: 60, maxHz: 1500 });
    const steady = [...f0Hz].filter((hz) => Math.abs(1200 * Math.log2(hz / soundingHz)) < 50).sort((a, b) => a - b);
    return { samples: drawn(samples, sampleRateHz / RATE_HZ), hz: steady[Math.floor(steady.length / 2)]! };
  });
  return tones;
}

/** How far a recorded tone is drawn at most, semitones: farther it is no real tone any more. */
const REACH_SEMITONES = 3;

/** Aims that an ordinary tone can't show. */
const OF_OTHER_TONES: readonly string[] = ['subtone', 'colourTravel'];

/** Whether every step of an exercise is an ordinary tone within reach of the recorded ones. */
export function canBeRecorded(family: Family, score: Score): boolean {
  if (family.teaching.aims?.some((aim) => OF_OTHER_TONES.includes(aim))) return false;
  const special = (step: Step) =>
    step.hum || step.bendCents || step.vibrato || step.freePitch || step.openEnd || step.pair || step.vowels;
  const near = (step: Step) => {
    const hz = targetOf(score, step);
    return realTones().some((tone) => Math.abs(12 * Math.log2(tone.hz / hz)) <= REACH_SEMITONES);
  };
  return score.steps.every((step) => !special(step) && near(step));
}

function targetOf(score: Score, step: Step): number {
  const fingeredHz = writtenToHz(instrumentById(score.instrumentId), step.fingeredMidi, A4_HZ);
  return partialTargetHz(fingeredHz, step.partialNumber, score.partialTuning);
}

/** Faults that are put into every tone of a take of recorded tones, and what must be found. */
export const RECORDED_FAULTS = {
  sharp: 'sharp',
  flat: 'flat',
  late: 'late',
  dropOut: 'dropOut',
  stair: 'stairs',
  octave: 'jump',
} as const satisfies Record<string, Finding['id']>;
export type RecordedFault = keyof typeof RECORDED_FAULTS;
const OFF_CENTS = 30;
const LATE_S = 0.2;
const HOLE_S = 0.15;
const STAIR_DB = 5;
const OCTAVE_S = 0.3;

/**
 * An exercise put together from recorded tones of a real saxophone: each step the nearest tone, drawn to its pitch and to
 * the planned level, attacks and drift as they were played. Samples in −1…1 at 44 100 Hz, the first beat at 1 s.
 */
export function playRecorded(score: Score, fault?: RecordedFault): Float32Array {
  const beatS = beatSeconds(score);
  const out = new Float32Array(Math.ceil((LEAD_S + scoreBeats(score) * beatS + TAIL_S) * RATE_HZ));
  score.steps.forEach((step, i) => {
    const next = score.steps[i + 1];
    const joinsNext = next?.attack === 'slurred' && next.startBeat <= step.startBeat + step.beats + 1e-6;
    const lengthS = step.beats * beatS + (joinsNext ? SLUR_S : 0);
    const offCents = fault === 'sharp' ? OFF_CENTS : fault === 'flat' ? -OFF_CENTS : 0;
    const targetHz = targetOf(score, step) * 2 ** (offCents / 1200);
    const tone = toneAt(targetHz, step.attack === 'slurred', lengthS);
    const startS = LEAD_S + step.startBeat * beatS + (fault === 'late' ? LATE_S : 0);
    drawToPlan(tone, step, beatS, ASSUMED_RULER);
    spoil(tone, targetHz, fault);
    addTone(
      out,
      Math.round(startS * RATE_HZ),
      tone,
      step.attack === 'slurred' ? SLUR_S : 0.002,
      joinsNext ? SLUR_S : RELEASE_S,
    );
  });
  let noise = 1;
  for (let i = 0; i < out.length; i++) {
    noise = (Math.imul(noise, 1664525) + 1013904223) >>> 0;
    out[i]! += 1e-4 * (noise / 2 ** 31 - 1);
  }
  return out;
}

/** What the judge says of an exercise on recorded tones, without what it only praises. */
export function findingsOnRecorded(parameters: ExerciseParameters, fault?: RecordedFault): readonly Finding[] {
  const score = exerciseScore(parameters);
  const samples = playRecorded(score, fault);
  const frames = hear(samples, { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, A4_HZ) });
  const { verdict } = assess(frames, {
    score,
    parameters,
    a4Hz: A4_HZ,
    ruler: ASSUMED_RULER,
    firstBeatS: LEAD_S,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
    before: [],
  });
  return verdict.findings.filter((found) => found.weight > 0);
}

/** The middle of a tone with a hole, a step of level, or its octave. */
function spoil(tone: Float32Array, hz: number, fault: RecordedFault | undefined): void {
  const middle = tone.length >> 1;
  if (fault === 'dropOut') tone.fill(0, middle, middle + Math.round(HOLE_S * RATE_HZ));
  if (fault === 'stair') for (let i = middle; i < tone.length; i++) tone[i]! *= 10 ** (STAIR_DB / 20);
  if (fault === 'octave') {
    const above = toneAt(2 * hz, true, OCTAVE_S);
    const room = Math.min(above.length, tone.length - middle);
    const loudness = rms(tone.subarray(middle, middle + room)) / rms(above);
    for (let i = 0; i < room; i++) tone[middle + i] = loudness * above[i]!;
  }
}

const rms = (samples: Float32Array) => Math.sqrt(samples.reduce((sum, value) => sum + value ** 2, 0) / samples.length);

/** The nearest recorded tone at a pitch, as long as asked. */
export function toneAt(hz: number, slurred: boolean, lengthS: number): Float32Array {
  const away = (tone: RealTone) => Math.abs(Math.log2(tone.hz / hz));
  const nearest = realTones().reduce((best, tone) => (away(tone) < away(best) ? tone : best));
  const own = drawn(nearest.samples, hz / nearest.hz).subarray(slurred ? Math.round(SLURRED_FROM_S * RATE_HZ) : 0);
  const length = Math.round(lengthS * RATE_HZ);
  const seam = Math.round(SEAM_S * RATE_HZ);
  const usable = own.length - Math.round(0.4 * RATE_HZ);
  const out = new Float32Array(length);
  const again = Math.round(AGAIN_FROM_S * RATE_HZ);
  for (let at = 0, from = 0; at < length;) {
    const count = Math.min(usable - from, length - at);
    for (let i = 0; i < count; i++) {
      const inward = at === 0 ? 1 : Math.min(1, i / seam);
      const outward = at + count >= length ? 1 : Math.min(1, (count - i) / seam);
      out[at + i]! += own[from + i]! * Math.sqrt(inward * outward);
    }
    if (at + count >= length) break;
    at += count - seam;
    from = again;
  }
  return out;
}

function drawToPlan(tone: Float32Array, step: Step, beatS: number, ruler: LevelRuler): void {
  const reach = Math.round((SMOOTH_S / 2) * RATE_HZ);
  const power = new Float64Array(tone.length + 1);
  for (let i = 0; i < tone.length; i++) power[i + 1] = power[i]! + tone[i]! ** 2;
  const from = Math.min(Math.round(ATTACK_S * RATE_HZ), tone.length >> 1);
  const gainAt = (i: number) => {
    const a = Math.max(0, i - reach);
    const b = Math.min(tone.length, i + reach);
    const ownDb = 10 * Math.log10((power[b]! - power[a]!) / (b - a) + 1e-12);
    const beat = i / RATE_HZ / beatS;
    const spanDb = ruler.loudestDb - ruler.softestDb;
    const plannedDb = ruler.softestDb + spanDb * plannedPosition(step, beat, dynamicPosition);
    return 10 ** ((plannedDb - ownDb) / 20);
  };
  const gains = Float64Array.from(tone, (_, i) => gainAt(Math.max(i, from)));
  for (let i = 0; i < tone.length; i++) tone[i]! *= gains[i]!;
}

function addTone(out: Float32Array, at: number, tone: Float32Array, inS: number, outS: number): void {
  const inward = inS * RATE_HZ;
  const outward = outS * RATE_HZ;
  for (let i = 0; i < tone.length && at + i < out.length; i++)
    out[at + i]! +=
      tone[i]! * Math.sqrt(Math.min(1, (i + 1) / inward)) * Math.sqrt(Math.min(1, (tone.length - i) / outward));
}

/** Read `rate` times as fast, by cubic interpolation (E. Catmull and R. Rom 1974). */
function drawn(samples: Float32Array, rate: number): Float32Array {
  const at = (i: number) => samples[Math.max(0, Math.min(samples.length - 1, i))]!;
  return Float32Array.from({ length: Math.floor(samples.length / rate) }, (_, i) => {
    const place = i * rate;
    const n = Math.floor(place);
    const t = place - n;
    const [a, b, c, d] = [at(n - 1), at(n), at(n + 1), at(n + 2)];
    return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
  });
}

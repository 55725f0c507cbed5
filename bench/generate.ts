import { BenchRandom } from './random';

/** One tone of a bench case. Times in seconds, cents against `hz`. */
export interface Tone {
  readonly startS: number;
  readonly endS: number;
  readonly hz: number;
  /** peak amplitude of the settled tone */
  readonly amplitude: number;
  /** pulse sharpness: 1 dull … 40 bright */
  readonly brightness: number;
  /** dB by which the fundamental is held under its neighbours */
  readonly fundamentalDownDb?: number;
  readonly attackS?: number;
  readonly releaseS?: number;
  readonly jitterCents?: number;
  readonly vibrato?: { readonly hz: number; readonly cents: number };
  /** the tube's own fundamental as n-th part of the pitch, and how far under the tone it stays, dB */
  readonly residue?: { readonly partial: number; readonly db: number };
  /** every other period is larger by this share for a while after the start: the octave below sounds with the tone */
  readonly doubling?: { readonly share: number; readonly fromS: number; readonly forS: number };
  /** how far single periods differ in size, as a share of it */
  readonly shimmer?: number;
  /** breath noise under the tone, dB */
  readonly breathDb?: number;
  /** how long breath alone comes before the tone, seconds */
  readonly airBeforeS?: number;
  /** amplitude over the tone's length, 0–1 in, factor out */
  readonly shape?: (place: number) => number;
}

export interface BenchCase {
  readonly name: string;
  readonly trap: string;
  readonly lengthS: number;
  readonly tones: readonly Tone[];
  readonly minHz?: number;
  readonly maxHz?: number;
  readonly hum?: { readonly hz: number; readonly db: number };
  readonly noiseDb?: number;
  readonly clicks?: { readonly everyS: number; readonly hz: number; readonly amplitude: number };
  readonly keyClicks?: boolean;
  /** how the keys of a worn horn rattle as the room is walked about in: longer and more of one pitch than a click */
  readonly rattle?: boolean;
  readonly speech?: boolean;
  readonly whisper?: boolean;
  readonly reverbS?: number;
  readonly offset?: number;
  readonly gain?: number;
  readonly clip?: number;
}

/** Sound with its truth, one entry each 10 ms. `voiced`: 1 tone, 0 none, −1 neither is an error (edges, tails). */
export interface Truth {
  readonly sampleRateHz: number;
  readonly samples: Float32Array;
  readonly f0Hz: Float64Array;
  readonly voiced: Int8Array;
  readonly levelDb: Float64Array;
  readonly onsetsS: readonly number[];
  readonly jumpsS: readonly number[];
}

export const RATE_HZ = 44100;
const HOP_S = 0.01;

/**
 * Renders a case. The tone is a train of von Mises pulses exp(κ(cos φ − 1)) (its harmonics fall off as Bessel functions,
 * so nothing folds back) through a one-zero-pair filter that holds the fundamental down and two fixed resonances: another
 * method than the stand-in player's sum of partials.
 */
export function render(benchCase: BenchCase, seed: number): Truth {
  const random = new BenchRandom(seed);
  const count = Math.round(benchCase.lengthS * RATE_HZ);
  const dry = new Float64Array(count);
  const frames = Math.ceil(benchCase.lengthS / HOP_S);
  const f0Hz = new Float64Array(frames);
  const voiced = new Int8Array(frames);
  for (const tone of benchCase.tones) addTone(dry, f0Hz, voiced, tone, random);
  if (benchCase.reverbS) addReverb(dry, benchCase.reverbS, random);
  if (benchCase.reverbS) excuseTails(voiced, benchCase.reverbS);
  addSurroundings(dry, benchCase, random);
  const gain = benchCase.gain ?? 1;
  const samples = new Float32Array(count);
  for (let i = 0; i < count; i++) {
    const value = gain * dry[i]! + (benchCase.offset ?? 0);
    const clip = benchCase.clip ?? 1;
    samples[i] = Math.round(Math.max(-clip, Math.min(clip, value)) * 32767) / 32767;
  }
  const sorted = [...benchCase.tones].sort((a, b) => a.startS - b.startS);
  const follows = (tone: Tone, i: number) => i > 0 && tone.startS - sorted[i - 1]!.endS < 0.03;
  return {
    sampleRateHz: RATE_HZ,
    samples,
    f0Hz,
    voiced,
    levelDb: windowLevel(samples, frames, benchCase.offset ?? 0),
    onsetsS: sorted.filter((tone, i) => !follows(tone, i)).map((tone) => tone.startS),
    jumpsS: sorted.filter(follows).map((tone) => tone.startS),
  };
}

function addTone(out: Float64Array, f0: Float64Array, voiced: Int8Array, tone: Tone, random: BenchRandom): void {
  const start = Math.round(tone.startS * RATE_HZ);
  const end = Math.min(out.length, Math.round(tone.endS * RATE_HZ));
  const length = end - start;
  const buffer = new Float64Array(length);
  const attack = tone.attackS ?? 0.02;
  const release = tone.releaseS ?? 0.03;
  const jitter = tone.jitterCents ?? 4;
  let wander = random.normal() * jitter;
  let wanderTarget = wander;
  let ripple = 0;
  let period = -1;
  let shimmer = 0;
  let phase = random.uniform();
  let tubePhase = random.uniform();
  const step = Math.round(HOP_S * RATE_HZ);
  const rho = Math.exp(-1 / (2 * Math.max(1, jitter * jitter)));
  for (let i = 0; i < length; i++) {
    if (i % step === 0) {
      wander = wanderTarget;
      wanderTarget = rho * wander + jitter * Math.sqrt(1 - rho * rho) * random.normal();
      ripple = 0.7 * ripple + 0.25 * random.normal();
    }
    const t = i / RATE_HZ;
    const blend = (i % step) / step;
    let cents = wander + (wanderTarget - wander) * blend;
    if (tone.vibrato) cents += tone.vibrato.cents * Math.sin(2 * Math.PI * tone.vibrato.hz * t);
    const hz = tone.hz * 2 ** (cents / 1200);
    const remaining = (length - i) / RATE_HZ;
    const fade = remaining < release ? 0.5 - 0.5 * Math.cos((Math.PI * remaining) / release) : 1;
    const rise = t < attack ? 0.5 - 0.5 * Math.cos((Math.PI * t) / attack) : 1;
    const envelope = fade * rise * (tone.shape?.(i / length) ?? 1) * 10 ** (ripple / 20);
    phase += hz / RATE_HZ;
    const kappa = tone.brightness * (0.4 + 0.6 * (tone.shape?.(i / length) ?? 1));
    let value = Math.exp(kappa * (Math.cos(2 * Math.PI * phase) - 1)) - meanOfPulse(kappa);
    if (tone.residue) {
      tubePhase += hz / tone.residue.partial / RATE_HZ;
      value += 10 ** (tone.residue.db / 20) * (Math.exp(8 * (Math.cos(2 * Math.PI * tubePhase) - 1)) - meanOfPulse(8));
    }
    if (tone.doubling) value *= 1 + doublingAt(tone.doubling, t) * Math.cos(Math.PI * phase);
    if (tone.shimmer) {
      if (Math.floor(phase) !== period) shimmer = tone.shimmer * random.normal();
      period = Math.floor(phase);
      value *= 1 + shimmer;
    }
    buffer[i] = value * envelope;
    const absolute = start + i;
    if (absolute % step === 0) {
      const frame = absolute / step;
      const loud = fade * rise;
      f0[frame] = hz;
      voiced[frame] = loud > 0.1 ? 1 : -1;
    }
  }
  holdFundamentalDown(buffer, tone);
  resonate(buffer, tone.hz);
  scaleTo(buffer, tone.amplitude);
  const air = airOf(tone, length, buffer, random);
  for (let i = 0; i < length; i++) out[start + i]! += buffer[i]!;
  for (let i = 0; i < air.noise.length; i++) {
    const at = start - air.lead + i;
    if (at >= 0 && at < out.length) out[at]! += air.noise[i]!;
  }
  // Where one tone follows another within a frame, either pitch is right.
  const first = Math.round(tone.startS / HOP_S);
  const last = Math.round(tone.endS / HOP_S);
  for (const edge of [first, last])
    for (let f = edge - 1; f <= edge + 1; f++) if (f >= 0 && f < voiced.length) voiced[f] = -1;
}

/** Full at first, gone at the end, for a doubling that lasts; one of the attack falls all the way. */
function doublingAt({ share, fromS, forS }: NonNullable<Tone['doubling']>, atS: number): number {
  const place = (atS - fromS) / forS;
  if (place < 0 || place > 1) return 0;
  return fromS === 0 ? share * (1 - place) : share * Math.sin(Math.PI * place) ** 0.5;
}

function meanOfPulse(kappa: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; k < 60; k++) {
    term *= (kappa / (2 * k)) ** 2;
    sum += term;
  }
  return sum * Math.exp(-kappa);
}

function holdFundamentalDown(buffer: Float64Array, tone: Tone): void {
  const down = tone.fundamentalDownDb ?? 0;
  if (down <= 0) return;
  // A notch on the fundamental, as deep as wanted: mix of the sound and its notched copy.
  const omega = (2 * Math.PI * tone.hz) / RATE_HZ;
  const r = 1 - omega * 0.35;
  const keep = 10 ** (-down / 20);
  let x1 = 0;
  let x2 = 0;
  let y1 = 0;
  let y2 = 0;
  for (let i = 0; i < buffer.length; i++) {
    const x = buffer[i]!;
    const y = x - 2 * Math.cos(omega) * x1 + x2 + 2 * r * Math.cos(omega) * y1 - r * r * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    buffer[i] = y + keep * (x - y);
  }
}

function resonate(buffer: Float64Array, hz: number): void {
  for (const [centre, gain] of [
    [Math.max(700, 2.5 * hz), 1.2],
    [2300, 0.6],
  ] as const) {
    const omega = (2 * Math.PI * centre) / RATE_HZ;
    const r = 0.97;
    let y1 = 0;
    let y2 = 0;
    for (let i = 0; i < buffer.length; i++) {
      const y = (1 - r) * buffer[i]! + 2 * r * Math.cos(omega) * y1 - r * r * y2;
      [y2, y1] = [y1, y];
      buffer[i]! += gain * y;
    }
  }
}

function scaleTo(buffer: Float64Array, amplitude: number): void {
  let peak = 0;
  for (const value of buffer) peak = Math.max(peak, Math.abs(value));
  if (peak > 0) for (let i = 0; i < buffer.length; i++) buffer[i]! *= amplitude / peak;
}

function airOf(tone: Tone, length: number, buffer: Float64Array, random: BenchRandom) {
  const lead = Math.round((tone.airBeforeS ?? 0) * RATE_HZ);
  if (tone.breathDb === undefined) return { lead: 0, noise: new Float64Array(0) };
  let power = 0;
  for (const value of buffer) power += value * value;
  const target = Math.sqrt(power / length) * 10 ** (tone.breathDb / 20);
  const noise = new Float64Array(lead + length);
  let low = 0;
  let high = 0;
  let sum = 0;
  for (let i = 0; i < noise.length; i++) {
    low += 0.35 * (random.normal() - low);
    high += 0.03 * (low - high);
    noise[i] = low - high;
    sum += noise[i]! ** 2;
  }
  const gain = target / Math.sqrt(sum / noise.length);
  const ramp = 0.05 * RATE_HZ;
  for (let i = 0; i < noise.length; i++) noise[i]! *= gain * Math.min(1, i / ramp, (noise.length - i) / ramp);
  return { lead, noise };
}

function addReverb(out: Float64Array, seconds: number, random: BenchRandom): void {
  // Sparse exponential tail: 400 echoes with random delay and sign, −8 dB against the direct sound.
  const dry = out.slice();
  const taps = 400;
  let energy = 0;
  const echoes = Array.from({ length: taps }, () => {
    const delayS = 0.008 + random.uniform() * seconds;
    const gain = (random.uniform() < 0.5 ? -1 : 1) * 10 ** ((-3 * delayS) / seconds);
    energy += gain * gain;
    return { delay: Math.round(delayS * RATE_HZ), gain };
  });
  const scale = 10 ** (-8 / 20) / Math.sqrt(energy);
  for (const { delay, gain } of echoes)
    for (let i = delay; i < out.length; i++) out[i]! += scale * gain * dry[i - delay]!;
}

function excuseTails(voiced: Int8Array, seconds: number): void {
  // In a room the tone goes on sounding: until it has fallen 20 dB neither answer is wrong.
  const tail = Math.round((seconds * 20) / 60 / HOP_S);
  for (let i = voiced.length - 1; i > 0; i--) {
    if (voiced[i] !== 0) continue;
    for (let back = 1; back <= tail && i - back >= 0; back++)
      if (voiced[i - back] === 1) {
        voiced[i] = -1;
        break;
      }
  }
}

function addSurroundings(out: Float64Array, benchCase: BenchCase, random: BenchRandom): void {
  const noise = 10 ** ((benchCase.noiseDb ?? -75) / 20);
  for (let i = 0; i < out.length; i++) out[i]! += noise * random.normal();
  if (benchCase.hum) {
    const gain = 10 ** (benchCase.hum.db / 20) * Math.SQRT2;
    for (let k = 1; k <= 6; k++) {
      const phase = random.uniform() * 2 * Math.PI;
      for (let i = 0; i < out.length; i++)
        out[i]! += (gain / k) * Math.sin((2 * Math.PI * benchCase.hum.hz * k * i) / RATE_HZ + phase);
    }
  }
  if (benchCase.clicks)
    for (let t = 0.1; t < benchCase.lengthS; t += benchCase.clicks.everyS)
      for (let i = 0; i < 0.025 * RATE_HZ; i++) {
        const at = Math.round(t * RATE_HZ) + i;
        if (at < out.length)
          out[at]! +=
            benchCase.clicks.amplitude *
            Math.exp(-i / (0.006 * RATE_HZ)) *
            Math.sin((2 * Math.PI * benchCase.clicks.hz * i) / RATE_HZ);
      }
  if (benchCase.keyClicks)
    for (let t = 0.2; t < benchCase.lengthS; t += 0.21 + 0.1 * random.uniform()) {
      const hz = 300 + 900 * random.uniform();
      for (let i = 0; i < 0.03 * RATE_HZ; i++) {
        const at = Math.round(t * RATE_HZ) + i;
        if (at < out.length)
          out[at]! +=
            0.08 *
            Math.exp(-i / (0.004 * RATE_HZ)) *
            (random.normal() * 0.6 + Math.sin((2 * Math.PI * hz * i) / RATE_HZ));
      }
    }
  if (benchCase.rattle) addRattle(out, random);
  if (benchCase.speech) addSpeech(out, random);
  if (benchCase.whisper) addWhisper(out, random);
}

/** Babble-like syllables: a gliding pulse train through moving formants, −40 dBFS or so. */
function addSpeech(out: Float64Array, random: BenchRandom): void {
  for (let t = 0.3; t < out.length / RATE_HZ - 0.4; t += 0.35 + 0.2 * random.uniform()) {
    const length = Math.round((0.12 + 0.1 * random.uniform()) * RATE_HZ);
    const from = 110 + 60 * random.uniform();
    const glide = (random.uniform() - 0.5) * 0.7;
    let phase = 0;
    for (let i = 0; i < length; i++) {
      const at = Math.round(t * RATE_HZ) + i;
      const place = i / length;
      phase += (from * (1 + glide * place)) / RATE_HZ;
      const value = Math.exp(12 * (Math.cos(2 * Math.PI * phase) - 1)) - meanOfPulse(12);
      if (at < out.length) out[at]! += 0.02 * Math.sin(Math.PI * place) * (value + 0.1 * random.normal());
    }
  }
}

/** Noise through three narrow moving resonances, in syllables: what a whisper is. */
function addWhisper(out: Float64Array, random: BenchRandom): void {
  for (let t = 0.3; t < out.length / RATE_HZ - 0.5; t += 0.3 + 0.2 * random.uniform()) {
    const length = Math.round((0.15 + 0.2 * random.uniform()) * RATE_HZ);
    for (const [lowest, width] of [
      [350, 500],
      [900, 1200],
      [2300, 700],
    ] as const) {
      const fromHz = lowest + width * random.uniform();
      const toHz = fromHz * (0.85 + 0.3 * random.uniform());
      addBand(out, random, Math.round(t * RATE_HZ), length, fromHz, toHz, 55 + 50 * random.uniform(), 0.02);
    }
  }
}

/** Loose metal: bursts of two to five knocks, each a few damped resonances that ring for 20 to 60 ms. */
function addRattle(out: Float64Array, random: BenchRandom): void {
  for (let t = 0.3; t < out.length / RATE_HZ - 0.6; t += 0.3 + 0.3 * random.uniform()) {
    const knocks = 2 + Math.floor(4 * random.uniform());
    const modes = Array.from({ length: 3 }, () => 250 + 1600 * random.uniform());
    for (let knock = 0; knock < knocks; knock++) {
      const from = Math.round((t + knock * (0.03 + 0.02 * random.uniform())) * RATE_HZ);
      const decay = (0.02 + 0.04 * random.uniform()) * RATE_HZ;
      for (const hz of modes)
        for (let i = 0; i < 4 * decay && from + i < out.length; i++)
          out[from + i]! += 0.03 * Math.exp(-i / decay) * Math.sin((2 * Math.PI * hz * i) / RATE_HZ);
    }
  }
}

/** A band of noise that glides, `wideHz` wide, swelling and fading over its length. */
function addBand(
  out: Float64Array,
  random: BenchRandom,
  start: number,
  length: number,
  fromHz: number,
  toHz: number,
  wideHz: number,
  amplitude: number,
): void {
  const r = Math.exp((-Math.PI * wideHz) / RATE_HZ);
  let y1 = 0;
  let y2 = 0;
  for (let i = 0; i < length && start + i < out.length; i++) {
    const omega = (2 * Math.PI * (fromHz + ((toHz - fromHz) * i) / length)) / RATE_HZ;
    const y = random.normal() * Math.sqrt(1 - r * r) + 2 * r * Math.cos(omega) * y1 - r * r * y2;
    [y2, y1] = [y1, y];
    out[start + i]! += 0.2 * amplitude * Math.sin((Math.PI * i) / length) * y;
  }
}

/** RMS under a Hann weight of 40 ms, what the ear says it measures, summed sample by sample; the offset taken off. */
function windowLevel(samples: Float32Array, frames: number, offset: number): Float64Array {
  const half = Math.round(0.02 * RATE_HZ);
  const weight = Float64Array.from({ length: 2 * half + 1 }, (_, i) => 0.5 - 0.5 * Math.cos((Math.PI * i) / half));
  const whole = weight.reduce((sum, value) => sum + value, 0);
  return Float64Array.from({ length: frames }, (_, f) => {
    const from = Math.round(f * HOP_S * RATE_HZ) - half;
    let squares = 0;
    for (let i = 0; i < weight.length; i++) squares += weight[i]! * ((samples[from + i] ?? offset) - offset) ** 2;
    return 10 * Math.log10(Math.max(1e-12, squares / whole));
  });
}

import { HOP_S, RATE_HZ, type BenchCase } from './benchCase';
import { meanOfPulse } from './pulseTone';
import type { BenchRandom } from './random';

export function addReverb(out: Float64Array, seconds: number, random: BenchRandom): void {
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

export function excuseTails(voiced: Int8Array, seconds: number): void {
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

export function addSurroundings(out: Float64Array, benchCase: BenchCase, random: BenchRandom): void {
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

import { HOP_S, RATE_HZ, type BenchCase, type Tone, type Truth } from './benchCase';
import { addPulseTone } from './pulseTone';
import { BenchRandom } from './random';
import { addSummedTone } from './summedTone';
import { addReverb, addSurroundings, excuseTails } from './surroundings';

/** Either answer is right so near an end of a summed tone, seconds. */
const EDGE_S = 0.05;

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
  for (const tone of benchCase.tones) addPulseTone(dry, f0Hz, voiced, tone, random);
  if (benchCase.summed) {
    const { startS, endS } = benchCase.summed;
    const hz = addSummedTone(dry, benchCase.summed, 0.05, random);
    for (let frame = Math.round(startS / HOP_S) - 1; frame <= Math.round(endS / HOP_S) + 1; frame++) {
      const inside = frame * HOP_S - startS > EDGE_S && endS - frame * HOP_S > EDGE_S;
      voiced[frame] = inside ? 1 : -1;
      if (inside) f0Hz[frame] = hz[Math.round((frame * HOP_S - startS) * RATE_HZ)]!;
    }
  }
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

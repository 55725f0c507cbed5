import FFT from 'fft.js';

const SIZE = 2048;
/** Where headsets and calls cut the sound off, Hz. */
const EDGES_HZ = [3400, 4000, 7000, 8000];
/** Just under and just above an edge, as shares of it. */
const UNDER = [0.7, 0.95] as const;
const OVER = [1.15, 1.6] as const;
/** A room's noise falls slowly; at an edge it falls by this much and more, dB. */
const CLIFF_DB = 18;
/** Only the quieter blocks are looked at: a tone has few partials up there anyway. Digital silence tells nothing. */
const QUIET_SHARE = 0.34;
const SILENT_DB = -95;
const LEAST_BLOCKS = 3;
/** More of them tell nothing new. */
const MOST_BLOCKS = 60;

/**
 * Above which frequency nothing of a sound's own noise is heard, Hz: a wireless headset's or a call's codec. Undefined for a
 * sound that has its highs, or that is too short or too silent to tell. Our own rule.
 */
export function bandLimitHz(samples: Float32Array, sampleRateHz: number): number | undefined {
  const blocks = quietBlocks(samples);
  if (blocks.length < LEAST_BLOCKS) return undefined;
  const power = meanSpectrum(samples, blocks);
  const mean = (fromHz: number, toHz: number) => {
    const bins = power.subarray(Math.ceil((fromHz * SIZE) / sampleRateHz), Math.floor((toHz * SIZE) / sampleRateHz));
    return bins.reduce((sum, value) => sum + value, 0) / Math.max(1, bins.length);
  };
  return EDGES_HZ.filter((hz) => OVER[1] * hz < sampleRateHz / 2).find((hz) => {
    const [under, over] = [mean(UNDER[0] * hz, UNDER[1] * hz), mean(OVER[0] * hz, OVER[1] * hz)];
    return 10 * Math.log10((under + 1e-20) / (over + 1e-20)) >= CLIFF_DB;
  });
}

function quietBlocks(samples: Float32Array): number[] {
  const blocks: { readonly at: number; readonly power: number }[] = [];
  for (let at = 0; at + SIZE <= samples.length; at += SIZE) {
    const power = samples.subarray(at, at + SIZE).reduce((sum, value) => sum + value * value, 0) / SIZE;
    if (10 * Math.log10(power + 1e-20) > SILENT_DB) blocks.push({ at, power });
  }
  blocks.sort((a, b) => a.power - b.power);
  return blocks.slice(0, Math.min(MOST_BLOCKS, Math.ceil(QUIET_SHARE * blocks.length))).map(({ at }) => at);
}

function meanSpectrum(samples: Float32Array, blocks: readonly number[]): Float64Array {
  const fft = new FFT(SIZE);
  const power = new Float64Array(SIZE / 2);
  const out = new Float64Array(2 * SIZE);
  const windowed = new Float64Array(SIZE);
  for (const at of blocks) {
    for (let i = 0; i < SIZE; i++) windowed[i] = samples[at + i]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / SIZE));
    fft.realTransform(out, windowed);
    for (let k = 0; k < power.length; k++) power[k]! += (out[2 * k]! ** 2 + out[2 * k + 1]! ** 2) / blocks.length;
  }
  return power;
}

import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { RATE_HZ } from './benchCase';
import { allCases } from './cases';
import { render } from './generate';
import { quantile } from './score';

/** What a run of `speed.ts` prints. */
interface Speed {
  readonly cpuS: number;
  readonly liveMs: number;
}
/** Samples of a block, as the application's worklet sends them. */
const BLOCK = 256;
/** How much slower the machine is on which the longest wait of a block is told. */
const SLOWER = 8;

/** The recording the ear's speed is measured on, and how often: the median counts. */
const SPEED_LENGTH_S = 600;
export const SPEED_RUNS = 7;

/** The ear bundled, as the application ships it, on ten minutes of the sounds, each time in a process of its own. */
export function speedAlone(): Speed & {
  readonly lengthS: number;
  /** the longest that a block waits to be heard on a machine so much slower, milliseconds */
  readonly longestMs: number;
} {
  const recording = new Float32Array(SPEED_LENGTH_S * RATE_HZ);
  const parts = allCases().filter((_, i) => i % 9 === 0);
  for (let at = 0, i = 0; at < recording.length; i++) {
    const { samples } = render(parts[i % parts.length]!, (i % parts.length) + 1);
    recording.set(samples.subarray(0, recording.length - at), at);
    at += samples.length;
  }
  const bundle = '.cache/speed.mjs';
  const options = ['--bundle', '--platform=node', '--format=esm', '--log-level=error', `--outfile=${bundle}`];
  execFileSync('npx', ['esbuild', 'bench/speed.ts', ...options]);
  const file = '.cache/speed.f32';
  writeFileSync(file, recording);
  const runs = Array.from(
    { length: SPEED_RUNS },
    (_, i) => JSON.parse(execFileSync('node', [bundle, file, `${file}.${i}`], { encoding: 'utf8' })) as Speed,
  );
  const median = (name: keyof Speed) =>
    quantile(
      runs.map((run) => run[name]),
      0.5,
    );
  return {
    lengthS: SPEED_LENGTH_S,
    cpuS: median('cpuS'),
    liveMs: median('liveMs'),
    longestMs: longestWaitMs(runs.map((_, i) => timesOf(`${file}.${i}`))),
  };
}

function timesOf(file: string): Float64Array {
  const { buffer, byteOffset, length } = readFileSync(file);
  return new Float64Array(buffer.slice(byteOffset, byteOffset + length));
}

/** What a block takes is the least over all runs: what else the machine does meanwhile is not the ear's. */
function longestWaitMs(runs: readonly Float64Array[]): number {
  let [longestMs, freeAtMs] = [0, 0];
  for (let i = 0; i < runs[0]!.length; i++) {
    const cameAtMs = (1000 * (i + 1) * BLOCK) / RATE_HZ;
    freeAtMs = Math.max(cameAtMs, freeAtMs) + SLOWER * Math.min(...runs.map((tookMs) => tookMs[i]!));
    longestMs = Math.max(longestMs, freeAtMs - cameAtMs);
  }
  return longestMs;
}

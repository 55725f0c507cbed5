import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { RATE_HZ } from './benchCase';
import { allCases } from './cases';
import { render } from './generate';
import type { Speed } from './speed';
import { quantile } from './score';

/** The recording the ear's speed is measured on, and how often: the median counts. */
const SPEED_LENGTH_S = 600;
export const SPEED_RUNS = 7;

/** The ear bundled, as the application ships it, on ten minutes of the sounds, each time in a process of its own. */
export function speedAlone(): Speed & { readonly lengthS: number } {
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
    () => JSON.parse(execFileSync('node', [bundle, file], { encoding: 'utf8' })) as Speed,
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
    longestMs: median('longestMs'),
  };
}

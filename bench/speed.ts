import { readFileSync } from 'node:fs';
import { Ear } from '@inner-hum/core/signal';
import { RATE_HZ } from './benchCase';
import { listen } from './listen';

/** What the ear costs on a recording, measured in a process of its own as in the application's worker. */
export interface Speed {
  /** all of it at once, processor seconds */
  readonly cpuS: number;
  /** as it comes, block by block: processor milliseconds for each frame of 10 ms */
  readonly liveMs: number;
  /** the longest that a block then waits to be heard on a machine {@link SLOWER} times slower, milliseconds */
  readonly longestMs: number;
}

/** Samples of a block, as the application's worklet sends them. */
const BLOCK = 256;
const SLOWER = 8;

const { buffer, byteOffset, length } = readFileSync(process.argv[2]!);
const recording = new Float32Array(buffer, byteOffset, length / 4);
const { cpuS } = listen(recording, RATE_HZ);
const ear = new Ear({ sampleRateHz: RATE_HZ });
let frames = 0;
let usedMs = 0;
let longestMs = 0;
let freeAtMs = 0;
for (let at = 0; at + BLOCK <= recording.length; at += BLOCK) {
  const before = process.cpuUsage();
  ear.push(recording.subarray(at, at + BLOCK), () => frames++);
  const used = process.cpuUsage(before);
  const tookMs = (used.user + used.system) / 1000;
  usedMs += tookMs;
  const cameAtMs = (1000 * (at + BLOCK)) / RATE_HZ;
  freeAtMs = Math.max(cameAtMs, freeAtMs) + SLOWER * tookMs;
  longestMs = Math.max(longestMs, freeAtMs - cameAtMs);
}
console.log(JSON.stringify({ cpuS, liveMs: usedMs / frames, longestMs } satisfies Speed));

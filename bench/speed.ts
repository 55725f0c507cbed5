import { readFileSync, writeFileSync } from 'node:fs';
import { Ear, warmUp } from '@inner-hum/core/signal';
import { RATE_HZ } from './benchCase';
import { listen } from './listen';

/** What the ear costs on a recording, measured in a process of its own as in the application's worker. */
interface Speed {
  /** all of it at once, processor seconds */
  readonly cpuS: number;
  /** as it comes, block by block: processor milliseconds for each frame of 10 ms */
  readonly liveMs: number;
}

/** Samples of a block, as the application's worklet sends them. */
const BLOCK = 256;

/** What each block took, milliseconds, goes into the second file. */
const [, , file = '', timesFile = ''] = process.argv;
const { buffer, byteOffset, length } = readFileSync(file);
const recording = new Float32Array(buffer, byteOffset, length / 4);
const { cpuS } = listen(recording, RATE_HZ);
warmUp();
const ear = new Ear({ sampleRateHz: RATE_HZ });
const tookMs = new Float64Array(Math.floor(recording.length / BLOCK));
let frames = 0;
const before = process.cpuUsage();
for (let i = 0; i < tookMs.length; i++) {
  const fromMs = performance.now();
  ear.push(recording.subarray(i * BLOCK, (i + 1) * BLOCK), () => frames++);
  tookMs[i] = performance.now() - fromMs;
}
const used = process.cpuUsage(before);
writeFileSync(timesFile, tookMs);
console.log(JSON.stringify({ cpuS, liveMs: (used.user + used.system) / 1000 / frames } satisfies Speed));

import { allCases } from './cases';
import { render, RATE_HZ } from './generate';
import { listen } from './listen';

/** Cost of the ear alone on one recording of ten minutes, in a process of its own as in the application's worker. */
const LENGTH_S = 600;

const parts = allCases()
  .filter((_, i) => i % 9 === 0)
  .map((benchCase, i) => render(benchCase, i + 1).samples);
const recording = new Float32Array(LENGTH_S * RATE_HZ);
for (let at = 0, i = 0; at < recording.length; at += parts[i % parts.length]!.length, i++)
  recording.set(parts[i % parts.length]!.subarray(0, recording.length - at), at);
console.log(JSON.stringify({ lengthS: LENGTH_S, cpuS: listen(recording, RATE_HZ).cpuS }));

import { readFileSync } from 'node:fs';
import { RATE_HZ } from './generate';
import { listen } from './listen';

/** Cost of the ear alone on a recording in a file of its own, as in the application's worker: processor seconds. */
const { buffer, byteOffset, length } = readFileSync(process.argv[2]!);
console.log(listen(new Float32Array(buffer, byteOffset, length / 4), RATE_HZ).cpuS);

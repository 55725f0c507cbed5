import { describe, expect, it } from 'vitest';
import { fuzz, READERS } from './fuzz';

/** Few here; `npm run fuzz` reads ten thousand of each. */
const RUNS = Number(process.env['FUZZ_RUNS'] ?? 150);
const SEED = Number(process.env['FUZZ_SEED'] ?? 1);

describe(`damaged input, ${RUNS} of each kind: refused with a reason, or good for all that uses it`, () => {
  it.each(READERS.map((reader) => [reader.name, reader] as const))('%s', { timeout: 3_600_000 }, (_, reader) => {
    const { accepted, thrown, slowestMs, peakMb } = fuzz(reader, RUNS, SEED, () => performance.now());
    if (process.env['FUZZ_RUNS'])
      console.log(
        `${reader.name}: ${accepted} of ${RUNS} accepted, slowest ${slowestMs.toFixed(0)} ms, peak ${peakMb.toFixed(0)} MB`,
      );
    expect(Object.fromEntries(thrown)).toEqual({});
  });
});

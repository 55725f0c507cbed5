import { describe, expect, it } from 'vitest';
import { TRY_FINGERINGS } from './altissimo.data';
import { keysOf } from './fingerings';
import { instrumentById } from './hornBuild';
import { INSTRUMENTS } from './instruments.data';

describe('TRY_FINGERINGS', () => {
  it('lie above the last palm note and use keys that each of their horns has, each once', () => {
    for (const { midi, keys, sizes } of TRY_FINGERINGS) {
      expect(midi).toBeGreaterThanOrEqual(90);
      expect(new Set(keys).size).toBe(keys.length);
      for (const size of sizes) {
        const has = new Set(keysOf(instrumentById(size)).map((key) => key.id));
        expect(keys.filter((key) => !has.has(key))).toEqual([]);
      }
    }
  });
  it.each(INSTRUMENTS.map((instrument) => instrument.id))(
    '%s has something to try for each of the first eight notes',
    (id) => {
      const notes = new Set(
        TRY_FINGERINGS.filter((tryFingering) => tryFingering.sizes.includes(id)).map(
          (tryFingering) => tryFingering.midi,
        ),
      );
      for (let midi = 90; midi < 98; midi++) expect(notes).toContain(midi);
    },
  );
  it('no row stands twice', () => {
    const rows = TRY_FINGERINGS.map((tryFingering) => `${tryFingering.midi} ${[...tryFingering.keys].sort().join()}`);
    expect(new Set(rows).size).toBe(rows.length);
  });
});

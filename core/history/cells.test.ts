import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cellsAfter, cellsFrom, RECENT, type Cell } from './cells';
import type { Digest } from './digest';
import { hornMap } from '../map/hornMap';
import { ownSources } from '../map/ownSources';
import { digest, seen } from './testDigests';

const takes = fc
  .array(
    fc.record({
      day: fc.integer({ min: 1, max: 300 }),
      reed: fc.constantFrom('first', 'second'),
      tones: fc.array(
        fc.record({
          midi: fc.integer({ min: 58, max: 62 }),
          partial: fc.integer({ min: 1, max: 3 }),
          band: fc.constantFrom('soft' as const, 'medium' as const, 'loud' as const),
          tried: fc.boolean(),
          spoke: fc.boolean(),
        }),
        { maxLength: 6 },
      ),
    }),
    { maxLength: 60 },
  )
  // A player starts one take at a time.
  .map((list) =>
    list.map(({ day, reed, tones }, i) =>
      digest(
        `t${i}`,
        day,
        tones.map((tone, k) => seen({ ...tone, fingeredMidi: tone.midi, atMs: day * 1e6 + i * 100 + k + 1 })),
        { reed },
      ),
    ),
  );

function oneByOne(digests: readonly Digest[]): Map<string, Cell> {
  const cells = new Map<string, Cell>();
  for (const entry of digests) for (const cell of cellsAfter(entry, (key) => cells.get(key))) cells.set(cell.key, cell);
  return cells;
}
const plain = (cells: Map<string, Cell>) => Object.fromEntries([...cells].sort(([a], [b]) => (a < b ? -1 : 1)));

describe('cells', () => {
  it('take by take, in whatever order, they are what a rebuild gives', () => {
    fc.assert(
      fc.property(takes, fc.infiniteStream(fc.nat()), (digests, order) => {
        const mixed = digests
          .map((entry) => ({ one: entry, key: order.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ one }) => one);
        expect(plain(oneByOne(mixed))).toEqual(plain(cellsFrom(digests)));
      }),
      { numRuns: 60 },
    );
  });

  it('keep the newest observations, count all starts, and tell set-ups apart', () => {
    const many = Array.from({ length: RECENT + 5 }, (_, i) =>
      digest(`t${i}`, i + 1, [seen({ spoke: i % 2 === 0, values: { pitchCentreCents: i } })]),
    );
    const other = digest('x', 3, [seen()], { reed: 'second' });
    const cells = [...cellsFrom([...many, other]).values()];
    expect(cells).toHaveLength(2);
    const [own] = cells;
    expect(own!.recent.map((observation) => observation.values.pitchCentreCents)).toEqual(
      Array.from({ length: RECENT }, (_, i) => i + 5),
    );
    expect([own!.got, own!.of]).toEqual([11, 21]);
    expect(hornMap(cells)[0]).toMatchObject({ midi: 67, got: 12, of: 22 });
  });

  it('overtones are on the lattice, not on the map, with their own counts and offset', () => {
    const tone = (atMs: number, spoke: boolean, cents: number) =>
      seen({ atMs, midi: 77, fingeredMidi: 58, partial: 3, spoke, values: { pitchCentreCents: cents } });
    const cells = [...cellsFrom([digest('a', 1, [tone(1, true, 8), tone(2, false, 10), tone(3, true, 9)])]).values()];
    expect(hornMap(cells)).toEqual([]);
    expect(ownSources(cells).get('58/3')).toMatchObject({ tries: { got: 2, of: 3 }, offsetCents: 9, newestMs: 3 });
  });
});

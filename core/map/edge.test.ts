import { SeededRandom } from '@inner-hum/core/simulate';
import { describe, expect, it } from 'vitest';
import { edgeOf } from './edge';
import { seen } from '../history/testDigests';

const broke = (underP: number) => seen({ values: { brokeUnderPDb: underP, heldUnderPDb: underP - 3 } });
const held = (underP: number) => seen({ values: { heldUnderPDb: underP } });
const known = (...all: ReturnType<typeof seen>[]) => {
  const edge = edgeOf({ all });
  if (edge.kind !== 'known') throw new Error(edge.kind);
  return edge;
};

describe('the edge of a note', () => {
  it('is where its tones broke, surer the more of them', () => {
    const one = known(broke(8));
    expect(one.underPDb).toBeCloseTo(8, 1);
    const four = known(broke(8), broke(8), broke(8), broke(8));
    expect(four.uncertainty).toBeLessThan(0.7 * one.uncertainty);
    expect(four).toMatchObject({ breaks: 4, held: 0 });
  });
  it('lies lower when tones were held softer than others broke', () =>
    expect(known(broke(8), held(14), held(14)).underPDb).toBeGreaterThan(known(broke(8)).underPDb + 1));
  it('is hardly moved by tones that were held far above it', () =>
    expect(known(broke(8), held(0), held(-5)).underPDb).toBeCloseTo(8, 0));
  it('is not reached where nothing broke, and unknown where nothing was heard', () => {
    expect(edgeOf({ all: [held(4), held(9)] })).toEqual({ kind: 'notReached', heldUnderPDb: 9, held: 2 });
    expect(edgeOf({ all: [seen()] })).toEqual({ kind: 'unknown' });
  });
  it('finds a known edge from tones that stop at all sorts of levels, within its own doubt', () => {
    const random = new SeededRandom(3);
    const errors = Array.from({ length: 60 }, () => {
      const truth = 4 + 10 * random.uniform();
      const all = Array.from({ length: 10 }, () => {
        const edge = truth + 3 * random.normal();
        const goal = 20 * random.uniform();
        return goal > edge ? broke(edge) : held(goal);
      });
      const edge = edgeOf({ all });
      return edge.kind === 'known' ? Math.abs(edge.underPDb - truth) / edge.uncertainty : 0;
    });
    expect(errors.filter((error) => error < 2).length).toBeGreaterThan(54);
  });
});

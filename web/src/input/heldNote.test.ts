import { HOP_S } from '@inner-hum/core/signal';
import { expect, it } from 'vitest';
import { heldNote } from './heldNote';

type Part = readonly [hz: number, lastsS: number];
const trace = (...parts: readonly Part[]) => {
  const f0Hz = Float32Array.from(parts.flatMap(([hz, lastsS]) => Array<number>(Math.round(lastsS / HOP_S)).fill(hz)));
  return { f0Hz, count: f0Hz.length };
};
const sharpBy = (cents: number) => 233 * 2 ** (cents / 1200);
const QUIET: Part = [0, 0.5];

it.each([
  ['the note, after quiet', [QUIET, [233, 0.7]], 0],
  ['the other note', [QUIET, [311, 0.7]], 1],
  ['the note well off its pitch', [QUIET, [sharpBy(55), 0.7]], 0],
  ['a neighbour', [QUIET, [sharpBy(100), 0.7]], undefined],
  ['its octave', [QUIET, [466, 0.7]], undefined],
  ['too short', [QUIET, [233, 0.5]], undefined],
  ['what has rung all along', [[233, 3]], undefined],
  ['a run over the note', [QUIET, [220, 0.2], [233, 0.3], [247, 0.3]], undefined],
  ['broken in its middle', [QUIET, [233, 0.4], [0, 0.05], [233, 0.4]], undefined],
] as const satisfies readonly (readonly [string, readonly Part[], number | undefined])[])('%s', (_, parts, wanted) =>
  expect(heldNote(trace(...parts), [233, 311], 0)).toBe(wanted),
);

it('hears nothing of what came before it listened', () =>
  expect(heldNote(trace(QUIET, [233, 0.7]), [233], 30)).toBeUndefined());

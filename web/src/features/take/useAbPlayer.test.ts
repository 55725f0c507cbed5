// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import { useAbPlayer } from './useAbPlayer';

/** Players that were made, each with what became of it. */
const made: { readonly calls: string[] }[] = vi.hoisted(() => []);
vi.mock('./abPlayer', () => ({
  AbPlayer: class {
    readonly calls: string[] = [];
    constructor() {
      made.push(this);
    }
    start = () => Promise.resolve(void this.calls.push('start'));
    hear = (side: string) => void this.calls.push(side);
    close = () => void this.calls.push('close');
  },
}));

type Wanted = Parameters<typeof useAbPlayer>[0];
const sound = { sampleRateHz: 44_100, samples: new Float32Array(8) };
const two: NonNullable<Wanted> = [sound, sound, { fromS: 0, toS: 1, half: false }];
const shown = (wanted: Wanted) =>
  renderHook(({ wanted: now, heard }: { wanted: Wanted; heard: 'a' | 'b' }) => useAbPlayer(now, heard), {
    initialProps: { wanted, heard: 'a' },
  });
const loaded = () => act(() => vi.dynamicImportSettled());
beforeEach(() => void made.splice(0));

it('plays what is wanted, switched as one likes, until it is not wanted any more', async () => {
  const { rerender } = shown(two);
  await loaded();
  expect(made[0]!.calls).toEqual(['start', 'a']);
  rerender({ wanted: two, heard: 'b' });
  rerender({ wanted: undefined, heard: 'b' });
  expect(made.map(({ calls }) => calls)).toEqual([['start', 'a', 'b', 'close']]);
});

it('plays nothing that was called off before it was there, and the side that was chosen meanwhile', async () => {
  const { rerender } = shown(two);
  rerender({ wanted: undefined, heard: 'a' });
  await loaded();
  expect(made).toEqual([]);
  const again: Wanted = [...two];
  rerender({ wanted: again, heard: 'a' });
  rerender({ wanted: again, heard: 'b' });
  await loaded();
  expect(made.map(({ calls }) => calls)).toEqual([['start', 'b']]);
});

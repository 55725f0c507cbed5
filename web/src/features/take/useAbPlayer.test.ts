// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import { store } from '../../store';
import { useAbPlayer } from './useAbPlayer';

/** Players that were made, each with what became of it. */
const made: { readonly calls: string[] }[] = vi.hoisted(() => []);
const can = vi.hoisted(() => ({ play: true, wake: true }));
vi.mock('./abPlayer', () => ({
  AbPlayer: class {
    readonly calls: string[] = [];
    constructor() {
      made.push(this);
    }
    private closed: (error: Error) => void = () => undefined;
    start = () => {
      // One that is closed while its sound wakes fails, as in a browser.
      if (!can.wake) return new Promise<void>((_, reject) => (this.closed = reject));
      return can.play ? Promise.resolve(void this.calls.push('start')) : Promise.reject(new Error('no sound'));
    };
    hear = (side: string) => void this.calls.push(side);
    close = () => {
      this.calls.push('close');
      this.closed(new Error('closed before it could wake'));
    };
  },
}));

type Wanted = Parameters<typeof useAbPlayer>[0];
const sound = { sampleRateHz: 44_100, samples: new Float32Array(8) };
const two: NonNullable<Wanted> = [sound, sound, { fromS: 0, toS: 1, half: false }];
const callOff = vi.fn();
const shown = (wanted: Wanted) =>
  renderHook(({ wanted: now, heard }: { wanted: Wanted; heard: 'a' | 'b' }) => useAbPlayer(now, heard, callOff), {
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

it('what was called off while its sound woke is no failure', async () => {
  const before = store.getState().notices.current;
  can.wake = false;
  const { rerender } = shown(two);
  await loaded();
  rerender({ wanted: undefined, heard: 'a' });
  await loaded();
  can.wake = true;
  expect(made.map(({ calls }) => calls)).toEqual([['a', 'close']]);
  expect(store.getState().notices.current).toBe(before);
  expect(callOff).not.toHaveBeenCalled();
});

it('calls off what can’t be played, and says so', async () => {
  can.play = false;
  shown(two);
  await loaded();
  expect(callOff).toHaveBeenCalledWith(undefined);
  expect(store.getState().notices.current).toMatchObject({ key: 'app.wentWrong', values: { detail: 'no sound' } });
});

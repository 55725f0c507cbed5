// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { AudioInput } from '../input/audioInput';
import { Ear } from '../input/ear';
import { store } from '../store';
import { cameToNothing, isBusy, moved, stopAsked, takeAsked } from '../store/practice';
import { givenUpSignal, GivenUp, orGivenUp, until } from './until';

/** An input whose clock goes on with the wall clock until it is stopped, and whose ear hears until it is deaf. */
function madeInput() {
  const state = { stands: false, deaf: false, microphone: 'live' as AudioInput['microphone'] };
  const fromMs = performance.now();
  let timeS = 0;
  const input = {
    context: {
      get currentTime() {
        return (timeS = state.stands ? timeS : (performance.now() - fromMs) / 1000);
      },
    },
    trace: {
      count: 0,
    },
    get microphone() {
      if (!state.deaf) input.trace.count++;
      return state.microphone;
    },
  };
  return { input: input as unknown as AudioInput, state };
}

/** A worker that takes questions and never answers. */
class Silent extends EventTarget {
  postMessage() {}
  terminate() {}
}

const ear = new Ear(() => new Silent() as unknown as Worker);
const problem = () => store.getState().practice.problem;
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
  store.dispatch(takeAsked());
  store.dispatch(moved('countIn'));
});
afterEach(() => {
  ear.replace();
  if (isBusy(store.getState().practice)) store.dispatch(cameToNothing(null));
  vi.restoreAllMocks();
  vi.useRealTimers();
});

describe('waiting on the audio clock', () => {
  it('ends when what is waited for has come, or the player stops', async () => {
    const { input } = madeInput();
    let done = false;
    const waited = until({ ear }, input, () => done);
    await vi.advanceTimersByTimeAsync(5000);
    done = true;
    await vi.advanceTimersByTimeAsync(20);
    await waited;
    const stopped = until({ ear }, input, () => false);
    store.dispatch(stopAsked());
    await vi.advanceTimersByTimeAsync(20);
    await stopped;
    expect(problem()).toBeNull();
  });

  it.each([
    ['a clock that stands still', 'suspended', { stands: true }],
    ['a microphone that has gone', 'unplugged', { microphone: 'ended' }],
    ['an ear that neither hears nor answers', 'earDead', { deaf: true }],
  ] as const)('%s is trouble', async (_, told, change) => {
    const { input, state } = madeInput();
    const waited = until({ ear }, input, () => false);
    await vi.advanceTimersByTimeAsync(1000);
    expect(problem()).toBeNull();
    Object.assign(state, change);
    await vi.advanceTimersByTimeAsync(5000);
    await waited;
    expect(problem()).toBe(told);
  });

  it.each([
    ['the clock', { stands: true }],
    ['what was heard', { deaf: true }],
  ] as const)('a page that was held up itself, and then finds %s as it was, has no trouble', async (_, late) => {
    const now = performance.now.bind(performance);
    let heldUpMs = 0;
    vi.spyOn(performance, 'now').mockImplementation(() => now() + heldUpMs);
    const { input, state } = madeInput();
    const waited = until({ ear }, input, () => false);
    await vi.advanceTimersByTimeAsync(1000);
    // What comes meanwhile is told after the page has looked again.
    Object.assign(state, late);
    await vi.advanceTimersByTimeAsync(50);
    heldUpMs = 4000;
    await vi.advanceTimersByTimeAsync(50);
    Object.assign(state, { stands: false, deaf: false });
    await vi.advanceTimersByTimeAsync(5000);
    expect(problem()).toBeNull();
    store.dispatch(stopAsked());
    await vi.advanceTimersByTimeAsync(20);
    await waited;
  });

  it('an answer about a take that is over does not end the next one', async () => {
    const { input, state } = madeInput();
    state.deaf = true;
    const waited = until({ ear }, input, () => false);
    // The ear has been asked, and has not answered yet.
    await vi.advanceTimersByTimeAsync(3000);
    store.dispatch(stopAsked());
    await vi.advanceTimersByTimeAsync(20);
    await waited;
    store.dispatch(cameToNothing(null));
    store.dispatch(takeAsked());
    await vi.advanceTimersByTimeAsync(3000);
    expect(store.getState().practice).toMatchObject({ phase: 'opening', ending: null, problem: null });
  });
});

it('what the player gives up is not waited for', async () => {
  store.dispatch(cameToNothing(null));
  store.dispatch(takeAsked());
  const { signal, end } = givenUpSignal();
  const asked = orGivenUp(new Promise<never>(() => undefined), signal);
  expect(await orGivenUp(Promise.resolve(7), signal)).toBe(7);
  store.dispatch(stopAsked());
  await expect(asked).rejects.toThrow(GivenUp);
  await expect(orGivenUp(new Promise<never>(() => undefined), signal)).rejects.toThrow(GivenUp);
  end();
});

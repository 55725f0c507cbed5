// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { store } from '../../store';
import { noticeDismissed } from '../../store/notices';
import { cameToNothing, takeAsked } from '../../store/practice';
import { registerOffline, updateNow } from './update';

/** A service worker container as a browser has it, with a version that waits or one that comes. */
function browserWith(registration: object, controller: object | null): EventTarget {
  const container = Object.assign(new EventTarget(), { controller, register: () => Promise.resolve(registration) });
  vi.stubGlobal('navigator', { serviceWorker: container });
  return container;
}
const registrationWith = (waiting: object | null) => Object.assign(new EventTarget(), { waiting, installing: null });
const offered = () => store.getState().notices.current?.update;
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  while (store.getState().notices.current) store.dispatch(noticeDismissed());
});

describe('a version that waits', () => {
  const reload = vi.fn();
  const waiting = { postMessage: vi.fn() };
  const unregister = vi.fn(() => Promise.resolve(true));
  const registration = Object.assign(registrationWith(null), { unregister });
  let container: EventTarget;
  beforeEach(async () => {
    vi.clearAllMocks();
    vi.useFakeTimers();
    Object.assign(registration, { waiting });
    container = browserWith(registration, {});
    vi.stubGlobal('location', { reload });
    await registerOffline();
  });

  it('is offered, and comes only when the player says so', async () => {
    expect(offered()).toBe(true);
    expect(waiting.postMessage).not.toHaveBeenCalled();
    const gone = updateNow();
    expect(waiting.postMessage).toHaveBeenCalledWith({ type: 'SKIP_WAITING' });
    expect(reload).not.toHaveBeenCalled();
    container.dispatchEvent(new Event('controllerchange'));
    await gone;
    expect(reload).toHaveBeenCalledOnce();
    expect(unregister).not.toHaveBeenCalled();
  });

  it('comes without a word to it where another window has gone over already', async () => {
    Object.assign(registration, { waiting: null });
    await updateNow();
    expect(waiting.postMessage).not.toHaveBeenCalled();
    expect(reload).toHaveBeenCalledOnce();
  });

  it.each([
    ['comes from the server where the browser does not let the old one go', true],
    ['stays offered where the server does not answer either', false],
  ])('%s', async (_, answers) => {
    vi.stubGlobal('fetch', () => (answers ? Promise.resolve({ ok: true }) : Promise.reject(new TypeError('offline'))));
    const gone = updateNow();
    await vi.advanceTimersByTimeAsync(10_000);
    await gone;
    expect(unregister).toHaveBeenCalledTimes(answers ? 1 : 0);
    expect(reload).toHaveBeenCalledTimes(answers ? 1 : 0);
    expect(offered()).toBe(true);
  });

  it.each([true, false])('lets a take that began meanwhile come to its end; the old one let go: %s', async (goes) => {
    vi.stubGlobal('fetch', () => Promise.resolve({ ok: true }));
    const gone = updateNow();
    store.dispatch(takeAsked());
    if (goes) container.dispatchEvent(new Event('controllerchange'));
    await vi.advanceTimersByTimeAsync(10_000);
    expect(unregister).not.toHaveBeenCalled();
    expect(reload).not.toHaveBeenCalled();
    store.dispatch(cameToNothing(null));
    await gone;
    expect(unregister).toHaveBeenCalledTimes(goes ? 0 : 1);
    expect(reload).toHaveBeenCalledOnce();
  });
});

it('one that arrives later is offered once it is installed; the first version of all is not', async () => {
  for (const [controller, expected] of [
    [{}, true],
    [null, undefined],
  ] as const) {
    store.dispatch(noticeDismissed());
    const registration = registrationWith(null);
    browserWith(registration, controller);
    await registerOffline();
    const fresh = Object.assign(new EventTarget(), { state: 'installing' });
    Object.assign(registration, { installing: fresh });
    registration.dispatchEvent(new Event('updatefound'));
    expect(offered()).toBeUndefined();
    fresh.state = 'installed';
    fresh.dispatchEvent(new Event('statechange'));
    expect(offered()).toBe(expected);
  }
});

it('one that was on its way before the page came up is offered as well', async () => {
  const fresh = Object.assign(new EventTarget(), { state: 'installing' });
  browserWith(Object.assign(registrationWith(null), { installing: fresh }), {});
  await registerOffline();
  expect(offered()).toBeUndefined();
  fresh.state = 'installed';
  fresh.dispatchEvent(new Event('statechange'));
  expect(offered()).toBe(true);
});

it('a browser without it works on', () => {
  vi.stubGlobal('navigator', {});
  return expect(registerOffline()).resolves.toBeUndefined();
});

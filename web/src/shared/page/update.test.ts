// @vitest-environment happy-dom
import { afterEach, expect, it, vi } from 'vitest';
import { store } from '../../store';
import { noticeDismissed } from '../../store/notices';
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
  vi.unstubAllGlobals();
  while (store.getState().notices.current) store.dispatch(noticeDismissed());
});

it('a version that waits is offered, and comes only when the player says so', async () => {
  const waiting = { postMessage: vi.fn() };
  const container = browserWith(registrationWith(waiting), {});
  const reload = vi.fn();
  vi.stubGlobal('location', { reload });
  await registerOffline();
  expect(offered()).toBe(true);
  expect(waiting.postMessage).not.toHaveBeenCalled();
  updateNow();
  expect(waiting.postMessage).toHaveBeenCalledWith({ type: 'SKIP_WAITING' });
  expect(reload).not.toHaveBeenCalled();
  container.dispatchEvent(new Event('controllerchange'));
  expect(reload).toHaveBeenCalledOnce();
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

import { HOME } from '../../base/home';
import { store } from '../../store';
import { noticed } from '../../store/notices';
import { once } from '../../store/once';
import { isIdle } from '../../store/practice';

/** A browser that does not let the old version go within this takes it to be at work still, milliseconds. */
const LETS_GO_MS = 5000;

let registration: ServiceWorkerRegistration | undefined;

/** Registers what makes the application work offline. A new version waits until the player goes over to it. */
export async function registerOffline(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const own = (registration = await navigator.serviceWorker.register(`${HOME}sw.js`));
  const offer = (worker: ServiceWorker | null) => {
    // Without a controller this is the first version here, not a new one.
    if (!worker || !navigator.serviceWorker.controller) return;
    store.dispatch(noticed({ key: 'app.updateReady', update: true }));
  };
  const offerOnceInstalled = (fresh: ServiceWorker | null) =>
    fresh?.addEventListener('statechange', () => fresh.state === 'installed' && offer(fresh));
  offer(own.waiting);
  // One that began to come before the page did tells of itself no more.
  offerOnceInstalled(own.installing);
  own.addEventListener('updatefound', () => offerOnceInstalled(own.installing));
}

/** Goes over to the version that waits, or that another window has gone over to. Where neither can be, it stays offered. */
export async function updateNow(): Promise<void> {
  const waiting = registration?.waiting;
  const isOver = !waiting || (await takesOver(waiting));
  // A take that began meanwhile is played to its end; until then nothing that works offline is given up.
  await once(({ practice }) => isIdle(practice) || undefined);
  if (isOver || (await letGo(registration!))) location.reload();
}

/** Tells the version that waits to take over; gives whether it did. */
function takesOver(waiting: ServiceWorker): Promise<boolean> {
  return new Promise((resolve) => {
    navigator.serviceWorker.addEventListener('controllerchange', () => resolve(true), { once: true });
    setTimeout(() => resolve(false), LETS_GO_MS);
    waiting.postMessage({ type: 'SKIP_WAITING' });
  });
}

/**
 * Has the next load come from the server, with what is kept for offline use registered anew by it: Chromium now and then
 * never ends its wait for the old version. Gives whether it may: not while the server does not answer. Never rejects.
 */
async function letGo(own: ServiceWorkerRegistration): Promise<boolean> {
  try {
    const { ok } = await fetch(`${HOME}sw.js`, { cache: 'no-store' });
    return ok && (await own.unregister());
  } catch {
    return false;
  }
}

import { HOME } from '../../base/home';
import { store } from '../../store';
import { noticed } from '../../store/notices';

let waiting: ServiceWorker | undefined;

/** Registers what makes the application work offline. A new version waits until the player goes over to it. */
export async function registerOffline(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const registration = await navigator.serviceWorker.register(`${HOME}sw.js`);
  const offer = (worker: ServiceWorker | null) => {
    // Without a controller this is the first version here, not a new one.
    if (!worker || !navigator.serviceWorker.controller) return;
    waiting = worker;
    store.dispatch(noticed({ key: 'app.updateReady', update: true }));
  };
  const offerOnceInstalled = (fresh: ServiceWorker | null) =>
    fresh?.addEventListener('statechange', () => fresh.state === 'installed' && offer(fresh));
  offer(registration.waiting);
  // One that began to come before the page did tells of itself no more.
  offerOnceInstalled(registration.installing);
  registration.addEventListener('updatefound', () => offerOnceInstalled(registration.installing));
}

/** Goes over to the version that waits. */
export function updateNow(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
  waiting?.postMessage({ type: 'SKIP_WAITING' });
}

import { useSyncExternalStore } from 'react';

/** What a browser gives that can put the application on the device (not all do). */
interface InstallOffer extends Event {
  prompt(): Promise<unknown>;
}

let offer: InstallOffer | undefined;
const listeners = new Set<() => void>();
const change = (to: InstallOffer | undefined) => {
  offer = to;
  for (const listener of listeners) listener();
};

/** Keeps the browser's offer for when the player wants it: the browser makes it once, soon after the page is there. */
export function keepInstallOffer(): void {
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    change(event as InstallOffer);
  });
  window.addEventListener('appinstalled', () => change(undefined));
}

/** What asks the browser to install the application; undefined where it can't be asked, or where it is installed. */
export function useInstall(): (() => Promise<void>) | undefined {
  const now = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    () => offer,
  );
  return (
    now &&
    (async () => {
      await now.prompt();
      // An offer can be used once.
      if (offer === now) change(undefined);
    })
  );
}

/** Whether the page runs as an application of its own. */
export const isInstalled = (): boolean => window.matchMedia('(display-mode: standalone)').matches;

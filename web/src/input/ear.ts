import { wrap, type Remote } from 'comlink';
import type { EarService } from './protocol';

let makeWorker = (): Worker => {
  throw new Error('no worker was given to the ear');
};
let service: Remote<EarService> | undefined;
let worker: Worker | undefined;
let onDeath: (() => void) | undefined;

/** Says how the ear's worker is made; it is made on first use. */
export function startEarWith(make: () => Worker): void {
  makeWorker = make;
}

/** `call` is told from now on, and no other, when the worker has died by itself. */
export function onEarDeath(call: () => void): void {
  onDeath = call;
}

/** The ear's worker, started on first use. */
export function earService(): Remote<EarService> {
  if (!worker) {
    const fresh = makeWorker();
    fresh.addEventListener('error', () => fresh === worker && onDeath?.());
    worker = fresh;
    service = wrap<EarService>(fresh);
  }
  return service!;
}

/** Ends the worker, whatever it is doing; the next use starts another. A sound input joined to it must be opened anew. */
export function replaceEar(): void {
  worker?.terminate();
  worker = undefined;
  service = undefined;
}

/** Whether the worker answers within a time, milliseconds. */
export async function earAnswers(withinMs: number): Promise<boolean> {
  const late = new Promise<boolean>((resolve) => setTimeout(() => resolve(false), withinMs));
  return Promise.race([earService().ping(), late]).catch(() => false);
}

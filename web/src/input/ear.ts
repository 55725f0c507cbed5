import type { Remote } from 'comlink';
import { WorkerService } from '../base/workerService';
import type { EarService } from './protocol';

let onDeath: (() => void) | undefined;
let ear = new WorkerService<EarService>(() => {
  throw new Error('no worker was given to the ear');
});

/** Says how the ear's worker is made; it is made on first use. */
export function startEarWith(make: () => Worker): void {
  ear = new WorkerService(make, () => onDeath?.());
}

/** `call` is told from now on, and no other, when the worker has died by itself. */
export function onEarDeath(call: () => void): void {
  onDeath = call;
}

/** The ear's worker, started on first use. */
export function earService(): Remote<EarService> {
  return ear.ask;
}

/** Ends the worker, whatever it is doing; the next use starts another. A sound input joined to it must be opened anew. */
export function replaceEar(): void {
  ear.end();
}

/** Whether the worker answers within a time, milliseconds. */
export async function earAnswers(withinMs: number): Promise<boolean> {
  const late = new Promise<boolean>((resolve) => setTimeout(() => resolve(false), withinMs));
  return Promise.race([earService().ping(), late]).catch(() => false);
}

import { wrap, type Remote } from 'comlink';
import type { CompareService } from './compare.worker';

let service: Remote<CompareService> | undefined;

/** The worker that compares lots of takes, started on first use. */
export function compareService(): Remote<CompareService> {
  service ??= wrap<CompareService>(new Worker(new URL('./compare.worker.ts', import.meta.url), { type: 'module' }));
  return service;
}

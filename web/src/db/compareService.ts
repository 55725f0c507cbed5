import { WorkerService } from '../base/workerService';
import type { CompareService } from './compare.worker';

const worker = new WorkerService<CompareService>(
  () => new Worker(new URL('./compare.worker.ts', import.meta.url), { type: 'module' }),
);

/** The worker that compares lots of takes, started on first use. */
export const compareService = () => worker.ask;

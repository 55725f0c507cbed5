import type { Remote } from 'comlink';
import { WorkerService } from '../base/workerService';
import type { EarService } from './protocol';

/** The ear in a worker of its own, started on first use. */
export class Ear {
  /** told, and no other, when the worker has died by itself */
  onDeath: (() => void) | undefined;
  private readonly worker: WorkerService<EarService>;

  /** @param make how the worker is made */
  constructor(make: () => Worker) {
    this.worker = new WorkerService(make, () => this.onDeath?.());
  }

  /** What it can be asked. Do not hold it: the next use may be of another worker. */
  get ask(): Remote<EarService> {
    return this.worker.ask;
  }

  /** Ends the worker, whatever it is doing; the next use starts another. A sound input joined to it must be opened anew. */
  replace(): void {
    this.worker.end();
  }

  /** Whether the worker answers within a time, milliseconds. */
  async answers(withinMs: number): Promise<boolean> {
    const late = new Promise<boolean>((resolve) => setTimeout(() => resolve(false), withinMs));
    return Promise.race([this.ask.ping(), late]).catch(() => false);
  }
}

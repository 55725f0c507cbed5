import { wrap, type Remote } from 'comlink';

/** A worker that ended, failed, or never loaded, with what was asked of it unanswered. */
export class WorkerEnded extends Error {}

/**
 * A worker and what it does when asked, started on first use. Every question is answered or rejected: with
 * {@link WorkerEnded} when the worker fails, never loads or is ended before it has answered.
 */
export class WorkerService<Service> {
  private running: { readonly worker: Worker; readonly remote: Remote<Service>; readonly die: () => void } | undefined;

  /**
   * @param make how the worker is made
   * @param onDeath told when it died by itself
   */
  constructor(
    private readonly make: () => Worker,
    private readonly onDeath?: () => void,
  ) {}

  /** What can be asked. Do not hold it: the next use may be of another worker. */
  get ask(): Remote<Service> {
    this.running ??= this.start();
    return this.running.remote;
  }

  /** Ends the worker, whatever it is doing; the next use starts another. */
  end(): void {
    const { running } = this;
    this.running = undefined;
    running?.worker.terminate();
    running?.die();
  }

  private start() {
    const worker = this.make();
    let die = (): void => undefined;
    const death = new Promise<never>((_, reject) => (die = () => reject(new WorkerEnded('the worker has ended'))));
    death.catch(() => undefined); // told by each question that is open
    worker.addEventListener('error', () => {
      if (this.running?.worker !== worker) return;
      this.end();
      this.onDeath?.();
    });
    return { worker, remote: mortal(wrap<Service>(worker), death), die };
  }
}

/** The same functions; each ends with the worker. */
function mortal<Service>(remote: Remote<Service>, death: Promise<never>): Remote<Service> {
  const functions = remote as Record<string, (...given: unknown[]) => Promise<unknown>>;
  return new Proxy({} as Remote<Service>, {
    get:
      (_, name: string) =>
      (...given: unknown[]) =>
        Promise.race([functions[name]!(...given), death]),
  });
}

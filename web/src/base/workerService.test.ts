import { expose } from 'comlink';
import { describe, expect, it } from 'vitest';
import { WorkerEnded, WorkerService } from './workerService';

interface Sums {
  add(a: number, b: number): number;
  never(): Promise<number>;
}

/** A worker as a pair of ports in this thread; `fail` is what a browser tells of one that died or never loaded. */
function madeWorker(answers: boolean) {
  const channel = new MessageChannel();
  const failure = new EventTarget();
  if (answers)
    expose({ add: (a: number, b: number) => a + b, never: () => new Promise(() => undefined) }, channel.port1);
  channel.port1.start();
  channel.port2.start();
  let ended = 0;
  const worker = {
    postMessage: channel.port2.postMessage.bind(channel.port2),
    addEventListener: (name: string, listener: EventListener) =>
      (name === 'error' ? failure : channel.port2).addEventListener(name, listener),
    removeEventListener: channel.port2.removeEventListener.bind(channel.port2),
    terminate: () => {
      ended++;
      channel.port1.close();
      channel.port2.close();
    },
  } as unknown as Worker;
  return { worker, fail: () => failure.dispatchEvent(new Event('error')), ended: () => ended };
}

describe('a worker', () => {
  it('is started on first use, and answers', async () => {
    let made = 0;
    const service = new WorkerService<Sums>(() => (made++, madeWorker(true).worker));
    expect(made).toBe(0);
    expect(await service.ask.add(1, 2)).toBe(3);
    expect(await service.ask.add(3, 4)).toBe(7);
    expect(made).toBe(1);
    service.end();
  });

  it('that is ended rejects what it was asked, and the next use starts another', async () => {
    const workers = [madeWorker(true), madeWorker(true)];
    let made = 0;
    const service = new WorkerService<Sums>(() => workers[made++]!.worker);
    const asked = service.ask.never();
    service.end();
    await expect(asked).rejects.toThrow(WorkerEnded);
    expect(workers[0]!.ended()).toBe(1);
    expect(await service.ask.add(5, 6)).toBe(11);
    service.end();
  });

  it('that never loads, or fails, rejects and is told once', async () => {
    const bad = madeWorker(false);
    let deaths = 0;
    const service = new WorkerService<Sums>(
      () => bad.worker,
      () => deaths++,
    );
    const asked = service.ask.add(1, 1);
    bad.fail();
    bad.fail();
    await expect(asked).rejects.toThrow(WorkerEnded);
    expect(deaths).toBe(1);
  });
});

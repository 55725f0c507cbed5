import { wrap, type Remote } from 'comlink';
import type { BackupService } from './backupFunctions';
import { storageNow } from './database';

let worker: Worker | undefined;
let service: Remote<BackupService> | undefined;

/** The worker that reads and writes backups, started on first use. What is only in this page's memory is done here. */
export function backupService(): Remote<BackupService> {
  if (storageNow().kind === 'memory') return hereOnly;
  if (!service) {
    worker = new Worker(new URL('./backup.worker.ts', import.meta.url), { type: 'module' });
    service = wrap<BackupService>(worker);
  }
  return service;
}

/** Ends what the worker is doing; nothing was changed by it. The next use starts another. */
export function stopBackup(): void {
  worker?.terminate();
  worker = undefined;
  service = undefined;
}

/** The same functions on this page, loaded when they are called. */
const hereOnly = new Proxy({} as Remote<BackupService>, {
  get:
    (_, name: keyof BackupService) =>
    async (...given: unknown[]) => {
      const { backupFunctions } = await import('./backupFunctions');
      return (backupFunctions[name] as (...args: unknown[]) => unknown)(...given);
    },
});

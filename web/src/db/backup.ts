import type { Remote } from 'comlink';
import { WorkerService } from '../base/workerService';
import type { BackupService } from './backupFunctions';
import { storageNow } from './database';

const worker = new WorkerService<BackupService>(
  () => new Worker(new URL('./backup.worker.ts', import.meta.url), { type: 'module' }),
);

/** The worker that reads and writes backups, started on first use. What is only in this page's memory is done here. */
export function backupService(): Remote<BackupService> {
  return storageNow().kind === 'memory' ? hereOnly : worker.ask;
}

/** Ends what the worker is doing; nothing was changed by it. The next use starts another. */
export function stopBackup(): void {
  worker.end();
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

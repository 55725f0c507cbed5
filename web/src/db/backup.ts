import { wrap, type Remote } from 'comlink';
import type { BackupService } from './backup.worker';

let service: Remote<BackupService> | undefined;

/** The worker that reads and writes backups, started on first use. */
export function backupService(): Remote<BackupService> {
  service ??= wrap<BackupService>(new Worker(new URL('./backup.worker.ts', import.meta.url), { type: 'module' }));
  return service;
}

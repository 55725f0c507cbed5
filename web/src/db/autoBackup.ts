import { withFreeLock, withLock } from '../base/plainOrigin';
import { backupService } from './backup';
import { database } from './database';
import type { Settings } from './settings/settings';

/** Where the chosen folder is kept, and when the last backup went there. */
const KEY = 'backupFolder';
const EVERY_MS = 86_400_000;
const FILE = 'inner-hum-backup.zip';
const LOCK = 'backup folder';

interface Folder {
  readonly handle: FileSystemDirectoryHandle;
  readonly lastMs: number;
}

/** Handles of browsers that can write to a folder; others lack these. */
interface Permitted extends FileSystemDirectoryHandle {
  queryPermission(options: { mode: 'readwrite' }): Promise<PermissionState>;
}
type Chooser = (options: { mode: 'readwrite' }) => Promise<FileSystemDirectoryHandle>;
const chooser = () => (window as unknown as { showDirectoryPicker?: Chooser }).showDirectoryPicker;

export function canChooseFolder(): boolean {
  return chooser() !== undefined;
}

/**
 * Asks for a folder and writes the first backup there; its name, or undefined when the player thought better of it.
 * @throws whatever kept the backup from being written
 */
export async function chooseFolder(settings: Settings): Promise<string | undefined> {
  let handle: FileSystemDirectoryHandle;
  try {
    handle = await chooser()!({ mode: 'readwrite' });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined;
    throw error;
  }
  await withLock(LOCK, () => write(handle, settings));
  return handle.name;
}

/** Name of the chosen folder, when there is one. */
export async function folderName(): Promise<string | undefined> {
  return (await chosen())?.handle.name;
}

/** Writes the day's backup when a folder is chosen, may be written to, and the last one is a day old. */
export async function backUpWhenDue(settings: Settings): Promise<void> {
  // One at a time: another page may be at it.
  await withFreeLock(LOCK, async () => {
    const folder = await chosen();
    // A last one that is still to come was written by a clock that was ahead.
    if (!folder || Math.abs(Date.now() - folder.lastMs) < EVERY_MS) return;
    if ((await (folder.handle as Permitted).queryPermission({ mode: 'readwrite' })) !== 'granted') return;
    await write(folder.handle, settings);
  });
}

async function chosen(): Promise<Folder | undefined> {
  return (await database.settings.get(KEY))?.value as Folder | undefined;
}

async function write(handle: FileSystemDirectoryHandle, settings: Settings): Promise<void> {
  const blob = await backupService().zip(new Date().toISOString(), settings);
  const file = await handle.getFileHandle(FILE, { create: true });
  const out = await file.createWritable();
  await out.write(blob);
  await out.close();
  await database.settings.put({ name: KEY, value: { handle, lastMs: Date.now() } satisfies Folder });
}

import { Zip, zipSync, type ZipInputFile } from 'fflate';
import { backupFrom, headOf, refusedFile, type BackupResult, type KeptRecording } from './backup';
import { shelfFilesOf, shelfIn } from './shelfFiles';
import type { WholeTake } from '@inner-hum/core/take';
import { filesOf, json, packed, parsed, partsIn, recordsIn, unzipped, type PackedFile } from './takeFiles';

/** Name of the head inside the zip; for each take its files follow, then those of recordings to learn from. */
const HEAD = 'backup.json';

/** A zip with all takes: records as JSON, frames packed, sound as WAV; for what fits into memory. */
export function writeBackupZip(takes: readonly WholeTake[], savedAt: string, settings?: unknown): Uint8Array {
  const files: Record<string, Uint8Array> = { [HEAD]: json(headOf(savedAt, settings)) };
  for (const take of takes) for (const [name, bytes] of filesOf(take)) files[name] = bytes;
  return zipSync(files, { level: 9 });
}

/**
 * The same zip in pieces, for any number of takes: call `add` with each as {@link packedTake} gives it, then `end` once;
 * `onPiece` gets the bytes in order and must copy what it keeps.
 */
export function backupZipStream(savedAt: string, settings: unknown, onPiece: (bytes: Uint8Array) => void) {
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    onPiece(bytes);
  });
  const add = (files: readonly PackedFile[]) => {
    for (const { bytes, ...about } of files) {
      const file: ZipInputFile = about;
      zip.add(file);
      file.ondata!(null, bytes, true);
    }
  };
  add([packed(HEAD, json(headOf(savedAt, settings)))]);
  return {
    add,
    addRecording: (kept: KeptRecording) => add(shelfFilesOf(kept).map(([name, bytes]) => packed(name, bytes))),
    end: () => zip.end(),
  };
}

/** Whether bytes begin as a zip does. */
export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b;
}

/** Reads a backup zip; what is damaged in it is treated as in a JSON backup. Sizes are checked before unpacking. */
export function readBackupZip(bytes: Uint8Array, onShare?: (share: number) => void): BackupResult {
  const files = unzipped(bytes);
  if (files.kind === 'refused') return files;
  const head = files.byName[HEAD];
  if (!head) return refusedFile('otherFile', '');
  const content = parsed(head);
  if (content instanceof Error) return refusedFile('notJson', content.message);
  if (typeof content !== 'object' || content === null) return refusedFile('otherFile', '');
  const read = backupFrom({ ...content, takes: recordsIn(files.byName) }, partsIn(files.byName), onShare);
  if (read.kind === 'refused') return read;
  const { shelf, aside } = shelfIn(files.byName);
  return { ...read, shelf, aside: [...read.aside, ...aside] };
}

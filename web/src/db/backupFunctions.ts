import {
  backupZipStream,
  isZip,
  measuresCsv,
  readBackup,
  readBackupZip,
  writeBackup,
  type BackupResult,
  type RefusedFile,
  type UnreadTake,
} from '@inner-hum/core/formats';
import { type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import type { NoteNameSystem } from '@inner-hum/core/theory';
import { database } from './database';
import { detailOf } from '../base/detailOf';
import { eachForBackup, mergeShelf } from './shelf';
import { rebuildTold } from './digests';
import { eachPacked } from './packFunctions';
import { hasTakes, mergeTakes, wholeTakes } from './takes';
import { weekFunctions } from './weekFunctions';

/** Takes are read from the database so many at a time. */
const AT_ONCE = 40;
/** How much of a restoring is reading and checking the file, as measured. */
const READ_SHARE = 0.6;
/** Of a backup so much is handed to the browser at once: it may keep it on the disk. */
const PART_BYTES = 4e6;

/** What came of a backup that was read. */
export type Restored =
  | {
      readonly kind: 'merged';
      readonly added: number;
      readonly alreadyHere: number;
      /** recordings to learn from that are new on the shelf */
      readonly toShelf: number;
      /** takes and recordings that could not be read */
      readonly aside: readonly UnreadTake[];
      /** the player's own, as they were stored; unchecked */
      readonly settings: unknown;
      /** whether nothing was played here before */
      readonly wasEmpty: boolean;
    }
  | RefusedFile
  | { readonly kind: 'refused'; readonly reason: 'storage'; readonly detail: string };

const backupIn = (bytes: Uint8Array, onShare?: (share: number) => void): BackupResult =>
  isZip(bytes) ? readBackupZip(bytes, onShare) : readBackup(new TextDecoder().decode(bytes), onShare);

export const backupFunctions = {
  ...weekFunctions,

  /** Reads a backup, zip or JSON; all of it or a refusal. */
  read: (bytes: Uint8Array<ArrayBuffer>): BackupResult => backupIn(bytes),

  /**
   * Reads a backup, zip or JSON, and puts what is new in it here: the takes that can be read all or none, and the recordings to
   * learn from. Its settings come back for the page to take.
   *
   * @param onShare told how far it is, 0–1
   */
  async restore(file: Blob, onShare?: (share: number) => void): Promise<Restored> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const backup = backupIn(bytes, (share) => onShare?.(READ_SHARE * share));
    if (backup.kind === 'refused') return backup;
    const wasEmpty = !(await hasTakes());
    let added: number;
    try {
      added = await mergeTakes(backup.takes, (share) => onShare?.(READ_SHARE + (1 - READ_SHARE) * share));
    } catch (error) {
      return { kind: 'refused', reason: 'storage', detail: detailOf(error) };
    }
    // The takes are here by now, whatever becomes of the recordings.
    const shelf = await mergeShelf(backup.shelf).catch((error: unknown) => ({ detail: detailOf(error) }));
    const [toShelf, failed] = typeof shelf === 'number' ? [shelf, []] : [0, [shelf]];
    const aside = [...backup.aside, ...failed];
    const alreadyHere = backup.takes.length - added;
    return { kind: 'merged', added, alreadyHere, toShelf, aside, settings: backup.settings, wasEmpty };
  },

  /** A zip of everything that is here, in pieces, so that the page goes on and memory stays small. */
  async zip(savedAt: string, settings: unknown): Promise<Blob> {
    const done: Blob[] = [];
    let pieces: Uint8Array<ArrayBuffer>[] = [];
    let size = 0;
    const stream = backupZipStream(savedAt, settings, (bytes) => {
      pieces.push(new Uint8Array(bytes));
      size += bytes.length;
      if (size < PART_BYTES) return;
      done.push(new Blob(pieces));
      [pieces, size] = [[], 0];
    });
    await eachPacked(await database.takes.orderBy('startedAt').primaryKeys(), stream.add);
    await eachForBackup((kept) => stream.addRecording(kept));
    stream.end();
    return new Blob([...done, ...pieces], { type: 'application/zip' });
  },

  /** The same as one JSON text. */
  async json(savedAt: string, settings: unknown): Promise<Blob> {
    const [head = '', tail = ''] = writeBackup([], savedAt, settings).split('"takes":[]');
    const parts: string[] = [`${head}"takes":[`];
    await eachTake((take) => {
      const text = writeBackup([take], savedAt);
      const from = text.indexOf('"takes":[') + '"takes":['.length;
      parts.push(`${parts.length > 1 ? ',' : ''}${text.slice(from, -']}'.length)}`);
    });
    parts.push(`]${tail}`);
    return new Blob(parts, { type: 'application/json' });
  },

  /** Makes all that takes tell anew. */
  rebuild: rebuildTold,

  /** The measures of all takes as CSV. */
  async measures(system: NoteNameSystem): Promise<Blob> {
    const parts: string[] = [measuresCsv([], system)];
    await eachRecord((records) => parts.push('\n', measuresCsv(records, system, false)));
    return new Blob(parts, { type: 'text/csv' });
  },
};

/** Gives records alone, without frames and sound. */
async function eachRecord(give: (records: readonly TakeRecord[]) => void): Promise<void> {
  const ids = await database.takes.orderBy('startedAt').primaryKeys();
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const records = await database.takes.bulkGet(ids.slice(i, i + AT_ONCE));
    give(records.flatMap((entry) => entry ?? []));
  }
}

/** Gives takes whole; while some are given the next are read. */
async function eachTake(give: (take: WholeTake) => void): Promise<void> {
  const ids = await database.takes.orderBy('startedAt').primaryKeys();
  const readFrom = (i: number) => wholeTakes(ids.slice(i, i + AT_ONCE));
  let next = readFrom(0);
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const takes = await next;
    next = readFrom(i + AT_ONCE);
    takes.forEach(give);
  }
}

export type BackupService = typeof backupFunctions;

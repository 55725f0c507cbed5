import {
  backupZipStream,
  isZip,
  measuresCsv,
  readBackup,
  readBackupZip,
  writeBackup,
  type BackupResult,
} from '@inner-hum/core/formats';
import { type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import type { NoteNameSystem } from '@inner-hum/core/theory';
import { database } from './database';
import { eachForBackup } from './shelf';
import { rebuildTold } from './digests';
import { eachPacked } from './packFunctions';
import { wholeTakes } from './takes';
import { weekFunctions } from './weekFunctions';

/** Takes are read from the database so many at a time. */
const AT_ONCE = 40;
/** Of a backup so much is handed to the browser at once: it may keep it on the disk. */
const PART_BYTES = 4e6;

export const backupFunctions = {
  ...weekFunctions,

  /** Reads a backup, zip or JSON; all of it or a refusal. */
  read(bytes: Uint8Array<ArrayBuffer>): BackupResult {
    return isZip(bytes) ? readBackupZip(bytes) : readBackup(new TextDecoder().decode(bytes));
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

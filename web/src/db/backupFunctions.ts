import {
  backupZipStream,
  isZip,
  measuresCsv,
  readBackup,
  readBackupZip,
  writeBackup,
  type BackupResult,
} from '@inner-hum/core/formats';
import { type TakeRecord } from '@inner-hum/core/take';
import type { NoteNameSystem } from '@inner-hum/core/theory';
import { database } from './database';
import { rebuildTold } from './digests';
import { wholeTake } from './takes';

/** Takes are read from the database so many at a time. */
const AT_ONCE = 40;

export const backupFunctions = {
  /** Reads a backup, zip or JSON; all of it or a refusal. */
  read(bytes: Uint8Array<ArrayBuffer>): BackupResult {
    return isZip(bytes) ? readBackupZip(bytes) : readBackup(new TextDecoder().decode(bytes));
  },

  /** A zip of everything that is here, in pieces, so that the page goes on and memory stays small. */
  async zip(savedAt: string, settings: unknown): Promise<Blob> {
    const parts: Uint8Array<ArrayBuffer>[] = [];
    const stream = backupZipStream(savedAt, settings, (bytes) => parts.push(new Uint8Array(bytes)));
    await eachTake((take) => stream.add(take));
    stream.end();
    return new Blob(parts, { type: 'application/zip' });
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

async function eachTake(give: (take: NonNullable<Awaited<ReturnType<typeof wholeTake>>>) => void): Promise<void> {
  const ids = await database.takes.orderBy('startedAt').primaryKeys();
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const whole = await Promise.all(ids.slice(i, i + AT_ONCE).map(wholeTake));
    for (const take of whole) if (take) give(take);
  }
}

export type BackupService = typeof backupFunctions;

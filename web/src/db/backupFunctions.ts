import {
  backupZipStream,
  isZip,
  measuresCsv,
  readBackup,
  readBackupZip,
  readWeek,
  recordToGive,
  writeBackup,
  writeWeek,
  type BackupResult,
  type StudentWeek,
  type UnreadTake,
  type WeekResult,
} from '@inner-hum/core/formats';
import { type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import type { NoteNameSystem } from '@inner-hum/core/theory';
import { addDays } from 'date-fns';
import { dayOf, whenOf } from '../base/days';
import { database } from './database';
import { rebuildTold } from './digests';
import { findDigests } from './search';
import { keepWeek } from './students';
import { wholeTakes } from './takes';

/** Takes are read from the database so many at a time. */
const AT_ONCE = 40;
/** Of a backup so much is handed to the browser at once: it may keep it on the disk. */
const PART_BYTES = 4e6;

export const backupFunctions = {
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
    await eachTake((take) => stream.add(take));
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

  /** The file of some days as far as their student gives them. */
  async week({ practised, notes, takeIds, sound, ...head }: WeekAsked): Promise<Blob> {
    const ofDays = { tags: [], since: head.from, before: dayOf(addDays(new Date(`${head.to}T12:00`), 1)) };
    const digests = await findDigests(ofDays);
    const records = (await database.takes.bulkGet(digests.map(({ takeId }) => takeId))).flatMap((take) => take ?? []);
    const given = await wholeTakes(takeIds);
    const bytes = writeWeek({
      ...head,
      digests: practised ? digests : [],
      notes: notes
        ? records.flatMap(({ id, startedAt, note }) =>
            note.trim() ? [{ takeId: id, day: whenOf(startedAt).day, text: note }] : [],
          )
        : [],
      takes: given.map(({ record, frames, sound: kept }) => ({
        record: recordToGive(record, notes),
        frames,
        ...(sound && kept && { sound: kept }),
      })),
    });
    return new Blob([bytes], { type: 'application/zip' });
  },

  /** Reads a student's week and keeps it beside what is known of the student; all of it or a refusal. */
  async openWeek(bytes: Uint8Array<ArrayBuffer>): Promise<WeekOpened> {
    const read = readWeek(bytes);
    if (read.kind === 'refused') return read;
    await keepWeek(read.week);
    const { student, to } = read.week;
    const { name = student.name } = (await database.students.get(student.id)) ?? {};
    return { kind: 'kept', name, signed: student.name, until: to, aside: read.aside };
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

/** Which days of a student are given, and what of them. */
export interface WeekAsked extends Pick<StudentWeek, 'student' | 'savedAt' | 'from' | 'to'> {
  readonly practised: boolean;
  readonly notes: boolean;
  readonly takeIds: readonly string[];
  /** whether the takes are given with what was kept of their sound */
  readonly sound: boolean;
}

export type WeekOpened =
  /** `name` as the teacher knows the student, `signed` as the week is; `until` is the last day it tells of, yyyy-mm-dd */
  | {
      readonly kind: 'kept';
      readonly name: string;
      readonly signed: string;
      readonly until: string;
      readonly aside: readonly UnreadTake[];
    }
  | Extract<WeekResult, { kind: 'refused' }>;

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

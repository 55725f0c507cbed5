import type { TakePlan, TakeRecord, WholeTake } from '@inner-hum/core/take';
import type { Cell, Digest, Milestone, ReedUse, TonesOfDay } from '@inner-hum/core/history';
import type { Target } from '@inner-hum/core/lesson';
import type { Glance } from '@inner-hum/core/map';
import type { StudentNote } from '@inner-hum/core/formats';
import { Dexie, type DexieOptions, type EntityTable, type Table, type Transaction } from 'dexie';
import { guardDerived, rebuildDerived } from './derived';
import { detailOf } from '../base/detailOf';
import { listsApart, type EntryRow } from './settings/entries';
import { migrateRecords, migrateTakes } from './migrateRows';

interface FramesRow {
  readonly takeId: string;
  /** as made by packFrames */
  readonly bytes: Uint8Array<ArrayBuffer>;
}

interface SoundRow {
  readonly takeId: string;
  readonly sampleRateHz: number;
  readonly samples: Int16Array<ArrayBuffer>;
}

/** A take in the making: enough to analyse what was heard if the page is closed before the take ends. */
export interface DraftRow {
  readonly takeId: string;
  readonly sampleRateHz: number;
  /** the record without what only the analysis gives, as JSON-like data */
  readonly plan: DraftPlan;
}

export type DraftPlan = TakePlan & {
  /** null until the first beat has come */
  readonly firstBeatS: number | null;
  /** whether the player wants its sound kept; left out by older versions */
  readonly keepSound?: boolean;
  /** whether it was played to its end; left out by older versions */
  readonly whole?: boolean;
};

interface DraftPieceRow {
  readonly id?: number;
  readonly takeId: string;
  readonly samples: Int16Array<ArrayBuffer>;
}

/** A deleted take as its rows were, whatever state they were in. */
export interface BinRow {
  readonly takeId: string;
  readonly deletedAtMs: number;
  readonly record: TakeRecord;
  readonly frames?: FramesRow;
  readonly sound?: SoundRow;
}

/** A student whose weeks were opened here, as seen beside the others. */
export interface StudentRow {
  readonly id: string;
  readonly name: string;
  /** the last day of which something is known, yyyy-mm-dd */
  readonly until: string;
  /** when the newest week that was opened was written, ISO 8601; left out by older versions */
  readonly savedAt?: string;
  readonly glance: Glance;
  readonly notes: readonly StudentNote[];
  /** what the student works on, by the newest week that tells of it */
  readonly targets?: readonly Target[];
}

/** What of a student's takes is known: digests, records, and frames with sound, each in a table of its own. */
export interface OfStudent {
  readonly studentId: string;
  readonly takeId: string;
  readonly startedAtMs: number;
}
export type StudentDigestRow = OfStudent & {
  readonly digest: Digest;
  /** when the week was written that told of it; left out by older versions */
  readonly savedAt?: string;
};
export type StudentTakeRow = OfStudent & { readonly record: TakeRecord };
export type StudentSoundRow = OfStudent & Pick<WholeTake, 'frames' | 'sound'>;

/** A recording to learn from, another's or an old one of one's own: in no log, map or backup. */
export interface ShelfRow {
  readonly id: string;
  readonly name: string;
  /** ISO 8601 */
  readonly addedAt: string;
  readonly lengthS: number;
  /** the part that is learnt from, seconds */
  readonly fromS: number;
  readonly toS: number;
  /** the player wants it in backups */
  readonly inBackup?: boolean;
}

/** Its sound, apart: a list needs none of it. */
export interface ShelfSoundRow {
  readonly id: string;
  readonly sampleRateHz: number;
  readonly samples: Int16Array<ArrayBuffer>;
}

interface SettingsRow {
  readonly name: string;
  readonly value: unknown;
}

/** All that lasts in this browser. What any published version left is opened, and brought up to today's. */
export class InnerHumDatabase extends Dexie {
  declare takes: EntityTable<TakeRecord, 'id'>;
  declare frames: EntityTable<FramesRow, 'takeId'>;
  declare sounds: EntityTable<SoundRow, 'takeId'>;
  declare drafts: EntityTable<DraftRow, 'takeId'>;
  declare draftPieces: EntityTable<DraftPieceRow, 'id'>;
  /** what maps, plans, trends and lists need of each take */
  declare digests: EntityTable<Digest, 'takeId'>;
  declare cells: EntityTable<Cell, 'key'>;
  /** what each day told of each quantity */
  declare tones: EntityTable<TonesOfDay, 'key'>;
  declare milestones: EntityTable<Milestone, 'key'>;
  /** what each reed did on each size of horn */
  declare reedUses: EntityTable<ReedUse, 'key'>;
  declare settings: EntityTable<SettingsRow, 'name'>;
  declare entries: EntityTable<EntryRow, 'id'>;

  /** deleted takes, until their time is over */
  declare bin: EntityTable<BinRow, 'takeId'>;

  /** what students gave: never mixed with the player's own */
  declare students: EntityTable<StudentRow, 'id'>;
  declare studentDigests: Table<StudentDigestRow, [string, string]>;
  declare studentTakes: Table<StudentTakeRow, [string, string]>;
  declare studentSounds: Table<StudentSoundRow, [string, string]>;

  declare shelf: EntityTable<ShelfRow, 'id'>;
  declare shelfSounds: EntityTable<ShelfSoundRow, 'id'>;

  /** whether what an older version left is being brought up */
  upgrading = false;

  constructor(options?: DexieOptions) {
    super('inner-hum', options);
    const ofStudent = '[studentId+takeId], [studentId+startedAtMs]';
    // One version alone, of whatever is older: Dexie reads the tables of each one anew for each that follows.
    this.version(VERSION)
      .stores({
        takes: 'id, startedAt, judgedBy',
        frames: 'takeId',
        sounds: 'takeId',
        drafts: 'takeId',
        draftPieces: '++id, takeId',
        digests: 'takeId, startedAtMs, setupKey, *tags',
        cells: 'key, instrumentId, setupKey',
        tones: 'key',
        milestones: 'key, takeId',
        reedUses: 'key, instrumentId',
        settings: 'name',
        entries: '++id, list',
        bin: 'takeId, deletedAtMs',
        students: 'id',
        studentDigests: ofStudent,
        studentTakes: ofStudent,
        studentSounds: ofStudent,
        shelf: 'id, addedAt',
        shelfSounds: 'id',
      })
      .upgrade((transaction) => {
        this.upgrading = true;
        return bringUp(transaction);
      });
    guardDerived(this);
  }
}

/** Raised whenever rows of before are no longer what is written today: {@link bringUp} then makes them so. */
const VERSION = 18;

/**
 * What any older version left, in today's form: takes, those of students and deleted ones too, say of what is measured since
 * that it was not measured then; lists of the settings have rows of their own; what takes tell is made anew.
 */
async function bringUp(transaction: Transaction): Promise<void> {
  await migrateTakes(transaction.table('takes'));
  for (const name of ['bin', 'studentTakes']) await migrateRecords(transaction.table(name));
  const { value, lists } = listsApart((await transaction.table('settings').get('settings'))?.value);
  if (lists.length > 0) {
    await transaction.table('entries').bulkAdd(lists);
    await transaction.table('settings').put({ name: 'settings', value });
  }
  await rebuildDerived(transaction);
}

/** The one database of this page or worker. */
export let database = new InnerHumDatabase();

/** A browser that has not opened its storage after this long does not let us have it, milliseconds. */
const OPEN_WITHIN_MS = 8000;

/** Whether what is played lasts, or is kept in memory until the page is closed because the browser gives no storage. */
export type Storage = { readonly kind: 'lasting' } | { readonly kind: 'memory'; readonly reason: string };
let storage: Storage = { kind: 'lasting' };
export const storageNow = () => storage;

/**
 * Opens it, or gives up when the browser does not answer. An upgrade is an answer, however long it takes: what is kept is
 * there, and whatever is played must go to it.
 */
async function openedInTime(opening: InnerHumDatabase): Promise<void> {
  const late = new Promise<never>((_, reject) =>
    setTimeout(() => !opening.upgrading && reject(new Error('no answer from the browser')), OPEN_WITHIN_MS),
  );
  await Promise.race([opening.open(), late]);
}

/** Opens the database; where the browser has none to give, one in memory takes its place. Call it before anything else. */
export async function openDatabase(): Promise<Storage> {
  const lasting = database;
  try {
    await openedInTime(lasting);
  } catch (error) {
    storage = { kind: 'memory', reason: detailOf(error) };
    const { indexedDB, IDBKeyRange } = await import('fake-indexeddb');
    database = new InnerHumDatabase({ indexedDB, IDBKeyRange });
    await database.open();
    // Another page may have held it up. What it answers after this is no matter of this page's start.
    lasting.open().then(
      () => tellLate(lasting),
      () => undefined,
    );
  }
  return storage;
}

let late: InnerHumDatabase | undefined;
const lateHeard = new Set<() => void>();
function tellLate(opened: InnerHumDatabase): void {
  late = opened;
  for (const tell of lateHeard) tell();
}

/** The storage that answered after all, while this page goes on in memory; undefined as long as it has not. */
export const lateStorage = () => late;
/** Tells when {@link lateStorage} changes; gives what ends it. */
export function onLateStorage(tell: () => void): () => void {
  lateHeard.add(tell);
  return () => void lateHeard.delete(tell);
}

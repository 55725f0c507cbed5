import { modernise } from '@inner-hum/core/formats/light';
import type { TakeRecord } from '@inner-hum/core/formats';
import {
  cellsFrom,
  digestOf,
  firstsOf,
  tonesAfter,
  type Cell,
  type Digest,
  type KeptFirst,
  type TonesOfDay,
} from '@inner-hum/core/plan';
import { Dexie, type EntityTable } from 'dexie';
import { whenOf } from '../shared/format';

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

export type DraftPlan = Pick<
  TakeRecord,
  'startedAt' | 'parameters' | 'score' | 'setup' | 'source' | 'audioPath' | 'onBeat' | 'cues'
> & { readonly firstBeatS: number | null };

interface DraftPieceRow {
  readonly id?: number;
  readonly takeId: string;
  readonly samples: Int16Array<ArrayBuffer>;
}

interface SettingsRow {
  readonly name: string;
  readonly value: unknown;
}

/** All that lasts in this browser. Version 1 is the first published layout. */
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
  declare firsts: EntityTable<KeptFirst, 'key'>;
  declare settings: EntityTable<SettingsRow, 'name'>;

  constructor() {
    super('inner-hum');
    this.version(1).stores({
      takes: 'id, startedAt',
      frames: 'takeId',
      sounds: 'takeId',
      drafts: 'takeId',
      draftPieces: '++id, takeId',
      settings: 'name',
    });
    this.version(6)
      .stores({
        digests: 'takeId, startedAtMs, setupKey, *tags',
        cells: 'key, instrumentId, setupKey',
        tones: 'key',
        firsts: 'key, takeId',
      })
      .upgrade(async (transaction) => {
        const digests: Digest[] = [];
        await transaction
          .table<TakeRecord>('takes')
          .each((take) => void digests.push(digestOf(take, whenOf(take.startedAt))));
        for (const [name, rows] of [
          ['digests', digests],
          ['cells', cellsFrom(digests).values()],
          ['tones', tonesAfter(digests).values()],
          ['firsts', firstsOf(digests).values()],
        ] as const) {
          await transaction.table(name).clear();
          await transaction.table(name).bulkPut([...rows]);
        }
      });
    for (const version of [2, 3, 4])
      this.version(version).upgrade((transaction) =>
        transaction
          .table<TakeRecord>('takes')
          .toCollection()
          .modify((_, row) => {
            row.value = modernise(row.value) as TakeRecord;
          }),
      );
  }
}

export const database = new InnerHumDatabase();

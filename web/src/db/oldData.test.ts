import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { readBackup } from '@inner-hum/core/formats';
import { unpackFrames } from '@inner-hum/core/take';
import { Dexie } from 'dexie';
import { beforeAll, describe, expect, it } from 'vitest';
import { database } from './database';
import { leftDraft } from './drafts';
import { loadSettings } from './settings/storedSettings';
import { studentTake } from './students';
import { mergeTakes, restoreTake, wholeTake } from './takes';

// What a version of the application left in a browser and in a file, as it wrote them: all of it must open here. They were
// written by version 10 of the database, by an alto player with a teacher and a student.

const fixture = (name: string) =>
  gunzipSync(readFileSync(new URL(`../testing/fixtures/${name}`, import.meta.url))).toString('utf8');

/** The tables of version 10. */
const TABLES = {
  takes: 'id, startedAt',
  frames: 'takeId',
  sounds: 'takeId',
  drafts: 'takeId',
  draftPieces: '++id, takeId',
  settings: 'name',
  digests: 'takeId, startedAtMs, setupKey, *tags',
  cells: 'key, instrumentId, setupKey',
  tones: 'key',
  milestones: 'key, takeId',
  bin: 'takeId, deletedAtMs',
  reedUses: 'key, instrumentId',
  students: 'id',
  studentDigests: '[studentId+takeId], [studentId+startedAtMs]',
  studentTakes: '[studentId+takeId], [studentId+startedAtMs]',
  studentSounds: '[studentId+takeId], [studentId+startedAtMs]',
};

/** Rows with their bytes and samples as they lay in the browser. */
function withBytes(_: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if ('bytes' in value && typeof value.bytes === 'string') return new Uint8Array(Buffer.from(value.bytes, 'base64'));
  if ('pcm16' in value && typeof value.pcm16 === 'string') {
    const bytes = new Uint8Array(Buffer.from(value.pcm16, 'base64'));
    return new Int16Array(bytes.buffer, 0, bytes.length / 2);
  }
  return value;
}

beforeAll(async () => {
  const { version, tables } = JSON.parse(fixture('database-10.json.gz'), withBytes) as {
    version: number;
    tables: Record<string, object[]>;
  };
  expect(Object.keys(tables).sort()).toEqual(Object.keys(TABLES).sort());
  const before = new Dexie('inner-hum');
  before.version(version).stores(TABLES);
  for (const [name, rows] of Object.entries(tables)) await before.table(name).bulkPut(rows);
  before.close();
});

describe('a database of version 10', () => {
  it('has its takes with frames, sound, note and remark, and what they tell', async () => {
    const take = (await wholeTake('old-1'))!;
    expect(take.record).toMatchObject({ note: 'Warm room.', lostMs: 12, setup: { reed: 'first' } });
    expect(take.record.remarks).toEqual([{ beat: 2, text: 'Let the air lead.', from: 'Ada' }]);
    expect(take.record.verdict.findings.length).toBeGreaterThan(0);
    const frames = unpackFrames(take.frames, take.record.frameCount);
    expect(frames.f0Hz.filter((hz) => hz > 0).length).toBeGreaterThan(150);
    expect(take.sound!.samples.length).toBeGreaterThan(2 * take.sound!.sampleRateHz);
    expect((await wholeTake('old-2'))!.sound).toBeUndefined();
    expect([await database.digests.count(), await database.reedUses.count()]).toEqual([2, 1]);
    expect(await database.cells.count()).toBeGreaterThan(2);
    expect(await database.digests.where('tags').equals('note:67').count()).toBe(2);
  });

  it('has what was deleted, and gives it back', async () => {
    expect(await database.bin.count()).toBe(1);
    expect(await restoreTake('old-3')).toBe(true);
    expect(await database.digests.count()).toBe(3);
  });

  it('has its settings with every list', async () => {
    const { settings, aside } = await loadSettings();
    expect(aside).toEqual([]);
    expect(settings).toMatchObject({
      a4Hz: 442,
      own: [{ name: 'Evening hold' }],
      goals: [{ kind: 'softLowEntry', midi: 58 }],
    });
    expect(settings.routines).toMatchObject([{ name: 'From the low end', from: 'Ada', days: [0, 3], must: true }]);
    expect(settings.remarks).toMatchObject([{ text: 'Good start.' }]);
    expect(settings.block).toHaveLength(1);
  });

  it('has its student and the draft of a take', async () => {
    expect(await database.students.get('s')).toMatchObject({ name: 'Mara', notes: [{ text: 'easy' }] });
    expect(await studentTake('s', 'old-2')).toMatchObject({ record: { id: 'old-2' } });
    const draft = (await leftDraft('draft-1'))!;
    expect(draft.samples).toHaveLength(70_000);
    expect(draft.draft.plan.score.steps).toHaveLength(1);
  });
});

it('a backup of that time is read whole, and adds nothing that is here', async () => {
  const read = readBackup(fixture('backup-2.json.gz'));
  if (read.kind !== 'read') throw new Error(read.detail);
  expect(read.aside).toEqual([]);
  expect(read.takes.map(({ record }) => record.id)).toEqual(['old-1', 'old-2', 'old-3']);
  expect(read.settings).toMatchObject({ a4Hz: 442, own: [{ name: 'Evening hold' }] });
  const digests = await database.digests.toArray();
  expect(await mergeTakes(read.takes)).toBe(0);
  expect(await database.digests.toArray()).toEqual(digests);
  // In an empty browser it brings everything.
  await Promise.all(database.tables.map((table) => table.clear()));
  expect(await mergeTakes(read.takes)).toBe(3);
  expect(await wholeTake('old-1')).toEqual(read.takes[0]);
});

import 'fake-indexeddb/auto';
import { digestOf } from '@inner-hum/core/history';
import type { StudentWeek } from '@inner-hum/core/formats';
import { beforeEach, describe, expect, it } from 'vitest';
import { whenOf } from '../base/days';
import { silentTake, toldTake } from '../testing/takes';
import { RESTING } from '@inner-hum/core/lesson/testTarget';
import { backupFunctions } from './backupFunctions';
import { database } from './database';
import { keepWeek, removeStudent, renameStudent, studentTake, studentTakes } from './students';
import { keepTake } from './takes';
import { changeNote, putRemarks } from './takeNotes';

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));

const digestOfTake = (id: string, day: number, cents: number) => {
  const { record } = toldTake(id, day, cents);
  return digestOf(record, whenOf(record.startedAt));
};
function week(change: Partial<StudentWeek> = {}): StudentWeek {
  const student = { id: 's', name: 'Mara' };
  const savedAt = '2026-03-08T20:00:00.000Z';
  return { student, savedAt, from: '2026-03-02', to: '2026-03-08', digests: [], notes: [], takes: [], ...change };
}

describe('what students give', () => {
  it('adds up over weeks, whatever their order, and stays apart from own takes', async () => {
    await keepWeek(week({ digests: [digestOfTake('b', 9, 8)], to: '2026-03-15', takes: [toldTake('b', 9, 8)] }));
    await keepWeek(week({ student: { id: 's', name: 'Mara B.' }, digests: [digestOfTake('a', 3, 8)] }));
    await keepWeek(week({ digests: [digestOfTake('a', 3, 8)], student: { id: 'other', name: 'Tom' } }));
    const mara = await database.students.get('s');
    // The teacher knows her under the name of the first week.
    expect(mara).toMatchObject({ name: 'Mara', until: '2026-03-15' });
    expect(mara!.glance.days.map(({ day }) => day)).toEqual(['2026-03-03', '2026-03-09']);
    expect(mara!.glance.notes.map(({ midi, of }) => [midi, of])).toEqual([[67, 2]]);
    const [from, to] = [Date.parse('2026-03-09T00:00Z'), Date.parse('2026-03-10T00:00Z')];
    expect((await studentTakes('s', from, to)).map(({ id }) => id)).toEqual(['b']);
    expect(await studentTakes('s', to, to + 1)).toEqual([]);
    expect(await studentTake('s', 'b')).toMatchObject({ record: { id: 'b' }, sound: { sampleRateHz: 44100 } });
    expect(await studentTake('s', 'a')).toBeUndefined();
    expect([await database.takes.count(), await database.digests.count()]).toEqual([0, 0]);
  });
  it('the same week opened twice is there once', async () => {
    const given = week({
      digests: [digestOfTake('a', 3, 8)],
      notes: [{ takeId: 'a', day: '2026-03-03', text: 'easy' }],
    });
    await keepWeek(given);
    await keepWeek(given);
    const mara = await database.students.get('s');
    expect(mara!.glance.days.map(({ takes }) => takes)).toEqual([1]);
    expect(mara!.notes).toHaveLength(1);
  });
  it('what is worked on is told by the newest week that tells of it', async () => {
    const told = async (targets: StudentWeek['targets'], savedAt: string) => {
      await keepWeek(week({ savedAt, ...(targets && { targets }) }));
      return (await database.students.get('s'))!.targets?.map(({ key }) => key);
    };
    expect(await told(undefined, '2026-03-01T20:00:00.000Z')).toBeUndefined();
    expect(await told([{ ...RESTING, key: 'new' }], '2026-03-08T20:00:00.000Z')).toEqual(['new']);
    expect(await told([{ ...RESTING, key: 'old' }], '2026-03-07T20:00:00.000Z')).toEqual(['new']);
    expect(await told(undefined, '2026-03-09T20:00:00.000Z')).toEqual(['new']);
  });
  it('of two weeks the one that was written later counts, in whatever order they are opened', async () => {
    const told = (cents: number, savedAt: string, text: string) =>
      week({
        savedAt,
        digests: [digestOfTake('a', 3, cents)],
        takes: [toldTake('a', 3, cents)],
        notes: [{ takeId: 'a', day: '2026-03-03', text }],
      });
    const [older, newer] = [
      told(8, '2026-03-08T20:00:00.000Z', 'first'),
      told(19, '2026-03-10T20:00:00.000Z', 'later'),
    ];
    for (const order of [
      [older, newer],
      [newer, older],
    ]) {
      await Promise.all(database.tables.map((table) => table.clear()));
      for (const opened of order) await keepWeek(opened);
      const [row] = await database.studentDigests.toArray();
      expect(row!.digest).toEqual(digestOfTake('a', 3, 19));
      expect((await database.students.get('s'))!.notes.map(({ text }) => text)).toEqual(['later']);
      expect(await database.students.get('s')).toMatchObject({ savedAt: newer!.savedAt });
    }
  });
  it('a week opened since a student was removed stays when the removal is undone', async () => {
    await keepWeek(
      week({ digests: [digestOfTake('a', 3, 8)], notes: [{ takeId: 'a', day: '2026-03-03', text: 'easy' }] }),
    );
    await renameStudent('s', 'Mara from Tuesday');
    const restore = await removeStudent('s');
    await keepWeek(week({ digests: [digestOfTake('b', 9, 8)], to: '2026-03-15' }));
    await restore!();
    const mara = await database.students.get('s');
    expect(mara).toMatchObject({ name: 'Mara from Tuesday', until: '2026-03-15' });
    expect(mara!.glance.days.map(({ day }) => day)).toEqual(['2026-03-03', '2026-03-09']);
    expect(mara!.notes).toHaveLength(1);
    expect(await database.studentDigests.count()).toBe(2);
  });
  it('a student who is removed comes back whole', async () => {
    await keepWeek(week({ digests: [digestOfTake('a', 3, 8)], takes: [toldTake('a', 3, 8)] }));
    await keepWeek(week({ student: { id: 't', name: 'Tom' }, digests: [digestOfTake('x', 3, 8)] }));
    const before = await Promise.all(database.tables.map((table) => table.toArray()));
    const restore = await removeStudent('s');
    expect((await database.students.toArray()).map(({ id }) => id)).toEqual(['t']);
    expect([await database.studentDigests.count(), await database.studentSounds.count()]).toEqual([1, 0]);
    await restore!();
    expect(await Promise.all(database.tables.map((table) => table.toArray()))).toEqual(before);
    expect(await removeStudent('nobody')).toBeUndefined();
  });
});

describe('a week as its student gives it', () => {
  const asked = {
    student: { id: 's', name: 'Mara' },
    savedAt: '2026-03-08T20:00:00.000Z',
    from: '2026-03-02',
    to: '2026-03-08',
    practised: false,
    notes: false,
    takeIds: [] as string[],
    sound: false,
    targets: [RESTING],
  };
  const opened = async (change: Partial<typeof asked>) => {
    const blob = await backupFunctions.week({ ...asked, ...change });
    await backupFunctions.openWeek(new Uint8Array(await blob.arrayBuffer()));
    const [student] = await database.students.toArray();
    return {
      days: student!.glance.days.length,
      notes: student!.notes.map(({ text }) => text),
      takes: (await database.studentTakes.toArray()).map(({ takeId, record }) => `${takeId} ${record.note}`),
      sounds: (await database.studentSounds.toArray()).filter(({ sound }) => sound).length,
      targets: student!.targets?.length,
    };
  };
  it.each([
    [{}, { days: 0, notes: [], takes: [], sounds: 0 }],
    [{ practised: true }, { days: 2, notes: [], takes: [], sounds: 0, targets: 1 }],
    [{ notes: true }, { days: 0, notes: ['mine'], takes: [], sounds: 0 }],
    [{ takeIds: ['a'] }, { days: 0, notes: [], takes: ['a '], sounds: 0 }],
    [
      { takeIds: ['a'], sound: true, notes: true },
      { days: 0, notes: ['mine'], takes: ['a mine'], sounds: 1 },
    ],
  ])('with %j ticked it holds that and nothing else', async (change, holds) => {
    await Promise.all([keepTake(silentTake('a', 3)), keepTake(toldTake('b', 5, 8)), keepTake(toldTake('c', 11, 8))]);
    await changeNote('a', 'mine');
    expect(await opened(change)).toEqual(holds);
  });
});

it('remarks are put on the takes that are here, each once', async () => {
  await keepTake(toldTake('a', 3, 8));
  const remarks = [
    { takeId: 'a', beat: 3, text: 'More air.' },
    { takeId: 'a', beat: 5, text: 'Here too.' },
    { takeId: 'gone', beat: 1, text: 'Lost.' },
  ];
  expect(await putRemarks({ from: 'Ada', remarks })).toBe(1);
  expect(await putRemarks({ from: 'Ada', remarks })).toBe(1);
  expect((await database.takes.get('a'))!.remarks).toEqual([
    { beat: 3, text: 'More air.', from: 'Ada' },
    { beat: 5, text: 'Here too.', from: 'Ada' },
  ]);
  expect(await putRemarks({ from: 'Ada' })).toBe(0);
});

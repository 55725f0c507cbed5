import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { digestOf } from '@inner-hum/core/history';
import type { WholeTake } from '@inner-hum/core/take';
import { expect, it } from 'vitest';
import { RESTING } from '@inner-hum/core/lesson/testTarget';
import { readBackup } from './backup';
import { readWeek, recordToGive, writeWeek, type StudentWeek } from './week';

const backup = readBackup(readFileSync(new URL('./fixtures/backup-1.json', import.meta.url), 'utf8'));
if (backup.kind !== 'read') throw new Error(backup.detail);
const take: WholeTake = { ...backup.takes[0]!, sound: { sampleRateHz: 22050, samples: Int16Array.from([1, -2, 3]) } };
const startedAtMs = Date.parse(take.record.startedAt);
const digest = digestOf(take.record, { startedAtMs, day: '2026-01-12' });
const week: StudentWeek = {
  student: { id: 'student-1', name: 'Mara' },
  savedAt: '2026-01-18T20:00:00.000Z',
  from: '2026-01-12',
  to: '2026-01-18',
  digests: [digest],
  notes: [{ takeId: take.record.id, day: '2026-01-12', text: 'felt easy '.repeat(1000) }],
  takes: [take],
};

it('a week is read as it was written', () => {
  expect(readWeek(writeWeek(week))).toEqual({ kind: 'read', week, aside: [] });
});

it('what a student works on is in it, and a target that is none is refused', () => {
  const targets = [RESTING, { ...RESTING, key: 'b', need: { ...RESTING.need, band: 'soft' as const } }];
  expect(readWeek(writeWeek({ ...week, targets }))).toEqual({ kind: 'read', week: { ...week, targets }, aside: [] });
  const wrong = { ...RESTING, state: 'dreams' } as never;
  expect(readWeek(writeWeek({ ...week, targets: [wrong] }))).toMatchObject({ kind: 'refused', reason: 'damaged' });
});

it('what is damaged in it is left aside and told, the rest is read', () => {
  const bad = { ...digest, startedAtMs: null, takeId: 'x' };
  const unknown = { ...digest, family: 'ofTomorrow', takeId: 'y' };
  const file = writeWeek({
    ...week,
    digests: [bad as never, digest, unknown],
    takes: [take, { ...take, record: { ...take.record, id: 'z', frameCount: 3 } }],
  });
  const read = readWeek(file);
  expect(read).toMatchObject({ kind: 'read', week: { digests: [digest], takes: [take] } });
  if (read.kind === 'read')
    expect(read.aside.map(({ detail }) => detail.split(':')[0])).toEqual([
      'digests[0]',
      'digests[2]',
      'takes[1].frames',
    ]);
});

const headed = (head: object) => zipSync({ 'week.json': strToU8(JSON.stringify(head)) });
const { takes, ...head } = { format: 'inner-hum-week', version: 1, ...week };
it.each([
  ['no zip', strToU8('{"format":"inner-hum-week"}'), 'otherFile', ''],
  ['a zip of something else', zipSync({ 'backup.json': strToU8('{}') }), 'otherFile', ''],
  ['a head that is no JSON', zipSync({ 'week.json': strToU8('{') }), 'otherFile', ''],
  ['a newer version', headed({ ...head, version: 2 }), 'newerVersion', '2'],
  ['no student', headed({ ...head, student: { id: 'a', name: '' } }), 'damaged', 'student.name is a required field'],
  ['a student named as a way up', headed({ ...head, student: { id: '..', name: 'Mara' } }), 'damaged', undefined],
  ['a day that is not in the calendar', headed({ ...head, from: '2026-02-30' }), 'damaged', undefined],
  ['a day that is none', headed({ ...head, from: 'Monday' }), 'damaged', undefined],
  ['endless numbers', headed({ ...head, more: 1e300 }), 'damaged', undefined],
])('%s is refused and says where', (_, bytes, reason, detail) => {
  expect(takes).toHaveLength(1);
  expect(readWeek(bytes)).toMatchObject({ kind: 'refused', reason, ...(detail !== undefined && { detail }) });
});

it('a record that is given names no device, and carries the note only when that is given too', () => {
  const record = { ...take.record, note: 'mine', source: { kind: 'microphone', label: 'On the desk' } } as const;
  expect(recordToGive(record, false)).toMatchObject({ note: '', source: { kind: 'microphone', label: '' } });
  expect(recordToGive(record, true)).toMatchObject({ note: 'mine', source: { label: '' } });
});

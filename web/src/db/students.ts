import { type Digest } from '@inner-hum/core/history';
import { glanceOf } from '@inner-hum/core/map';
import type { StudentWeek } from '@inner-hum/core/formats';
import type { WholeTake } from '@inner-hum/core/take';
import type { Table } from 'dexie';
import { database, type OfStudent, type StudentRow } from './database';

const ALWAYS = [-Infinity, Infinity] as const;

/** The tables that hold what students gave. */
function studentTables() {
  const { students, studentDigests, studentTakes, studentSounds } = database;
  return [students, studentDigests, studentTakes, studentSounds] as const;
}

/**
 * Keeps a week beside what is known of its student. Of what two weeks hold the one that was written later counts, in
 * whatever order they are opened; the student keeps the name that the teacher knows.
 */
export async function keepWeek({
  student,
  savedAt,
  to,
  digests,
  notes,
  takes,
  targets: given,
}: StudentWeek): Promise<void> {
  const { students, studentDigests, studentTakes, studentSounds } = database;
  const studentId = student.id;
  await database.transaction('rw', studentTables(), async () => {
    const here = await studentDigests
      .where('[studentId+startedAtMs]')
      .between(...spanOf(studentId))
      .toArray();
    const older = new Set(here.filter((row) => (row.savedAt ?? '') <= savedAt).map((row) => row.takeId));
    const known = new Set(here.map((row) => row.takeId));
    const counts = (takeId: string) => older.has(takeId) || !known.has(takeId);
    await studentDigests.bulkPut(
      digests
        .filter(({ takeId }) => counts(takeId))
        .map((digest) => ({ studentId, takeId: digest.takeId, startedAtMs: digest.startedAtMs, savedAt, digest })),
    );
    // A newer week may have left out the sound that an older one has.
    const sounds = new Set(
      (
        await studentSounds
          .where('[studentId+startedAtMs]')
          .between(...spanOf(studentId))
          .primaryKeys()
      ).map(([, takeId]) => takeId),
    );
    const wanted = takes.filter(({ record }) => counts(record.id) || !sounds.has(record.id));
    const of = ({ record }: WholeTake): OfStudent => ({
      studentId,
      takeId: record.id,
      startedAtMs: Date.parse(record.startedAt),
    });
    await studentTakes.bulkPut(wanted.map((take) => ({ ...of(take), record: take.record })));
    await studentSounds.bulkPut(
      wanted.map((take) => ({ ...of(take), frames: take.frames, ...(take.sound && { sound: take.sound }) })),
    );
    const before = await students.get(studentId);
    const all = await studentDigests
      .where('[studentId+startedAtMs]')
      .between(...spanOf(studentId))
      .toArray();
    const latest = (before?.savedAt ?? '') <= savedAt;
    const inOrder = latest ? [...(before?.notes ?? []), ...notes] : [...notes, ...(before?.notes ?? [])];
    const targets = latest ? (given ?? before?.targets) : (before?.targets ?? given);
    const written = new Map(inOrder.map((note) => [note.takeId, note]));
    await students.put({
      ...student,
      ...(before && { name: before.name }),
      savedAt: latest ? savedAt : before!.savedAt!,
      until: before && before.until > to ? before.until : to,
      glance: glanceOf(all.map((row) => row.digest)),
      notes: [...written.values()],
      ...(targets && { targets }),
    });
  });
}

/** Keys of what a student gave between two moments, milliseconds since 1970. */
function spanOf(studentId: string, [fromMs, toMs]: readonly [number, number] = ALWAYS) {
  return [
    [studentId, fromMs],
    [studentId, toMs],
  ] as const;
}

/** Takes of a student between two moments, the oldest first. */
export async function studentTakes(studentId: string, fromMs: number, toMs: number) {
  const rows = await database.studentTakes
    .where('[studentId+startedAtMs]')
    .between(...spanOf(studentId, [fromMs, toMs]))
    .toArray();
  return rows.map((row) => row.record);
}

/** What a student's takes told up to a moment, milliseconds since 1970. */
export async function studentDigestsUpTo(studentId: string, toMs: number): Promise<Digest[]> {
  const rows = await database.studentDigests
    .where('[studentId+startedAtMs]')
    .between(...spanOf(studentId, [0, toMs]))
    .toArray();
  return rows.map(({ digest }) => digest);
}

/** A student's take with its frames and, where it was given, its sound; undefined when it is not here. */
export async function studentTake(studentId: string, takeId: string): Promise<WholeTake | undefined> {
  const key: [string, string] = [studentId, takeId];
  const [row, parts] = await Promise.all([database.studentTakes.get(key), database.studentSounds.get(key)]);
  return row && parts && { record: row.record, frames: parts.frames, ...(parts.sound && { sound: parts.sound }) };
}

/** Removes a student; gives what brings everything back, or undefined when there was none. */
export async function removeStudent(studentId: string): Promise<(() => Promise<void>) | undefined> {
  const { students, studentDigests, studentTakes: takes, studentSounds } = database;
  return database.transaction('rw', studentTables(), async () => {
    const student: StudentRow | undefined = await students.get(studentId);
    if (!student) return undefined;
    const rows = await Promise.all([
      studentDigests
        .where('[studentId+startedAtMs]')
        .between(...spanOf(studentId))
        .toArray(),
      takes
        .where('[studentId+startedAtMs]')
        .between(...spanOf(studentId))
        .toArray(),
      studentSounds
        .where('[studentId+startedAtMs]')
        .between(...spanOf(studentId))
        .toArray(),
    ]);
    await students.delete(studentId);
    for (const table of [studentDigests, takes, studentSounds])
      await table
        .where('[studentId+startedAtMs]')
        .between(...spanOf(studentId))
        .delete();
    return () =>
      database.transaction('rw', studentTables(), async () => {
        // What was opened since stays as it is; the rest comes back beside it.
        for (const [table, own] of [
          [studentDigests, rows[0]],
          [takes, rows[1]],
          [studentSounds, rows[2]],
        ] as const) {
          const here = new Set(
            (
              await table
                .where('[studentId+startedAtMs]')
                .between(...spanOf(studentId))
                .primaryKeys()
            ).map(([, takeId]) => takeId),
          );
          await (table as Table).bulkPut(own.filter((row) => !here.has(row.takeId)));
        }
        const since = await students.get(studentId);
        const notes = new Map([...student.notes, ...(since?.notes ?? [])].map((note) => [note.takeId, note]));
        const all = await studentDigests
          .where('[studentId+startedAtMs]')
          .between(...spanOf(studentId))
          .toArray();
        const until = since && since.until > student.until ? since.until : student.until;
        const glance = glanceOf(all.map((row) => row.digest));
        await students.put({ ...student, ...since, name: student.name, notes: [...notes.values()], until, glance });
      });
  });
}

/** Names a student as the teacher does. */
export async function renameStudent(studentId: string, name: string): Promise<void> {
  await database.students.update(studentId, { name });
}

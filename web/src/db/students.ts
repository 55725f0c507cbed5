import { glanceOf } from '@inner-hum/core/plan';
import type { StudentWeek } from '@inner-hum/core/formats';
import type { WholeTake } from '@inner-hum/core/take';
import { database, type OfStudent, type StudentRow } from './database';

const ALWAYS = [-Infinity, Infinity] as const;

/** The tables that hold what students gave. */
function studentTables() {
  const { students, studentDigests, studentTakes, studentSounds } = database;
  return [students, studentDigests, studentTakes, studentSounds] as const;
}

/** Keeps a week beside what is known of its student; what came before in another form gives way to the newer. */
export async function keepWeek({ student, to, digests, notes, takes }: StudentWeek): Promise<void> {
  const { students, studentDigests, studentTakes, studentSounds } = database;
  const studentId = student.id;
  await database.transaction('rw', studentTables(), async () => {
    await studentDigests.bulkPut(
      digests.map((digest) => ({ studentId, takeId: digest.takeId, startedAtMs: digest.startedAtMs, digest })),
    );
    const of = ({ record }: WholeTake): OfStudent => ({
      studentId,
      takeId: record.id,
      startedAtMs: Date.parse(record.startedAt),
    });
    await studentTakes.bulkPut(takes.map((take) => ({ ...of(take), record: take.record })));
    await studentSounds.bulkPut(
      takes.map((take) => ({ ...of(take), frames: take.frames, ...(take.sound && { sound: take.sound }) })),
    );
    const before = await students.get(studentId);
    const all = await studentDigests
      .where('[studentId+startedAtMs]')
      .between(...spanOf(studentId))
      .toArray();
    const written = new Map([...(before?.notes ?? []), ...notes].map((note) => [note.takeId, note]));
    await students.put({
      ...student,
      until: before && before.until > to ? before.until : to,
      glance: glanceOf(all.map((row) => row.digest)),
      notes: [...written.values()],
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
        await students.put(student);
        await studentDigests.bulkPut(rows[0]);
        await takes.bulkPut(rows[1]);
        await studentSounds.bulkPut(rows[2]);
      });
  });
}

import {
  readWeek,
  recordToGive,
  writeWeek,
  type StudentWeek,
  type UnreadTake,
  type WeekResult,
} from '@inner-hum/core/formats';
import type { Target } from '@inner-hum/core/lesson';
import { addDays } from 'date-fns';
import { dayOf, whenOf, noonOf } from '../base/days';
import { database } from './database';
import { findDigests } from './search';
import { keepWeek } from './students';
import { wholeTakes } from './takes';

/** What goes between a student and a teacher, written and read in a worker. */
export const weekFunctions = {
  /** The file of some days as far as their student gives them. */
  async week({ practised, notes, takeIds, sound, targets, ...head }: WeekAsked): Promise<Blob> {
    const ofDays = { tags: [], since: head.from, before: dayOf(addDays(noonOf(head.to), 1)) };
    const digests = await findDigests(ofDays);
    const records = (await database.takes.bulkGet(digests.map(({ takeId }) => takeId))).flatMap((take) => take ?? []);
    const given = await wholeTakes(takeIds);
    const bytes = writeWeek({
      ...head,
      digests: practised ? digests : [],
      ...(practised && targets && { targets }),
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
};

/** Which days of a student are given, and what of them. */
export interface WeekAsked extends Pick<StudentWeek, 'student' | 'savedAt' | 'from' | 'to'> {
  readonly practised: boolean;
  /** given with what was practised, once they are read */
  readonly targets?: readonly Target[] | undefined;
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

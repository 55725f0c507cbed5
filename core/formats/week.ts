import { zipSync } from 'fflate';
import { isDay } from '@inner-hum/core/exercise';
import { familyIfKnown } from '@inner-hum/core/families';
import { isDigest, type Digest } from '@inner-hum/core/history';
import { outOfBounds, type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import { TARGET_STATES, type Target } from '@inner-hum/core/lesson';
import { NEED_REASONS } from '@inner-hum/core/map';
import { LOUDNESS_BANDS } from '@inner-hum/core/measure';
import { array, boolean, number, object, string, ValidationError } from 'yup';
import { refusedFile, takesFrom, type RefusedFile, type UnreadTake } from './backup';
import { filesOf, json, parsed, partsIn, recordsIn, unzipped } from './takeFiles';

/** Name and version of the file that a student gives to a teacher; see docs/formats.md. */
const FORMAT = 'inner-hum-week';
const VERSION = 1;
const HEAD = 'week.json';

/** Moments in milliseconds since 1970 are larger than anything else in a file. */
const LARGEST_NUMBER = 1e14;
const MOST_DIGESTS = 20_000;
const MOST_TARGETS = 500;

/** What a student wrote on a take. */
export interface StudentNote {
  readonly takeId: string;
  /** yyyy-mm-dd */
  readonly day: string;
  readonly text: string;
}

/** Some days of a student, as far as the student gives them: each kind may be empty. */
export interface StudentWeek {
  /** `id` stays the student's own, whatever the name is */
  readonly student: { readonly id: string; readonly name: string };
  /** ISO 8601 */
  readonly savedAt: string;
  /** first and last day, yyyy-mm-dd */
  readonly from: string;
  readonly to: string;
  /** what was practised, and what it told */
  readonly digests: readonly Digest[];
  /** what the student works on, as the student's own plan has it; left out by older versions */
  readonly targets?: readonly Target[];
  readonly notes: readonly StudentNote[];
  /** takes to be heard or looked at */
  readonly takes: readonly WholeTake[];
}

export type WeekResult =
  | { readonly kind: 'read'; readonly week: StudentWeek; readonly aside: readonly UnreadTake[] }
  | RefusedFile;

/** The file of a week, a zip. */
export function writeWeek({ takes, ...head }: StudentWeek): Uint8Array<ArrayBuffer> {
  const files: Record<string, Uint8Array> = { [HEAD]: json({ format: FORMAT, version: VERSION, ...head }) };
  for (const take of takes) for (const [name, bytes] of filesOf(take)) files[name] = bytes;
  return new Uint8Array(zipSync(files, { level: 6 }));
}

const day = () => string().required().test('day', 'must be a day that there is', isDay);
/** Names that can stand in an address and mean no other one. */
const STUDENT_ID = /^(?!\.+$)[\w.-]{1,100}$/;
const text = () => string().required().max(2000);
const count = () => number().integer().min(0).required();
const targetSchema = object({
  key: text(),
  reason: string().oneOf(NEED_REASONS).required(),
  midis: array(number().integer().required()).min(1).max(12).required(),
  need: object({
    midi: number().integer().required(),
    reason: string().oneOf(NEED_REASONS).required(),
    size: number().required(),
    value: number().required(),
    of: number(),
    band: string().oneOf(LOUDNESS_BANDS),
  }).required(),
  isOut: boolean().required(),
  since: day(),
  days: array(
    object({
      day: day(),
      tries: count(),
      inside: count(),
      firstInside: boolean().required(),
      size: number().required(),
    }).required(),
  )
    .required()
    .max(MOST_DIGESTS),
  state: string().oneOf(TARGET_STATES).required(),
  stateSince: day(),
  returns: count(),
  rests: count(),
  lessons: count(),
});
const headSchema = object({
  format: string().oneOf([FORMAT]).required(),
  version: number().integer().oneOf([VERSION]).required(),
  savedAt: string().required().max(100),
  student: object({ id: string().matches(STUDENT_ID).required(), name: text() }).required(),
  from: day(),
  to: day(),
  digests: array().required().max(MOST_DIGESTS),
  targets: array(targetSchema.required()).max(MOST_TARGETS),
  notes: array(object({ takeId: text(), day: day(), text: string().required() }).required())
    .required()
    .max(MOST_DIGESTS),
});

/**
 * Reads the file of a week. A take or a digest that is damaged is left aside and told; a file that is none is refused with
 * the place of the fault.
 */
export function readWeek(bytes: Uint8Array): WeekResult {
  const files = unzipped(bytes);
  if (files.kind === 'refused') return files.reason === 'damaged' ? refusedFile('otherFile', '') : files;
  const headText = files.byName[HEAD];
  const head = headText && parsed(headText);
  if (typeof head !== 'object' || head === null || !('format' in head) || head.format !== FORMAT)
    return refusedFile('otherFile', '');
  if ('version' in head && typeof head.version === 'number' && head.version > VERSION)
    return refusedFile('newerVersion', String(head.version));
  const wrong = outOfBounds(head, LARGEST_NUMBER);
  if (wrong !== undefined) return refusedFile('damaged', wrong);
  try {
    const {
      student,
      savedAt,
      from,
      to,
      notes,
      targets,
      digests: given,
    } = headSchema.validateSync(head, { strict: true });
    const digests = given.filter(isStudentDigest);
    const { takes, aside } = takesFrom(recordsIn(files.byName), partsIn(files.byName));
    const unread = given.flatMap((entry, i) => (isStudentDigest(entry) ? [] : [{ detail: `digests[${i}]` }]));
    return {
      kind: 'read',
      week: { student, savedAt, from, to, digests, notes, takes, ...(targets && { targets }) },
      aside: [...unread, ...aside],
    };
  } catch (error) {
    if (error instanceof ValidationError) return refusedFile('damaged', error.message);
    throw error;
  }
}

function isStudentDigest(value: unknown): value is Digest {
  return isDigest(value) && familyIfKnown(value.family) !== undefined;
}

/** A record as it leaves the student: without the name of the device, and without the note unless that is given. */
export function recordToGive(record: TakeRecord, withNote: boolean): TakeRecord {
  const { source } = record;
  return {
    ...record,
    note: withNote ? record.note : '',
    source: source.kind === 'microphone' ? { kind: 'microphone', label: '' } : source,
  };
}

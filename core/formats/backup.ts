import { migrate } from '@inner-hum/core/take';
import { fromByteArray, toByteArray } from 'base64-js';
import { array, number, object, string, ValidationError } from 'yup';
import { outOfBounds } from '@inner-hum/core/take';
import { packedLength } from '@inner-hum/core/take';
import type { TakeRecord, WholeTake } from '@inner-hum/core/take';
import { takeRecordSchema } from '@inner-hum/core/take/schema';

/** Name and version of the backup file; see docs/formats.md. */
const BACKUP_FORMAT = 'inner-hum-backup';
const BACKUP_VERSION = 1;

const soundSchema = object({
  sampleRateHz: number().integer().min(8000).max(192_000).required(),
  pcm16: string().defined(),
})
  .optional()
  .default(undefined);

const envelopeSchema = object({
  format: string().oneOf([BACKUP_FORMAT]).required(),
  version: number().integer().oneOf([BACKUP_VERSION]).required(),
  savedAt: string().required(),
  settings: object().optional().default(undefined),
  takes: array().required(),
});

const takeSchema = object({ record: takeRecordSchema, frames: string().optional(), sound: soundSchema });

/** A take of a backup that can't be read, and why: "takes[3].record.score.tempoBpm …". */
export interface UnreadTake {
  readonly detail: string;
}

/** A recording to learn from with its sound. */
export interface KeptRecording {
  readonly id: string;
  readonly name: string;
  /** ISO 8601 */
  readonly addedAt: string;
  /** the part that is learnt from, seconds */
  readonly fromS: number;
  readonly toS: number;
  readonly sampleRateHz: number;
  readonly samples: Int16Array<ArrayBuffer>;
}

export type BackupResult =
  /** `settings` are the player's own, as they were stored; unchecked */
  | {
      readonly kind: 'read';
      readonly takes: readonly WholeTake[];
      /** recordings to learn from, where the player wanted them in the backup */
      readonly shelf: readonly KeptRecording[];
      /** takes and recordings that could not be read */
      readonly aside: readonly UnreadTake[];
      readonly settings: unknown;
    }
  | RefusedFile;

/** Why a file was not taken: `reason` picks the sentence; `detail` says where, for example "takes[3].frames: …". */
export interface RefusedFile {
  readonly kind: 'refused';
  readonly reason: 'notJson' | 'otherFile' | 'newerVersion' | 'damaged' | 'tooLarge';
  readonly detail: string;
}

/** Text of a backup file: all takes with frames and, where kept, sound in base64. */
export function writeBackup(takes: readonly WholeTake[], savedAt: string, settings?: unknown): string {
  const head = JSON.stringify(headOf(savedAt, settings)).slice(0, -1);
  return `${head},"takes":[${takes.map(takeText).join(',')}]}`;
}

function takeText({ record, frames, sound }: WholeTake): string {
  return JSON.stringify({
    record,
    frames: fromByteArray(frames),
    ...(sound && {
      sound: { sampleRateHz: sound.sampleRateHz, pcm16: fromByteArray(new Uint8Array(sound.samples.buffer)) },
    }),
  });
}

/** What stands before the takes in every kind of backup. */
export function headOf(savedAt: string, settings: unknown) {
  return {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    savedAt,
    ...(typeof settings === 'object' && settings !== null && { settings }),
  };
}

/**
 * Reads a backup file. A take that is damaged is left aside and told; a file that is none, or of which no take can be read,
 * is refused with the place of the fault.
 *
 * @param onShare told how much of the takes is read, 0–1
 */
export function readBackup(text: string, onShare?: (share: number) => void): BackupResult {
  let content: unknown;
  try {
    content = JSON.parse(text);
  } catch (error) {
    return refusedFile('notJson', error instanceof Error ? error.message : '');
  }
  return backupFrom(content, (_, path, damaged, encoded) => decode(encoded, path, damaged), onShare);
}

type Parts = Pick<WholeTake, 'frames' | 'sound'>;
type Damaged = (message: string) => Error;
/** Where the frames and the sound of a take are, by its record. */
export type PartsOf = (record: TakeRecord, path: string, damaged: Damaged, encoded: EncodedTake) => Parts;

/** The takes of a parsed backup, their frames and sound from wherever they are kept. */
export function backupFrom(content: unknown, partsOf: PartsOf, onShare?: (share: number) => void): BackupResult {
  const head = typeof content === 'object' && content !== null ? (content as Record<string, unknown>) : {};
  if (head['format'] !== BACKUP_FORMAT) return refusedFile('otherFile', '');
  if (typeof head['version'] === 'number' && head['version'] > BACKUP_VERSION)
    return refusedFile('newerVersion', String(head['version']));
  const { takes: given, ...rest } = head;
  if (!Array.isArray(given)) return refusedFile('damaged', 'takes: expected a list');
  try {
    const wrong = outOfBounds(rest);
    if (wrong !== undefined) throw new DamagedError(wrong);
    const { settings } = envelopeSchema.validateSync({ ...rest, takes: [] }, { strict: true, abortEarly: true });
    const { takes, aside } = takesFrom(given, partsOf, onShare);
    if (takes.length === 0 && aside[0]) return refusedFile('damaged', aside[0].detail);
    return { kind: 'read', takes, shelf: [], aside, settings };
  } catch (error) {
    if (isRefusal(error)) return refusedFile('damaged', error.message);
    throw error;
  }
}

/** How far it is, is told after so many takes. */
const TOLD_EVERY = 25;

/** Takes as a file holds them, each checked by itself, and those that can't be read. */
export function takesFrom(
  given: readonly unknown[],
  partsOf: PartsOf,
  onShare?: (share: number) => void,
): { readonly takes: readonly WholeTake[]; readonly aside: readonly UnreadTake[] } {
  const takes: WholeTake[] = [];
  const aside: UnreadTake[] = [];
  given.forEach((take, i) => {
    try {
      takes.push(readTake(take, `takes[${i}]`, partsOf));
    } catch (error) {
      if (!isRefusal(error)) throw error;
      aside.push({ detail: error.message });
    }
    if (i % TOLD_EVERY === 0) onShare?.(i / given.length);
  });
  return { takes, aside };
}

function readTake(given: unknown, path: string, partsOf: PartsOf): WholeTake {
  const wrong = outOfBounds(withoutBytes(given));
  if (wrong !== undefined) throw new DamagedError(`${path}.${wrong}`);
  const today = isObject(given) && 'record' in given ? { ...given, record: migrate(given['record']) } : given;
  let take: EncodedTake;
  try {
    take = takeSchema.validateSync(today, { strict: true, abortEarly: true }) as EncodedTake;
  } catch (error) {
    throw error instanceof ValidationError ? new DamagedError(`${path}.${error.message}`) : error;
  }
  const parts = partsOf(take.record, path, (message) => new DamagedError(message), take);
  const expected = packedLength(take.record.frameCount);
  if (parts.frames.length !== expected)
    throw new DamagedError(
      `${path}.frames: expected ${expected} bytes for ${take.record.frameCount} frames, got ${parts.frames.length}`,
    );
  return { record: take.record, ...parts };
}

/** A take less the texts that hold bytes: those are as long as the take was. */
function withoutBytes(given: unknown): unknown {
  if (!isObject(given)) return given;
  const { frames, sound, ...rest } = given;
  const { pcm16, ...format } = isObject(sound) ? sound : {};
  const odd = [frames, pcm16, isObject(sound) ? format : sound].filter((part) => typeof part !== 'string');
  return { ...rest, odd };
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

function isRefusal(error: unknown): error is Error {
  return error instanceof ValidationError || error instanceof DamagedError;
}

interface EncodedTake {
  readonly record: TakeRecord;
  readonly frames?: string;
  readonly sound?: { readonly sampleRateHz: number; readonly pcm16: string };
}

class DamagedError extends Error {}

function decode({ frames, sound }: EncodedTake, path: string, damaged: Damaged): Parts {
  if (frames === undefined) throw damaged(`${path}.frames: expected base64`);
  const bytes = base64(frames, `${path}.frames`);
  if (!sound) return { frames: bytes };
  const pcm = base64(sound.pcm16, `${path}.sound.pcm16`);
  if (pcm.length % 2) throw damaged(`${path}.sound.pcm16: expected 16-bit samples, got ${pcm.length} bytes`);
  return { frames: bytes, sound: { sampleRateHz: sound.sampleRateHz, samples: new Int16Array(pcm.buffer) } };
}

function base64(text: string, path: string): Uint8Array<ArrayBuffer> {
  try {
    return new Uint8Array(toByteArray(text));
  } catch {
    throw new DamagedError(`${path}: expected base64`);
  }
}

/** A file that was not taken. */
export function refusedFile(reason: RefusedFile['reason'], detail: string): RefusedFile {
  return { kind: 'refused', reason, detail };
}

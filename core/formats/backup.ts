import { modernise } from './modernise';
import { fromByteArray, toByteArray } from 'base64-js';
import { array, number, object, string, ValidationError } from 'yup';
import { packedLength } from './packedFrames';
import type { TakeRecord, WholeTake } from './take';
import { takeRecordSchema } from './takeSchema';

/** Name and version of the backup file; see docs/formats.md. */
export const BACKUP_FORMAT = 'inner-hum-backup';
export const BACKUP_VERSION = 1;

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
  takes: array(object({ record: takeRecordSchema, frames: string().defined(), sound: soundSchema })).required(),
});

export type BackupResult =
  | { readonly kind: 'read'; readonly takes: readonly WholeTake[] }
  /** `reason` picks the sentence; `detail` says where, for example "takes[3].frames: …" */
  | {
      readonly kind: 'refused';
      readonly reason: 'notJson' | 'otherFile' | 'newerVersion' | 'damaged';
      readonly detail: string;
    };

/** Text of a backup file: all takes with frames and, where kept, sound in base64. */
export function writeBackup(takes: readonly WholeTake[], savedAt: string): string {
  return JSON.stringify({
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    savedAt,
    takes: takes.map(({ record, frames, sound }) => ({
      record,
      frames: fromByteArray(frames),
      ...(sound && {
        sound: { sampleRateHz: sound.sampleRateHz, pcm16: fromByteArray(new Uint8Array(sound.samples.buffer)) },
      }),
    })),
  });
}

/** Reads a backup file; a file that is not one, or a damaged one, is refused whole with the place of the fault. */
export function readBackup(text: string): BackupResult {
  let content: unknown;
  try {
    content = JSON.parse(text);
  } catch (error) {
    return refused('notJson', error instanceof Error ? error.message : '');
  }
  const head = typeof content === 'object' && content !== null ? (content as Record<string, unknown>) : {};
  if (head['format'] !== BACKUP_FORMAT) return refused('otherFile', '');
  if (typeof head['version'] === 'number' && head['version'] > BACKUP_VERSION)
    return refused('newerVersion', String(head['version']));
  try {
    const { takes } = envelopeSchema.validateSync(inTodaysForm(head), { strict: true, abortEarly: true });
    return { kind: 'read', takes: takes.map((take, i) => decode(take as EncodedTake, `takes[${i}]`)) };
  } catch (error) {
    if (error instanceof ValidationError) return refused('damaged', error.message);
    if (error instanceof DamagedError) return refused('damaged', error.message);
    throw error;
  }
}

function inTodaysForm(head: Record<string, unknown>): unknown {
  if (!Array.isArray(head['takes'])) return head;
  const takes = head['takes'].map((take: unknown) =>
    typeof take === 'object' && take !== null && 'record' in take ? { ...take, record: modernise(take.record) } : take,
  );
  return { ...head, takes };
}

interface EncodedTake {
  readonly record: TakeRecord;
  readonly frames: string;
  readonly sound?: { readonly sampleRateHz: number; readonly pcm16: string };
}

class DamagedError extends Error {}

function decode({ record, frames, sound }: EncodedTake, path: string): WholeTake {
  const bytes = base64(frames, `${path}.frames`);
  const expected = packedLength(record.frameCount);
  if (bytes.length !== expected)
    throw new DamagedError(
      `${path}.frames: expected ${expected} bytes for ${record.frameCount} frames, got ${bytes.length}`,
    );
  if (!sound) return { record, frames: bytes };
  const pcm = base64(sound.pcm16, `${path}.sound.pcm16`);
  if (pcm.length % 2) throw new DamagedError(`${path}.sound.pcm16: expected 16-bit samples, got ${pcm.length} bytes`);
  return { record, frames: bytes, sound: { sampleRateHz: sound.sampleRateHz, samples: new Int16Array(pcm.buffer) } };
}

function base64(text: string, path: string): Uint8Array<ArrayBuffer> {
  try {
    return new Uint8Array(toByteArray(text));
  } catch {
    throw new DamagedError(`${path}: expected base64`);
  }
}

function refused(reason: Extract<BackupResult, { kind: 'refused' }>['reason'], detail: string): BackupResult {
  return { kind: 'refused', reason, detail };
}

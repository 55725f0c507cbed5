import { strFromU8, strToU8, unzipSync, zipSync, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { backupFrom, headOf, refusedBackup, type BackupResult } from './backup';
import type { WholeTake } from './take';
import { toInt16 } from './pcm';
import { readWav, writeWav } from './wav';

/** Names inside the zip: the records, then a file of packed frames and, where kept, a WAV for each take. */
const INDEX = 'backup.json';
const framesName = (id: string) => `frames/${id}.bin`;
const soundName = (id: string) => `sound/${id}.wav`;

/** A zip with all takes: records as JSON, frames packed, sound as WAV; for what fits into memory. */
export function writeBackupZip(takes: readonly WholeTake[], savedAt: string, settings?: unknown): Uint8Array {
  const files: Record<string, Uint8Array> = {
    [INDEX]: strToU8(JSON.stringify({ ...headOf(savedAt, settings), takes: takes.map(({ record }) => ({ record })) })),
  };
  for (const take of takes) for (const [name, bytes] of filesOf(take)) files[name] = bytes;
  return zipSync(files, { level: 9 });
}

/**
 * The same zip in pieces, for any number of takes: call `add` for each, then `end` once; `onPiece` gets the bytes in order.
 * Only the records are kept in memory until the end.
 */
export function backupZipStream(savedAt: string, settings: unknown, onPiece: (bytes: Uint8Array) => void) {
  const records: string[] = [];
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    onPiece(bytes);
  });
  const put = (name: string, bytes: Uint8Array) => {
    const file = name.endsWith('.wav') ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    zip.add(file);
    file.push(bytes, true);
  };
  return {
    add: (take: WholeTake) => {
      records.push(JSON.stringify({ record: take.record }));
      for (const [name, bytes] of filesOf(take)) put(name, bytes);
    },
    end: () => {
      const head = JSON.stringify(headOf(savedAt, settings)).slice(0, -1);
      put(INDEX, strToU8(`${head},"takes":[${records.join(',')}]}`));
      zip.end();
    },
  };
}

function filesOf({ record, frames, sound }: WholeTake): [string, Uint8Array][] {
  return [
    [framesName(record.id), frames],
    ...(sound ? [[soundName(record.id), writeWav(sound.sampleRateHz, sound.samples)] as [string, Uint8Array]] : []),
  ];
}

/** Whether bytes begin as a zip does. */
export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b;
}

/** Reads a backup zip, whole or not at all. */
export function readBackupZip(bytes: Uint8Array): BackupResult {
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes);
  } catch (error) {
    return refusedBackup('damaged', error instanceof Error ? error.message : '');
  }
  const index = files[INDEX];
  if (!index) return refusedBackup('otherFile', '');
  let content: unknown;
  try {
    content = JSON.parse(strFromU8(index));
  } catch (error) {
    return refusedBackup('notJson', error instanceof Error ? error.message : '');
  }
  return backupFrom(content, (record, path, damaged) => {
    const frames = files[framesName(record.id)];
    if (!frames) throw damaged(`${path}.frames: expected ${framesName(record.id)} in the zip`);
    const wav = files[soundName(record.id)];
    if (!wav) return { frames: new Uint8Array(frames) };
    const sound = readWav(wav);
    if (sound.kind === 'refused') throw damaged(`${path}.sound: ${sound.detail}`);
    const { sampleRateHz, samples } = sound.sound;
    return { frames: new Uint8Array(frames), sound: { sampleRateHz, samples: toInt16(samples.map(toWhole)) } };
  });
}

/** What {@link readWav} divides by 32768, {@link toInt16} multiplies by 32767. */
function toWhole(sample: number): number {
  return (sample * 32768) / 32767;
}

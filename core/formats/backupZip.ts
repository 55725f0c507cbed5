import { deflateSync, strFromU8, strToU8, unzipSync, Zip, ZipPassThrough, zipSync } from 'fflate';
import { backupFrom, headOf, refusedBackup, type BackupResult } from './backup';
import { sizeGuard, TooLarge } from './zipSizes';
import type { WholeTake } from '@inner-hum/core/take';
import { toInt16 } from '@inner-hum/core/take';
import { readWav, writeWav } from './wav';

/** Names inside the zip: a head, then for each take its record, its packed frames and, where kept, its sound. */
const HEAD = 'backup.json';
const RECORDS = 'takes/';
const recordName = (id: string) => `${RECORDS}${id}.json`;
const framesName = (id: string) => `frames/${id}.bin`;
/** The zip format's number for packed files. */
const DEFLATE = 8;
const soundName = (id: string) => `sound/${id}.wav`;

/** A zip with all takes: records as JSON, frames packed, sound as WAV; for what fits into memory. */
export function writeBackupZip(takes: readonly WholeTake[], savedAt: string, settings?: unknown): Uint8Array {
  const files: Record<string, Uint8Array> = { [HEAD]: json(headOf(savedAt, settings)) };
  for (const take of takes) for (const [name, bytes] of filesOf(take)) files[name] = bytes;
  return zipSync(files, { level: 9 });
}

/**
 * The same zip in pieces, for any number of takes: call `add` for each, then `end` once; `onPiece` gets the bytes in order
 * and must copy what it keeps.
 */
export function backupZipStream(savedAt: string, settings: unknown, onPiece: (bytes: Uint8Array) => void) {
  const zip = new Zip((error, bytes) => {
    if (error) throw error;
    onPiece(bytes);
  });
  const put = (name: string, bytes: Uint8Array) => {
    const file = name.endsWith('.wav') ? new ZipPassThrough(name) : new PackedFile(name);
    zip.add(file);
    file.push(bytes, true);
  };
  put(HEAD, json(headOf(savedAt, settings)));
  return {
    add: (take: WholeTake) => filesOf(take).forEach(([name, bytes]) => put(name, bytes)),
    end: () => zip.end(),
  };
}

/** A file of a zip that is packed in one go: packing in slices spoils what is longer than its window. */
class PackedFile extends ZipPassThrough {
  override compression = DEFLATE;
  protected override process(chunk: Uint8Array, final: boolean): void {
    this.ondata(null, deflateSync(chunk, { level: 6 }), final);
  }
}

function json(value: unknown): Uint8Array {
  return strToU8(JSON.stringify(value));
}

function filesOf({ record, frames, sound }: WholeTake): [string, Uint8Array][] {
  return [
    [recordName(record.id), json(record)],
    [framesName(record.id), frames],
    ...(sound ? [[soundName(record.id), writeWav(sound.sampleRateHz, sound.samples)] as [string, Uint8Array]] : []),
  ];
}

/** Whether bytes begin as a zip does. */
export function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b;
}

/** Reads a backup zip; what is damaged in it is treated as in a JSON backup. Sizes are checked before unpacking. */
export function readBackupZip(bytes: Uint8Array): BackupResult {
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, { filter: sizeGuard() });
  } catch (error) {
    if (error instanceof TooLarge) return refusedBackup('tooLarge', error.message);
    return refusedBackup('damaged', error instanceof Error ? error.message : '');
  }
  const head = files[HEAD];
  if (!head) return refusedBackup('otherFile', '');
  let content: Record<string, unknown>;
  try {
    const parsed: unknown = JSON.parse(strFromU8(head));
    if (typeof parsed !== 'object' || parsed === null) return refusedBackup('otherFile', '');
    const takes = Object.entries(files).filter(([name]) => name.startsWith(RECORDS));
    content = { ...parsed, takes: takes.map(([, text]) => ({ record: parsedOrUndefined(strFromU8(text)) })) };
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
    if (!(sampleRateHz >= 8000 && sampleRateHz <= 192_000))
      throw damaged(`${path}.sound: expected 8000 to 192000 Hz, got ${sampleRateHz}`);
    return { frames: new Uint8Array(frames), sound: { sampleRateHz, samples: toInt16(samples.map(toWhole)) } };
  });
}

/** A record whose text is no JSON is a damaged take, not a damaged backup. */
function parsedOrUndefined(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** What {@link readWav} divides by 32768, {@link toInt16} multiplies by 32767. */
function toWhole(sample: number): number {
  return (sample * 32768) / 32767;
}

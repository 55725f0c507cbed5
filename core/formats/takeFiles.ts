import { deflateSync, strFromU8, strToU8, unzipSync, ZipPassThrough, type ZipInputFile } from 'fflate';
import { toInt16, type WholeTake } from '@inner-hum/core/take';
import { refusedFile, type PartsOf, type RefusedFile } from './backup';
import { readWav, writeWav } from './wav';
import { sizeGuard, TooLarge } from './zipSizes';

/*
 * Takes in a zip, as backups and the weeks of students hold them: of each its record, its packed frames and, where kept, its
 * sound.
 */

const RECORDS = 'takes/';
const recordName = (id: string) => `${RECORDS}${id}.json`;
const framesName = (id: string) => `frames/${id}.bin`;
const soundName = (id: string) => `sound/${id}.wav`;
/** The zip format's number for packed files. */
const DEFLATE = 8;
/** On takes nearly twice as quick as the usual 6, and 2 % larger. */
const LEVEL = 2;

/** A file as it lies in a zip, its sum over what it was before it was packed. */
export type PackedFile = Readonly<Pick<ZipInputFile, 'filename'>> &
  Readonly<Required<Pick<ZipInputFile, 'size' | 'crc' | 'compression'>>> & { readonly bytes: Uint8Array<ArrayBuffer> };

/** Packs a file for a zip; sound is put in as it is. */
export function packed(name: string, bytes: Uint8Array): PackedFile {
  const file = name.endsWith('.wav') ? new ZipPassThrough(name) : new InOneGo(name);
  let done: PackedFile['bytes'] | undefined;
  file.ondata = (_, data) => (done = data);
  file.push(bytes as Uint8Array<ArrayBuffer>, true); // no file shares its memory
  const { filename, size, crc, compression } = file;
  return { filename, size, crc, compression, bytes: done! };
}

/** The files of a take, packed. */
export const packedTake = (take: WholeTake): PackedFile[] => filesOf(take).map(([name, bytes]) => packed(name, bytes));

/** Packing in slices spoils what is longer than its window. */
class InOneGo extends ZipPassThrough {
  override compression = DEFLATE;
  protected override process(chunk: Uint8Array, final: boolean): void {
    this.ondata(null, deflateSync(chunk, { level: LEVEL }), final);
  }
}

export function json(value: unknown): Uint8Array {
  return strToU8(JSON.stringify(value));
}

/** The value of a JSON text, or the error that says why it is none. */
export function parsed(text: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(text)) as unknown;
  } catch (error) {
    return error instanceof Error ? error : new Error(String(error));
  }
}

export function filesOf({ record, frames, sound }: WholeTake): [string, Uint8Array][] {
  return [
    [recordName(record.id), json(record)],
    [framesName(record.id), frames],
    ...(sound ? [[soundName(record.id), writeWav(sound.sampleRateHz, sound.samples)] as [string, Uint8Array]] : []),
  ];
}

export type FilesByName = Readonly<Record<string, Uint8Array>>;

/** The files of a zip, or why there are none. Sizes are checked before unpacking. */
export function unzipped(bytes: Uint8Array): { readonly kind: 'read'; readonly byName: FilesByName } | RefusedFile {
  try {
    return { kind: 'read', byName: unzipSync(bytes, { filter: sizeGuard() }) };
  } catch (error) {
    if (error instanceof TooLarge) return refusedFile('tooLarge', error.message);
    return refusedFile('damaged', error instanceof Error ? error.message : '');
  }
}

/** The records in a zip. One whose text is no JSON is a damaged take, not a damaged file. */
export function recordsIn(files: FilesByName): { readonly record: unknown }[] {
  return Object.entries(files)
    .filter(([name]) => name.startsWith(RECORDS))
    .map(([, text]) => {
      const record = parsed(text);
      return { record: record instanceof Error ? undefined : record };
    });
}

/** Frames and sound of each record, from the same zip. */
export function partsIn(files: FilesByName): PartsOf {
  return (record, path, damaged) => {
    const frames = files[framesName(record.id)];
    if (!frames) throw damaged(`${path}.frames: expected ${framesName(record.id)} in the zip`);
    const wav = files[soundName(record.id)];
    if (!wav) return { frames: new Uint8Array(frames) };
    const sound = soundIn(wav, (message) => damaged(`${path}.sound: ${message}`));
    return { frames: new Uint8Array(frames), sound };
  };
}

/** The sound of a WAV in a zip, sample for sample as it was written. @throws what `damaged` makes of the reason */
export function soundIn(wav: Uint8Array, damaged: (message: string) => Error) {
  const read = readWav(wav);
  if (read.kind === 'refused') throw damaged(read.detail);
  const { sampleRateHz, samples } = read.sound;
  if (!(sampleRateHz >= 8000 && sampleRateHz <= 192_000))
    throw damaged(`expected 8000 to 192000 Hz, got ${sampleRateHz}`);
  return { sampleRateHz, samples: toInt16(samples.map(toWhole)) };
}

/** What {@link readWav} divides by 32768, {@link toInt16} multiplies by 32767. */
function toWhole(sample: number): number {
  return (sample * 32768) / 32767;
}

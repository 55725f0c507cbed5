import { number, object, string, ValidationError } from 'yup';
import type { KeptRecording, UnreadTake } from './backup';
import { json, parsed, soundIn, type FilesByName } from './takeFiles';
import { writeWav } from './wav';

/*
 * Recordings to learn from in a backup's zip, those that the player wants there: of each what is told of it, and its sound.
 */

const ROWS = 'shelf/';
const SUFFIX = '.json';
const soundName = (id: string) => `${ROWS}${id}.wav`;
const MOST_LETTERS = 300;

const rowSchema = object({
  id: string().min(1).max(MOST_LETTERS).required(),
  name: string().max(MOST_LETTERS).required(),
  addedAt: string().max(MOST_LETTERS).required(),
  fromS: number().min(0).required(),
  toS: number().min(0).required(),
}).noUnknown();

export function shelfFilesOf({ sampleRateHz, samples, ...row }: KeptRecording): [string, Uint8Array][] {
  return [
    [`${ROWS}${row.id}${SUFFIX}`, json(row)],
    [soundName(row.id), writeWav(sampleRateHz, samples)],
  ];
}

/** The recordings in a zip, and those that can't be read, each with the place of its fault. */
export function shelfIn(files: FilesByName): {
  readonly shelf: readonly KeptRecording[];
  readonly aside: readonly UnreadTake[];
} {
  const shelf: KeptRecording[] = [];
  const aside: UnreadTake[] = [];
  for (const [name, text] of Object.entries(files).filter(([name]) => name.startsWith(ROWS) && name.endsWith(SUFFIX)))
    try {
      const row = rowSchema.validateSync(parsed(text), { strict: true, stripUnknown: true });
      const wav = files[soundName(row.id)];
      if (!wav) throw new ValidationError(`expected ${soundName(row.id)} in the zip`);
      shelf.push({ ...row, ...soundIn(wav, (message) => new ValidationError(message)) });
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      aside.push({ detail: `${name}: ${error.message}` });
    }
  return { shelf, aside };
}

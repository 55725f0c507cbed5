import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { parseArgs } from 'node:util';
import { readWav } from '@inner-hum/core/formats';
import { median, segmentNotes, type FoundNote } from '@inner-hum/core/measure';
import { hear, HOP_S, type Frames } from '@inner-hum/core/signal';
import { midiToHz, soundingPartial } from '@inner-hum/core/theory';

const USAGE = `analyse -- FILE.wav [--frames OUT.csv] [--notes OUT.csv] [--json]
analyse -- --in DIR --out DIR    every WAV below a folder: X.csv, X.notes.csv and X.onsets.csv
options: --a4 440                tuning reference, Hz
         --fingered-midi N       sounding MIDI number of the fingered tube: adds partial and tnr_db to the frames`;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    frames: { type: 'string' },
    notes: { type: 'string' },
    json: { type: 'boolean', default: false },
    in: { type: 'string' },
    out: { type: 'string' },
    a4: { type: 'string', default: '440' },
    'fingered-midi': { type: 'string' },
  },
});
const a4Hz = numberOf('a4', values.a4, 415, 466);
const fingered = values['fingered-midi'];
const fingeredHz = fingered === undefined ? undefined : midiToHz(numberOf('fingered-midi', fingered, 20, 110), a4Hz);

if (values.in && values.out) analyseFolder(values.in, values.out);
else if (positionals.length === 1) analyseOne(positionals[0]!);
else fail(USAGE);

function analyseOne(path: string): void {
  const frames = analyseFile(path);
  const notes = segmentNotes(frames, a4Hz);
  if (values.frames) write(values.frames, framesTable(frames));
  if (values.notes) write(values.notes, notesTable(notes));
  if (values.json)
    console.log(
      JSON.stringify({
        file: path,
        lengthS: frames.count * HOP_S,
        onsetsS: frames.attacks.map((attack) => attack.onsetS),
        notes,
      }),
    );
  else console.log(summary(path, frames, notes));
}

function analyseFolder(from: string, to: string): void {
  const files = readdirSync(from, { recursive: true, encoding: 'utf8' }).filter((name) => /\.wav$/i.test(name));
  if (files.length === 0) fail(`No WAV file below ${from}.`);
  for (const name of files.sort()) {
    const path = join(from, name);
    if (!statSync(path).isFile()) continue;
    const base = join(to, relative(from, path)).replace(/\.wav$/i, '');
    const frames = analyseFile(path);
    const notes = segmentNotes(frames, a4Hz);
    write(`${base}.csv`, framesTable(frames));
    write(`${base}.notes.csv`, notesTable(notes));
    write(`${base}.onsets.csv`, ['time_s', ...frames.attacks.map((attack) => attack.onsetS.toFixed(4)), ''].join('\n'));
    console.log(summary(path, frames, notes));
  }
}

function analyseFile(path: string): Frames {
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(path);
  } catch {
    return fail(`${path} can't be read. Is the name right?`);
  }
  const read = readWav(bytes);
  if (read.kind === 'refused') return fail(`${path} is not a WAV file this program can read: ${read.detail}`);
  if (read.sound.sampleRateHz < 8000) return fail(`${path}: a sample rate of at least 8000 Hz is needed.`);
  return hear(read.sound.samples, { sampleRateHz: read.sound.sampleRateHz });
}

function framesTable(frames: Frames): string {
  const rows = [`time_s,f0_hz,level_db${fingeredHz ? ',partial,tnr_db' : ''}`];
  for (let i = 0; i < frames.count; i++) {
    const hz = frames.f0Hz[i]!;
    const row = `${(i * HOP_S).toFixed(3)},${hz.toFixed(4)},${frames.levelDb[i]!.toFixed(3)}`;
    if (!fingeredHz) rows.push(row);
    else
      rows.push(
        `${row},${hz > 0 ? soundingPartial(hz, fingeredHz) : 0},${hz > 0 ? (-frames.breathDb[i]!).toFixed(2) : ''}`,
      );
  }
  return rows.join('\n') + '\n';
}

function notesTable(notes: readonly FoundNote[]): string {
  const head =
    'onset_s,end_s,written_or_sounding_midi,f0_hz_median,cents_median,cents_spread,level_db_median,breath_db,jumps';
  const rows = notes.map((note) =>
    [
      note.onsetS.toFixed(4),
      note.endS.toFixed(3),
      note.soundingMidi,
      note.f0HzMedian.toFixed(4),
      note.centsMedian.toFixed(2),
      note.centsSpread.toFixed(2),
      note.levelDbMedian.toFixed(2),
      note.breathDbMedian.toFixed(2),
      note.jumps,
    ].join(','),
  );
  return [head, ...rows, ''].join('\n');
}

function summary(path: string, frames: Frames, notes: readonly FoundNote[]): string {
  const toned = frames.f0Hz.filter((hz) => hz > 0);
  const length = `${(frames.count * HOP_S).toFixed(2)} s`;
  if (toned.length === 0) return `${path}: ${length}, no tone`;
  const share = `tone ${((100 * toned.length) / frames.count).toFixed(0)} %`;
  return `${path}: ${length}, ${share}, ${notes.length} notes, median ${median(toned).toFixed(2)} Hz`;
}

function write(path: string, text: string): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, text);
}

function numberOf(name: string, given: string, min: number, max: number): number {
  const number = Number(given);
  if (!(number >= min && number <= max)) fail(`--${name} must be a number from ${min} to ${max}, got ${given}`);
  return number;
}

function fail(sentence: string): never {
  console.error(sentence);
  process.exit(1);
}

import { readFileSync } from 'node:fs';
import { isPhrase, phraseText, scoreToAbc } from '@inner-hum/core/exercise';
import { exerciseScore, isExercise, playable, usualExercise, familyById } from '@inner-hum/core/families';
import {
  forHorn,
  measuresCsv,
  readBackup,
  readBackupZip,
  readMidi,
  readMusicXml,
  readWav,
  readWeek,
  writeBackup,
  writeBackupZip,
  writeMidi,
  writeMusicXml,
  writeWav,
  writeWeek,
  type BackupResult,
  type ImportedParts,
  type StudentWeek,
  type WeekResult,
} from '@inner-hum/core/formats';
import { unpackFrames, type WholeTake } from '@inner-hum/core/take';
import { isWholeTake } from '@inner-hum/core/take/schema';
import {
  blockS,
  cellsFrom,
  digestOf,
  glanceOf,
  isDigest,
  routineBlocks,
  routineOf,
  tonesAfter,
  USUAL_ROUTINES,
  usualRoutine,
} from '@inner-hum/core/plan';
import { SeededRandom } from '@inner-hum/core/simulate';
import { INSTRUMENTS, noteName } from '@inner-hum/core/theory';
import { unzipSync, zipSync } from 'fflate';
import { exerciseFromLink, readExerciseFile, readRoutineFile, routineFile } from '../web/src/shared/exercise/link';
import { i18next } from '../web/src/text/i18n';
import '../web/src/testing/english';
import { exerciseMeta, exerciseTitle } from '../web/src/text/exerciseText';
import { findingText, nextText } from '../web/src/text/findingText';
import { takeView } from '../web/src/ribbon/takeView';
import { LIGHT } from '../web/src/ui/palette';
import { drawRibbon } from '../web/src/ribbon/ribbon';
import { exerciseOf, scoreOf } from '../web/src/store/settings';
import { readSettings } from '../web/src/db/settings/readSettings';
import { FIRST_SETTINGS } from '../web/src/db/settings/settings';

/** Something that reads what comes from outside, and everything that uses what it accepts. */
interface Reader {
  readonly name: string;
  /** sound files or texts of it, to be damaged */
  readonly seeds: readonly Uint8Array[];
  readonly isJson: boolean;
  /** reads and uses; whether it was accepted. @throws where the reader or a user of it breaks */
  read(bytes: Uint8Array): boolean;
}

export interface FuzzResult {
  readonly reader: string;
  readonly runs: number;
  readonly accepted: number;
  /** what was thrown, with how often and the first seed that does it */
  readonly thrown: ReadonlyMap<string, { readonly times: number; readonly seed: number }>;
  readonly slowestMs: number;
  /** highest heap and buffers beyond those at the start, megabytes */
  readonly peakMb: number;
}

const utf8 = new TextEncoder();
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

/** Reads so many damaged inputs; the same for the same seed. */
export function fuzz(reader: Reader, runs: number, seed: number, nowMs: () => number = () => 0): FuzzResult {
  const thrown = new Map<string, { times: number; seed: number }>();
  let accepted = 0;
  let slowestMs = 0;
  const startMb = memoryMb();
  let peakMb = 0;
  for (let run = 0; run < runs; run++) {
    const random = new SeededRandom(seed + run);
    const below = (count: number) => Math.floor(random.uniform() * count);
    const whole = reader.seeds[below(reader.seeds.length)]!;
    const damaged =
      reader.isJson && below(4) > 0 ? utf8.encode(damagedJson(textOf(whole), below)) : damagedBytes(whole, below);
    const fromMs = nowMs();
    try {
      if (reader.read(damaged)) accepted++;
    } catch (error) {
      const what = error instanceof Error ? `${error.name}: ${error.message.slice(0, 100)}` : String(error);
      thrown.set(what, { times: (thrown.get(what)?.times ?? 0) + 1, seed: thrown.get(what)?.seed ?? seed + run });
      if (process.env['FUZZ_STACKS'] && thrown.get(what)!.times === 1) console.error(error);
    }
    slowestMs = Math.max(slowestMs, nowMs() - fromMs);
    if (run % 20 === 0) peakMb = Math.max(peakMb, memoryMb() - startMb);
  }
  return { reader: reader.name, runs, accepted, thrown, slowestMs, peakMb };
}

function memoryMb(): number {
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1e6;
}

type Below = (count: number) => number;

/** Values that have no place where they are put; each is JSON text, since JSON can say more than a number can hold. */
const HOSTILE = [
  ...[
    'null',
    'true',
    '-1',
    '0',
    '67.5',
    '1e308',
    '1e999',
    '-1e999',
    '1e-300',
    '5e5',
    '""',
    '"x"',
    '[]',
    '{}',
    '[null]',
  ],
  ...['"<script>alert(1)</script>"', '"\\u0000"', '{"__proto__":{"x":1}}', '"2026-99-99T99:99:99Z"', '[[[[[[1]]]]]]'],
  `"${'long '.repeat(2000)}"`,
  `${'['.repeat(6000)}${']'.repeat(6000)}`,
];
const MARK = 'put the hostile value here';

/** A JSON text with one to three of its values changed, left out, doubled or swapped for another's. */
function damagedJson(text: string, below: Below): string {
  const root = { value: JSON.parse(text) as unknown };
  const hostile: string[] = [];
  for (let times = 1 + below(3); times > 0; times--) {
    let [holder, key] = [root as Record<string, unknown>, 'value'];
    while (below(8) > 0) {
      const inner = holder[key];
      if (typeof inner !== 'object' || inner === null || Object.keys(inner).length === 0) break;
      holder = inner as Record<string, unknown>;
      const keys = Object.keys(inner);
      key = keys[below(keys.length)]!;
    }
    const kind = below(6);
    if (kind === 0) Reflect.deleteProperty(holder, key);
    else if (kind === 1 && Array.isArray(holder)) holder.push(structuredClone(holder[0]));
    else if (kind === 2) holder[`${key}x`] = holder[key];
    else {
      hostile.push(HOSTILE[below(HOSTILE.length)]!);
      holder[key] = `${MARK} ${hostile.length - 1}`;
    }
  }
  return JSON.stringify(root.value ?? null).replace(
    new RegExp(`"${MARK} (\\d+)"`, 'g'),
    (_, at) => hostile[at as number]!,
  );
}

/** Bytes cut off, changed, put in or doubled, at one to four places. */
function damagedBytes(whole: Uint8Array, below: Below): Uint8Array {
  let bytes = Array.from(whole);
  for (let times = 1 + below(4); times > 0; times--) {
    const at = below(bytes.length + 1);
    const kind = below(5);
    if (kind === 0) bytes = bytes.slice(0, at);
    else if (kind === 1) bytes.splice(at, below(40));
    else if (kind === 2) bytes.splice(at, 0, ...Array.from({ length: 1 + below(8) }, () => below(256)));
    else if (kind === 3) bytes.splice(at, 0, ...bytes.slice(at, at + below(200)));
    else
      for (let i = 1 + below(4); i > 0 && bytes.length > 0; i--)
        bytes[below(bytes.length)] = [0, 255, below(256)][below(3)]!;
  }
  return Uint8Array.from(bytes);
}

const { t } = i18next;
const nameOf = (midi: number) => noteName(midi, 'english');

/** A drawing context that draws nothing. */
const nowhere = new Proxy(
  {},
  { get: (_, name) => (name === 'measureText' ? () => ({ width: 10 }) : () => nowhere), set: () => true },
);

/** The drawing needs a page for a moment; nothing else here may see one. */
function drawNowhere(view: Parameters<typeof drawRibbon>[1]): void {
  const page = {
    Path2D: function Path2D() {
      return nowhere;
    },
    document: { createElement: () => ({ getContext: () => nowhere }) },
  };
  Object.assign(globalThis, page);
  try {
    drawRibbon(nowhere as unknown as CanvasRenderingContext2D, view);
  } finally {
    for (const name of Object.keys(page)) Reflect.deleteProperty(globalThis, name);
  }
}

/** Everything that shows, sums up or saves a take. */
function useTake(take: WholeTake): void {
  const { record } = take;
  if (!isWholeTake(take)) throw new Error('accepted, but it would not be shown');
  const view = takeView(record, unpackFrames(take.frames, record.frameCount));
  const size = { width: 640, height: 200, palette: LIGHT };
  drawNowhere({ ...view, ...size });
  exerciseTitle(t, record.parameters, nameOf);
  exerciseMeta(t, record.parameters);
  for (const finding of record.verdict.findings) findingText(t, finding, record, nameOf);
  nextText(t, record.verdict, record, nameOf);
  const digest = digestOf(record, { startedAtMs: Date.parse(record.startedAt), day: record.startedAt.slice(0, 10) });
  if (!isDigest(digest)) throw new Error('its digest is not sound');
  cellsFrom([digest]);
  tonesAfter([digest], () => undefined);
  measuresCsv([record], 'english');
  scoreToAbc(record.score, 'usual');
  writeMusicXml(record.score, 'part');
  writeMidi(record.score, 'part');
  exerciseScore(playable(record.parameters).exercise);
}

function useBackup(result: BackupResult): boolean {
  if (result.kind !== 'read') return false;
  result.takes.forEach(useTake);
  if (result.settings !== undefined) useSettings(result.settings);
  const again = readBackup(writeBackup(result.takes, '2026-03-01T18:00:00.000Z'));
  if (again.kind !== 'read' || again.takes.length !== result.takes.length) throw new Error('its own backup is refused');
  return true;
}

function useWeek(result: WeekResult): boolean {
  if (result.kind !== 'read') return false;
  result.week.takes.forEach(useTake);
  glanceOf(result.week.digests);
  const again = readWeek(writeWeek(result.week));
  if (again.kind !== 'read' || again.aside.length > 0) throw new Error('its own file is refused');
  return true;
}

function useSettings(value: unknown): boolean {
  const { settings, aside } = readSettings(value);
  scoreOf(settings);
  exerciseTitle(t, exerciseOf(settings), nameOf);
  settings.block.forEach((exercise) => exerciseScore(exercise));
  const again = readSettings(JSON.parse(JSON.stringify(settings)));
  if (again.aside.length > 0) throw new Error(`read twice, ${again.aside[0]!.path} is refused`);
  return aside.length === 0;
}

function useParts(parts: ImportedParts): boolean {
  if (parts.kind !== 'parts') return false;
  for (const part of parts.parts)
    for (const horn of [INSTRUMENTS[0]!, INSTRUMENTS.at(-1)!]) {
      const phrase = phraseText(forHorn(part, horn, true).slice(0, 24));
      if (isPhrase(phrase)) playable({ ...usualExercise(familyById('overtoneRoute'), horn.id), phrase });
    }
  return true;
}

const season = readBackupZip(new Uint8Array(readFileSync('web/public/demo/season.zip')));
if (season.kind !== 'read') throw new Error('the demo season can’t be read');
const some = [3, 40, 90].map((at) => season.takes[at]!).map((take) => ({ ...take, sound: undefined as never }));
const takes = some.map(({ record, frames }) => ({ record, frames }));
const fixture = (name: string) => new Uint8Array(readFileSync(`core/formats/fixtures/${name}`));
const families = ['swell', 'overtoneLadder', 'overtoneRoute', 'fingeringTrial'].map((id) =>
  usualExercise(familyById(id), 'alto'),
);
const now = '2026-03-01T18:00:00.000Z';
const exerciseFile = (exercise: unknown) => ({ format: 'inner-hum-exercise', version: 1, name: 'own', exercise });

const whenOf = (startedAt: string) => ({ startedAtMs: Date.parse(startedAt), day: startedAt.slice(0, 10) });
const week: StudentWeek = {
  student: { id: 'student-1', name: 'Mara' },
  savedAt: now,
  from: '2026-02-23',
  to: '2026-03-01',
  digests: takes.map(({ record }) => digestOf(record, whenOf(record.startedAt))),
  notes: [{ takeId: takes[0]!.record.id, day: '2026-02-24', text: 'felt easy' }],
  takes: takes.slice(0, 1),
};
const weekFiles = unzipSync(writeWeek(week));

export const READERS: readonly Reader[] = [
  {
    name: 'backup, JSON',
    isJson: true,
    seeds: [fixture('backup-1.json'), ...takes.map((take) => utf8.encode(writeBackup([take], now, FIRST_SETTINGS)))],
    read: (bytes) => useBackup(readBackup(textOf(bytes))),
  },
  {
    name: 'backup, zip',
    isJson: false,
    seeds: takes.map((take) => writeBackupZip([take], now, FIRST_SETTINGS)),
    read: (bytes) => useBackup(readBackupZip(bytes)),
  },
  {
    name: 'settings',
    isJson: true,
    seeds: [
      utf8.encode(JSON.stringify({ ...FIRST_SETTINGS, block: families, own: [{ name: 'a', exercise: families[0] }] })),
    ],
    read: (bytes) => {
      let value: unknown;
      try {
        value = JSON.parse(textOf(bytes));
      } catch {
        return false;
      }
      return useSettings(value);
    },
  },
  {
    name: 'exercise file',
    isJson: true,
    seeds: families.map((exercise) => utf8.encode(JSON.stringify(exerciseFile(exercise)))),
    read: (bytes) => {
      const read = readExerciseFile(textOf(bytes));
      if (read) exerciseTitle(t, read.exercise, nameOf);
      if (read) exerciseScore(read.exercise);
      return read !== undefined;
    },
  },
  {
    name: 'routine file',
    isJson: true,
    seeds: USUAL_ROUTINES.slice(0, 3).map((id) => {
      const remarks = [{ takeId: 'take-1', beat: 3, text: 'More air.' }];
      return utf8.encode(routineFile({ ...routineOf(id, []), blocks: usualRoutine(id, 'alto'), remarks }));
    }),
    read: (bytes) => {
      const routine = readRoutineFile(textOf(bytes));
      routineBlocks(routine ?? { name: '', blocks: [] }, 'tenor').forEach(blockS);
      return routine !== undefined;
    },
  },
  {
    name: 'week of a student, its head',
    isJson: true,
    seeds: [weekFiles['week.json']!],
    read: (bytes) => useWeek(readWeek(zipSync({ ...weekFiles, 'week.json': bytes }))),
  },
  {
    name: 'week of a student, zip',
    isJson: false,
    seeds: [writeWeek(week)],
    read: (bytes) => useWeek(readWeek(bytes)),
  },
  {
    name: 'exercise link',
    isJson: true,
    seeds: families.map((exercise) => utf8.encode(JSON.stringify(exercise))),
    read: (bytes) => {
      const exercise = exerciseFromLink(textOf(bytes));
      if (exercise && !isExercise(playable(exercise).exercise)) throw new Error('the nearest is no exercise');
      if (exercise) exerciseScore(playable(exercise).exercise);
      return exercise !== undefined;
    },
  },
  {
    name: 'MusicXML',
    isJson: false,
    seeds: [fixture('harbour.musicxml'), fixture('octave.mxl')],
    read: (bytes) => useParts(readMusicXml(bytes)),
  },
  {
    name: 'MIDI',
    isJson: false,
    seeds: [fixture('call.mid'), fixture('octave.mid')],
    read: (bytes) => useParts(readMidi(bytes)),
  },
  {
    name: 'WAV',
    isJson: false,
    seeds: [
      writeWav(
        44100,
        Int16Array.from({ length: 400 }, (_, i) => 100 * Math.sin(i)),
      ),
    ],
    read: (bytes) => readWav(bytes).kind === 'read',
  },
];

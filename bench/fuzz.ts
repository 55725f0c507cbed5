import { readFileSync } from 'node:fs';
import { exerciseScore, isExercise, playable, usualExercise, familyById } from '@inner-hum/core/families';
import {
  readBackup,
  readBackupZip,
  readMidi,
  readMusicXml,
  readWav,
  readWeek,
  writeBackup,
  writeBackupZip,
  writeWav,
  writeWeek,
  type StudentWeek,
} from '@inner-hum/core/formats';
import { digestOf } from '@inner-hum/core/history';
import { blockS, routineBlocks, routineOf, USUAL_ROUTINES, usualRoutine } from '@inner-hum/core/lesson';
import { SeededRandom } from '@inner-hum/core/simulate';
import { unzipSync, zipSync } from 'fflate';
import { exerciseFromLink, readExerciseFile, readRoutineFile, routineFile } from '../web/src/shared/exercise/link';
import '../web/src/testing/english';
import { exerciseTitle } from '../web/src/text/exerciseText';
import { FIRST_SETTINGS } from '../web/src/db/settings/settings';
import { utf8, textOf, damagedJson, damagedBytes } from './damaged';
import { t, nameOf, useBackup, useWeek, useSettings, useParts } from './useRead';

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
      routineBlocks(routine ?? routineOf('', []), 'tenor').forEach(blockS);
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

import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { Ear, HOP_S } from '@inner-hum/core/signal';
import { browserFigures } from './browser';
import { allCases } from './cases';
import { render, RATE_HZ, type Truth } from './generate';
import { libraries, type Library } from './libraries';
import { addScore, emptyTally, quantile, type Tally } from './score';

/** Slow trackers hear every n-th case, so that the bench ends in minutes; ours hears all and, for comparison, those too. */
const LIBRARY_EVERY = 20;

const cases = allCases();
const byTrap = new Map<string, Tally>();
const all = emptyTally();
const sample = emptyTally();
const compared = new Map<string, { tally: Tally; cpuS: number; lengthS: number }>();
const trackers = libraries(RATE_HZ);
let cpuS = 0;
let lengthS = 0;

cases.forEach((one, i) => {
  const truth = render(one, i + 1);
  const started = process.cpuUsage();
  const ear = new Ear({ sampleRateHz: truth.sampleRateHz });
  ear.push(truth.samples);
  const frames = ear.finish();
  cpuS += cpuSince(started);
  lengthS += truth.samples.length / RATE_HZ;
  const answer = { f0Hz: frames.f0Hz, levelDb: frames.levelDb, onsetsS: frames.toneStartsS };
  const trap = byTrap.get(one.trap) ?? emptyTally();
  byTrap.set(one.trap, trap);
  addScore(all, truth, answer);
  addScore(trap, truth, answer);
  if (i % LIBRARY_EVERY !== 0) return;
  addScore(sample, truth, answer);
  for (const library of trackers) hearWith(library, truth);
});

const browser = process.argv.includes('--no-browser') ? undefined : await browserFigures();
const report = text();
writeFileSync('docs/bench.md', report);
console.log(report);

function hearWith(library: Library, truth: Truth): void {
  const entry = compared.get(library.name) ?? { tally: emptyTally(), cpuS: 0, lengthS: 0 };
  compared.set(library.name, entry);
  const padded = new Float32Array(truth.samples.length + 2 * library.windowSamples);
  padded.set(truth.samples, library.windowSamples);
  const started = process.cpuUsage();
  const f0Hz = Float64Array.from(truth.voiced, (_, frame) => {
    const from = Math.round(frame * HOP_S * RATE_HZ) + library.windowSamples / 2;
    const hz = library.pitch(padded.slice(from, from + library.windowSamples));
    return Number.isFinite(hz) ? hz : 0;
  });
  entry.cpuS += cpuSince(started);
  entry.lengthS += truth.samples.length / RATE_HZ;
  addScore(entry.tally, truth, { f0Hz });
}

function cpuSince(started: NodeJS.CpuUsage): number {
  const used = process.cpuUsage(started);
  return (used.user + used.system) / 1e6;
}

function text(): string {
  const head = [
    'sound',
    'gross %',
    'octave %',
    'cents median',
    'cents 95th',
    'missed %',
    'false %',
    'onset ms median / 95th',
    'level dB 95th',
  ];
  const rows = [...byTrap].map(([name, tally]) => [name, ...figures(tally)]);
  const others = [...compared].map(([name, { tally, cpuS: cpu, lengthS: length }]) => [
    name,
    ...figures(tally).slice(0, 6),
    `${(length / cpu).toFixed(0)} ×`,
  ]);
  const ours = ['**Inner Hum**', ...figures(sample).slice(0, 6), `${(lengthS / cpuS).toFixed(0)} ×`];
  return `# Bench of the ear

Written by \`npm run bench\` on ${cpus()[0]?.model.trim()} (Node ${process.version}): ${cases.length} sounds, ${lengthS.toFixed(0)} s, with exact truth each 10 ms,
made by \`bench/generate.ts\` (pulse trains through filters, another method than the stand-in player's). Edges of a tone
(± 10 ms, and where it is less than 10 % of its size) count neither way, nor does a room's tail until it has fallen 20 dB.
Pitch is searched from 48 to 2800 Hz without knowing the horn.

## All sounds
${table([head, ['**all**', ...figures(all)], ...rows])}

Partial changes taken as new tones: ${all.onsetsExtra} beyond the ${all.onsets} true starts; ${all.onsetErrorsS.length} of those were found within 150 ms.

## Beside general-purpose libraries
The same sound (every ${LIBRARY_EVERY}th), the same run, each library at the settings that did best here.
${table([['tracker', ...head.slice(1, 7), 'speed'], ours, ...others])}

Speed is seconds of sound for each second of one core, the whole frame analysis (pitch, voicing, level, partials, breath) in
our case, pitch alone in theirs.

## In the running application
${
  browser
    ? `Microphone path to decided frame on the page: ${browser.answerMs} ms (without the sound card's own delay; a drawn frame follows
within 17 ms). Free play draws ${browser.framesPerSecond.toFixed(1)} frames a second, the slowest of 295 took ${browser.worstFrameMs.toFixed(0)} ms.`
    : 'Not measured in this run.'
}
`;
}

function figures(tally: Tally): string[] {
  const percent = (part: number, whole: number, decimals = 3) =>
    whole ? ((100 * part) / whole).toFixed(decimals) : '–';
  const cents = (share: number) => (tally.cents.length ? quantile(tally.cents, share).toFixed(2) : '–');
  const ms = (share: number) =>
    tally.onsetErrorsS.length ? (1000 * quantile(tally.onsetErrorsS, share)).toFixed(1) : '–';
  return [
    percent(tally.gross, tally.found),
    percent(tally.octave, tally.found),
    cents(0.5),
    cents(0.95),
    percent(tally.missed, tally.voiced),
    percent(tally.falseTone, tally.toneless, 2),
    `${ms(0.5)} / ${ms(0.95)}`,
    tally.levelErrorsDb.length ? quantile(tally.levelErrorsDb, 0.95).toFixed(2) : '–',
  ];
}

function table([head, ...rows]: string[][]): string {
  const line = (cells: string[]) => `| ${cells.join(' | ')} |`;
  return [line(head!), line(head!.map(() => '---')), ...rows.map(line)].join('\n');
}

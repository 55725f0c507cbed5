import { cpus } from 'node:os';
import { parseArgs } from 'node:util';
import { browserFigures } from './browser';
import { RATE_HZ, type BenchCase } from './benchCase';
import { allCases } from './cases';
import { render } from './generate';
import { libraries } from './libraries';
import { listen, listenWith } from './listen';
import { addRecording, recordedFigures, recordings, type RecordedTally } from './recorded';
import { addScore, emptyTally, figures, jumpFigures, quantile, table, type Tally } from './score';
import { writePage } from './pages';
import { roomFigures } from './rooms';
import { seedFrom } from './random';
import { SPEED_RUNS, speedAlone } from './speedAlone';

/** What some of them were before the ear's last change, on the same sounds: what it was made for. */
const BEFORE: Readonly<Record<string, string>> = {
  'rough subtone: cents 95th': '5.53',
  'rough subtone, summed: cents 95th': '5.94',
  'rough subtone, wandering: cents 95th': '4.42',
  'live, a machine eight times slower: longest wait of a block': '965 ms',
  'airy vibrato: cents 95th': '5.31',
  'subtone: cents 95th': '3.75',
  'speed, one core': '58 ×',
  'ten minutes from a file': '10.4 s',
  'cents, median / 95th (all sounds)': '0.38 / 3.10',
  'level, dB median / 95th': '0.00 / 0.06',
};

/** The libraries hear every n-th sound, so that the bench ends in minutes; ours hears all and, beside them, those too. */
const LIBRARY_EVERY = 12;
const { values: options } = parseArgs({
  options: { every: { type: 'string', default: '1' }, browser: { type: 'boolean', default: true } },
  allowNegative: true,
});
/** Every n-th sound only (`--every n`), for a quick look that is not written down. */
const every = Number(options.every);

const cases = allCases().filter((_, i) => i % every === 0);
const byTrap = new Map<string, Tally>();
const all = emptyTally();
const changes = emptyTally();
const sample = emptyTally();
const compared = new Map<string, { tally: Tally; cpuS: number; lengthS: number }>();
const trackers = await libraries(RATE_HZ);
let cpuS = 0;
let lengthS = 0;

cases.forEach((benchCase, i) => {
  const truth = render(benchCase, seedFrom(`${benchCase.trap} ${benchCase.name}`));
  const { cpuS: used, jumpsS, ...answer } = listen(truth.samples, RATE_HZ);
  cpuS += used;
  lengthS += truth.samples.length / RATE_HZ;
  const trap = byTrap.get(benchCase.trap) ?? emptyTally();
  byTrap.set(benchCase.trap, trap);
  addScore(all, truth, answer, jumpsS);
  addScore(trap, truth, answer, jumpsS);
  if (countsForChanges(benchCase)) addScore(changes, truth, { ...answer, ...(jumpsS && { jumpsS }) });
  if (i % LIBRARY_EVERY !== 0) return;
  addScore(sample, truth, answer);
  for (const library of trackers) {
    const entry = compared.get(library.name) ?? { tally: emptyTally(), cpuS: 0, lengthS: 0 };
    compared.set(library.name, entry);
    const heard = listenWith(library, truth.samples, RATE_HZ);
    entry.cpuS += heard.cpuS;
    entry.lengthS += truth.samples.length / RATE_HZ;
    addScore(entry.tally, truth, { f0Hz: heard.f0Hz });
  }
});

const recorded = new Map<string, RecordedTally>();
for (const recording of recordings()) {
  const { samples, sampleRateHz } = recording;
  const add = (name: string, f0Hz: ArrayLike<number>) => {
    const tally = recorded.get(name) ?? { frames: 0, missed: 0, gross: 0, steps: [] };
    recorded.set(name, tally);
    addRecording(tally, recording, { f0Hz });
  };
  // Two seconds of each are enough for the slow ones.
  const part = samples.subarray(0, 2 * sampleRateHz);
  add('**Inner Hum**', listen(part, sampleRateHz).f0Hz);
  for (const library of trackers) add(library.name, listenWith(library, part, sampleRateHz).f0Hz);
}

const speed = speedAlone();
const browser = options.browser ? await browserFigures() : undefined;
const report = text();
if (every === 1) writePage('bench', report);
console.log(report);

/** Found in the sounds that change partial; false in those of a single tone or none, where nothing changes. */
function countsForChanges({ trap, tones }: BenchCase): boolean {
  return trap === 'partial jumps' || tones.length <= 1;
}

/** The figures that the ear is held to, each with what it must reach, what is aimed at, and what was measured. */
function demands(): string[][] {
  const trap = (name: string) => byTrap.get(name) ?? emptyTally();
  const percent = (part: number, whole: number) => `${((100 * part) / Math.max(1, whole)).toFixed(3)} %`;
  const cents = (tally: Tally) =>
    `${quantile(tally.cents, 0.5).toFixed(2)} / ${quantile(tally.cents, 0.95).toFixed(2)}`;
  const clearStartsS = [...byTrap].flatMap(([name, { onsetErrorsS }]) => (name === 'soft starts' ? [] : onsetErrorsS));
  const ms = (share: number) => (1000 * quantile(clearStartsS, share)).toFixed(1);
  const db = (share: number) => quantile(all.levelErrorsDb, share).toFixed(2);
  const subtone = trap('subtone');
  const doubled = emptyTally();
  for (const name of ['octave below for a while', 'octave below in the attack']) {
    doubled.octave += trap(name).octave;
    doubled.found += trap(name).found;
  }
  const right = percent(subtone.found - subtone.gross, subtone.voiced);
  return [
    ['gross error', '≤ 0.3 %', '≤ 0.05 %', percent(all.gross, all.found)],
    ['partial and octave errors', '≤ 0.2 %', '≤ 0.03 %', percent(all.octave, all.found)],
    [
      'the same on overtones over a sounding tube',
      '≤ 0.5 %',
      '',
      percent(trap('overtones').octave, trap('overtones').found),
    ],
    ['cents, median / 95th (all sounds)', '≤ 0.45 / 2.5', '≤ 0.3 / 1.5', cents(all)],
    ['tones missed', '≤ 1 %', '≤ 0.3 %', percent(all.missed, all.voiced)],
    ['false tones', '≤ 1 %', '≤ 0.3 %', percent(all.falseTone, all.toneless)],
    ['subtone: right', '≥ 99 %', '≥ 99.7 %', right],
    ['subtone: cents 95th', '≤ 10', '≤ 4', quantile(subtone.cents, 0.95).toFixed(2)],
    ...['rough subtone', 'rough subtone, summed', 'rough subtone, wandering'].map((name) => [
      `${name}: cents 95th`,
      '≤ 7',
      '≤ 4',
      quantile(trap(name).cents, 0.95).toFixed(2),
    ]),
    ['octave below sounds along: octave errors', '', '0 %', percent(doubled.octave, doubled.found)],
    [
      'soft starts: onset, ms median',
      '≤ 35',
      '≤ 20',
      (1000 * quantile(trap('soft starts').onsetErrorsS, 0.5)).toFixed(0),
    ],
    [
      'whisper, speech, rattling keys and other noise taken for tone',
      '',
      '≤ 0.5 %',
      percent(trap('no tone at all').falseTone, trap('no tone at all').toneless),
    ],
    ['starts missed', '', '0', String(all.onsets - all.onsetErrorsS.length - all.onsetsAsChange)],
    ['vibrato: cents 95th', '≤ 5', '≤ 3', quantile(trap('vibrato').cents, 0.95).toFixed(2)],
    ['airy vibrato: cents 95th', '', '', quantile(trap('airy vibrato').cents, 0.95).toFixed(2)],
    ['other starts: onset, ms median / 95th', '≤ 5 / 15', '≤ 2 / 8', `${ms(0.5)} / ${ms(0.95)}`],
    ['level, dB median / 95th', '≤ 0.3', '≤ 0.1', `${db(0.5)} / ${db(0.95)}`],
    ['changes of partial found', '≥ 98 %', '≥ 99.5 %', percent(changes.jumpsFound, changes.jumps)],
    ['false ones a minute', '≤ 0.2', '≤ 0.05', ((60 * changes.jumpsFalse) / changes.lengthS).toFixed(2)],
    ['speed, one core', '≥ 40 ×', '≥ 100 ×', `${(speed.lengthS / speed.cpuS).toFixed(0)} ×`],
    ['ten minutes from a file', '≤ 20 s', '≤ 8 s', `${speed.cpuS.toFixed(1)} s`],
    ['live, of each 10 ms', '', '', `${speed.liveMs.toFixed(2)} ms`],
    ['live, a machine eight times slower: longest wait of a block', '≤ 50 ms', '', `${speed.longestMs.toFixed(0)} ms`],
    ['microphone to page', '≤ 80 ms', '≤ 50 ms', browser ? `${browser.answerMs} ms` : 'not measured'],
  ];
}

function withBefore([name = '', must = '', aim = '', now = '']: string[]): string[] {
  return [name, must, aim, BEFORE[name] ?? '', now];
}

function text(): string {
  const head = [
    'sound',
    'gross %',
    'partial / octave %',
    'cents median',
    'cents 95th',
    'missed %',
    'false %',
    'onset ms median / 95th',
    'level dB median / 95th',
  ];
  const others = [...compared].map(([name, { tally, cpuS: cpu, lengthS: length }]) => [
    name,
    ...figures(tally).slice(0, 6),
    `${(length / cpu).toFixed(0)} ×`,
  ]);
  const ours = ['**Inner Hum**', ...figures(sample).slice(0, 6), `${(speed.lengthS / speed.cpuS).toFixed(0)} ×`];
  return `# Bench of the ear

Written by \`npm run bench\` on ${cpus()[0]?.model.trim()} (Node ${process.version}): ${cases.length} sounds, ${lengthS.toFixed(0)} s, with exact truth each 10 ms,
made by \`bench/generate.ts\` (pulse trains through filters, another method than the stand-in player's). Edges of a tone
(± 10 ms, and where it is less than 10 % of its size) count neither way, nor does a room's tail until it has fallen 20 dB.
Pitch is searched from 48 to 2800 Hz without knowing the horn.

## What is asked for, and what was measured
${table([['figure', 'must', 'aim', 'before', 'measured'], ...demands().map(withBefore)])}

Level: truth and ear both weigh 40 ms by a Hann window, the truth sample by sample over the sound as it is, the ear in groups
and with the offset filtered off. Soft starts are counted from where their swelling amplitude is nought, under their own
breath: the ear follows their partials back to where those stand out of it.

## All sounds
${table([head, ['**all**', ...figures(all)], ...[...byTrap].map(([name, tally]) => [name, ...figures(tally)])])}

Changes of partial: ${jumpFigures(changes)}. Tones that began after a gap: ${all.onsetErrorsS.length} of ${all.onsets} found within 150 ms;
${all.onsetsAsChange} were heard within 60 ms of their time as a change of note, since the room still rang with the last one;
${all.onsets - all.onsetErrorsS.length - all.onsetsAsChange} were missed; ${all.onsetsExtra} more heard than truly began.

## The tone's own level in a room
Swells of the stand-in player, 95th percentile of how far the level is off what it is without the room, dB, over all frames down to 12 dB
under the room. Without rests the recording holds nothing but the tone. Before, the four rooms were off by 1.5 to 1.8 dB at 20 dB and
1.1 to 7.4 at 10 dB where they were never heard alone.
${table(roomFigures())}

## Beside general-purpose libraries
The same sound (every ${LIBRARY_EVERY}th), the same run, each library at the settings that did best here.
${table([['tracker', ...head.slice(1, 7), 'speed'], ours, ...others])}

Speed is seconds of sound for each second of processor time, the whole frame analysis (pitch, voicing, level, partials,
breath) in our case, pitch alone in theirs. Ours is that of one recording of ten minutes by the bundled ear, which takes
${speed.cpuS.toFixed(1)} s, the median of ${SPEED_RUNS} processes; unbundled, over the ${cases.length} short sounds, each with a new ear, it is ${(lengthS / cpuS).toFixed(0)} ×.

## Recorded tones
33 single tones of a real saxophone, sounding C♯3 to A5. Of these only the note is known, so a frame is right within
50 cents of it; how far the pitch moves from one frame to the next tells how quiet the tracker is.
${table([
  ['tracker', 'gross %', 'missed %', 'step cents median', 'step cents 95th'],
  ...[...recorded].map(([name, tally]) => [name, ...recordedFigures(tally)]),
])}

## In the running application
${
  browser
    ? `Microphone path to decided frame on the page: ${browser.answerMs} ms (without the sound card's own delay; a drawn frame follows
within 17 ms). Free play draws ${browser.framesPerSecond.toFixed(1)} frames a second, the slowest of 295 took ${browser.worstFrameMs.toFixed(0)} ms.`
    : 'Not measured in this run.'
}
`;
}

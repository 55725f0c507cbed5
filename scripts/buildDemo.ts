import { mkdirSync, writeFileSync } from 'node:fs';
import { hearingRangeHz, type ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { writeBackupZip } from '@inner-hum/core/formats';
import { assignmentOf, packFrames, planTake, takeOf, toInt16, type WholeTake } from '@inner-hum/core/take';
import { assess, type Decision, type PastTake } from '@inner-hum/core/judge';
import { digestOf, pastTakeOf } from '@inner-hum/core/history';
import { hear, HOP_S } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn, type Habits } from '@inner-hum/core/simulate';
import {
  RULER,
  DAYS,
  LEAK,
  type Planned,
  random,
  unpractised,
  noteHabits,
  REEDS,
  reedHabits,
  soft,
  ladder,
  match,
  softEntry,
  leakOn,
  type Change,
} from './demoHabits';

/**
 * Demo data: the reed-doubler of an amateur theatre pit in a small ferry port, eight weeks before the winter show, on an alto
 * and a borrowed low-A baritone, three reeds. A leak is found in week three; the show needs soft low entries. The stand-in
 * player plays; the takes go through the real analysis.
 */
const RATE_HZ = 44100;
const LEAD_S = 0.6;
const FIRST_DAY_MS = Date.UTC(2026, 8, 28);
const DAY_MS = 86_400_000;
const MOST_BYTES = 3_000_000;

/** What is practised on a day: a warm-up, swells, something low, and in turn overtones, descents, starts. */
function dayPlan(day: number): Planned[] {
  const alto = (family: string, change: Change = {}, more: Partial<Planned> = {}): Planned => ({
    horn: 'alto',
    family,
    change,
    ...more,
  });
  const bari = (family: string, change: Change = {}, more: Partial<Planned> = {}): Planned => ({
    horn: 'baritoneLowA',
    family,
    change,
    ...more,
  });
  const survey = (of: typeof alto) =>
    (['low', 'middle', 'palm'] as const).map((part) => of('survey', { part, tempoBpm: 132 }));
  if (day === 0)
    return [
      alto('swell', { writtenMidi: 67 }, { note: 'First evening with the ear on. Band room cold.' }),
      ...survey(alto),
    ];
  if (day === 2)
    return [
      bari(
        'swell',
        { writtenMidi: 57, softest: 'mp', beats: 6 },
        {
          note: 'Borrowed baritone. The low A goes up the octave when it gets soft.',
          habits: { jumps: [{ place: 0.78, partial: 2, lastsS: 0.3 }] },
        },
      ),
      ...survey(bari),
    ];
  if (day === DAYS - 4) return [...survey(alto)];
  if (day === DAYS - 2) return [...survey(bari)];
  const pick = <T>(list: readonly T[]) => list[Math.floor(random.uniform() * list.length)]!;
  const low = pick([58, 59, 60, 61, 62]);
  const middle = pick([64, 66, 67, 69, 71, 74, 76, 78, 79]);
  const palm = pick([84, 86, 87, 88, 89]);
  const softLow = { family: day % 4 === 0 ? 'airIntoTone' : 'firstTrace' };
  const turns: readonly Planned[][] = [
    [
      alto(
        'overtoneLadder',
        { writtenMidi: 58, top: day < 25 ? 3 : 4, pattern: 'upAndBack', tempoBpm: 100 },
        { habits: ladder(day) },
      ),
    ],
    [alto('oneBreathDescent', { tempoBpm: 100 }), alto('hold', { writtenMidi: palm })],
    [alto('overtoneMatch', { writtenMidi: 59, repeats: 1, beats: 3, tempoBpm: 90 }, { habits: match(day) })],
    [alto('relaySwell', { writtenMidi: 73, pairs: 1, tempoBpm: 80 }, { habits: { slurStepDb: 5 * unpractised(day) } })],
    [
      alto(
        'humFirst',
        { writtenMidi: 58, repeats: 1, beats: 3, tempoBpm: 80 },
        { habits: { humCents: 40 * unpractised(day) } },
      ),
    ],
    [
      alto('crossingBreak', { way: 'fromAbove', tempoBpm: 90 }),
      alto('swell', { writtenMidi: 86, beats: 6, tempoBpm: 80 }),
    ],
  ];
  const starts = bari(
    'tongueOrAir',
    { writtenMidi: low, starts: 4, beats: 1, restBeats: 1, tempoBpm: 100, dynamic: 'mp' },
    leakOn(day),
  );
  return [
    alto('swell', { writtenMidi: middle, tempoBpm: 80, ...(day > 20 && { softest: 'pp' }) }, soft(day)),
    ...(day % 2 ? [alto('hold', { writtenMidi: middle + 3 })] : []),
    ...turns[day % turns.length]!,
    ...(day % 3 === 0 || (day >= LEAK.from && day <= LEAK.to && day % 2 === 0) ? [starts] : []),
    ...(day % 3 === 1
      ? [bari(softLow.family, { writtenMidi: low, repeats: 2, beats: 3, tempoBpm: 80 }, { habits: softEntry(day) })]
      : []),
    ...(day % 4 === 2 ? [bari('swell', { writtenMidi: low, beats: 6, softest: 'mp' })] : []),
  ];
}

const decisions = new Map<string, Decision[]>();
const pasts = new Map<string, PastTake[]>();
const takes: WholeTake[] = [];

function playTake(plan: Planned, day: number, minute: number): void {
  const horn = plan.horn as 'alto' | 'baritoneLowA';
  const parameters: ExerciseParameters = { ...usualExercise(familyById(plan.family), horn), ...plan.change };
  const reed = REEDS[day % 3]!;
  const habits: Habits = {
    ...CLEAN_HABITS,
    jitterCents: 0.8,
    wobbleCents: 2.5 * (0.6 + unpractised(day)),
    ...reedHabits(reed, day),
    ...plan.habits,
    perNote: noteHabits(horn, day),
  };
  const seed = 100 + takes.length;
  const startedAtMs = FIRST_DAY_MS + day * DAY_MS + (18 * 60 + 30 + minute) * 60_000;
  const startedAt = new Date(startedAtMs).toISOString();
  const when = { startedAtMs, day: startedAt.slice(0, 10) };
  const kept = { perNote: habits.perNote, wobbleCents: habits.wobbleCents, jitterCents: 0.8, ...reedHabits(reed, day) };
  const take = planTake({
    startedAt,
    parameters,
    setup: {
      instrumentId: horn,
      a4Hz: 440,
      ruler: RULER,
      demand: 'firm',
      mouthpiece: horn === 'alto' ? 'own' : 'borrowed',
      reed,
      room: day % 7 === 5 ? 'band room' : 'kitchen',
    },
    source: { kind: 'standIn', seed, habits: { ...plan.habits, ...kept } as Habits },
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
    cue: plan.cue ?? '',
  });
  const { score } = take;
  const settings = { sampleRateHz: RATE_HZ, a4Hz: 440, ruler: RULER, habits, seed, leadS: LEAD_S, tailS: 0.4 };
  const samples = playStandIn(score, settings);
  const frames = hear(samples, { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, 440) });
  const key = `${horn} ${plan.family} ${String(parameters['writtenMidi'])} ${day}`;
  const before = decisions.get(key) ?? [];
  const past = pasts.get(horn) ?? [];
  const judged = assess(frames, {
    ...assignmentOf(take, { before, past, bounds: { goalNotes: [] }, ...when }),
    firstBeatS: LEAD_S,
  });
  decisions.set(key, [...before, judged.verdict.decision]);
  const heard = {
    ...judged,
    frameCount: frames.count,
    frames: packFrames(frames),
    samples: toInt16(samples),
    sampleRateHz: RATE_HZ,
    firstBeatS: LEAD_S,
    lostMs: 0,
  };
  const id = `demo-${String(takes.length).padStart(3, '0')}`;
  const made = takeOf(take, heard, { id, cut: false, keepSound: false, note: plan.note ?? '', demo: true });
  pasts.set(horn, [...past, pastTakeOf(digestOf(made.record, when))].slice(-120));
  takes.push(made);
}

for (let day = 0; day < DAYS; day++) {
  const kept = [0, 2, DAYS - 4, DAYS - 2, DAYS - 1].includes(day) || (day >= LEAK.from && day <= LEAK.to + 2);
  if (!kept && random.uniform() < 0.2) continue;
  let minute = Math.floor(40 * random.uniform());
  for (const plan of dayPlan(day)) {
    playTake(plan, day, minute);
    minute += 2 + Math.floor(3 * random.uniform());
  }
}
const bytes = writeBackupZip(takes, new Date(FIRST_DAY_MS).toISOString());
if (bytes.length > MOST_BYTES) throw new Error(`the season takes ${bytes.length} bytes, ${MOST_BYTES} are allowed`);
mkdirSync('web/public/demo', { recursive: true });
writeFileSync('web/public/demo/season.zip', bytes);
const seconds = takes.reduce((sum, take) => sum + take.record.frameCount * HOP_S, 0);
console.log(
  `${takes.length} takes on ${new Set(takes.map((take) => take.record.startedAt.slice(0, 10))).size} days, ${seconds.toFixed(0)} s, ${(bytes.length / 1000).toFixed(0)} kB`,
);
const found = new Map<string, number>();
for (const { record } of takes)
  for (const finding of record.verdict.findings) found.set(finding.id, (found.get(finding.id) ?? 0) + 1);
console.log(
  [...found]
    .sort(([, a], [, b]) => b - a)
    .map(([id, count]) => `${id} ${count}`)
    .join(', '),
);

import { mkdirSync, writeFileSync } from 'node:fs';
import { swell, SWELL_DEFAULTS, type SwellParameters } from '@inner-hum/core/exercise';
import { packFrames, writeBackup, type WholeTake } from '@inner-hum/core/formats';
import { assess, type Decision } from '@inner-hum/core/judge';
import { hear, HOP_S } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn, type Habits } from '@inner-hum/core/simulate';
import { instrumentById, soundingRangeHz, type InstrumentId, type LevelRuler } from '@inner-hum/core/theory';

/**
 * Demo data: the reed-doubler of an amateur theatre pit in a small ferry port, eight weeks before the winter show, on alto
 * and a borrowed low-A baritone. The stand-in player plays; the takes go through the real analysis.
 */
const RATE_HZ = 44100;
const LEAD_S = 0.6;
const RULER: LevelRuler = { softestDb: -46, loudestDb: -17, origin: 'measured' };

interface Plan {
  readonly day: number;
  readonly time: string;
  readonly horn: InstrumentId;
  readonly swell: Partial<SwellParameters>;
  readonly habits: Partial<Habits>;
  readonly note?: string;
}

const soft = (cents: number): Partial<Habits> => ({ sharpWhenSoftCents: cents });

const PLANS: readonly Plan[] = [
  {
    day: 0,
    time: '19:10',
    horn: 'alto',
    swell: { writtenMidi: 67 },
    habits: { ...soft(14), tuningCents: 4 },
    note: 'First evening with the ear on. Band room cold.',
  },
  {
    day: 0,
    time: '19:14',
    horn: 'alto',
    swell: { writtenMidi: 62, shape: 'grow' },
    habits: { ...soft(11), stairs: [{ place: 0.4, db: 4.5 }] },
  },
  {
    day: 0,
    time: '19:19',
    horn: 'alto',
    swell: { writtenMidi: 86, softest: 'mp' },
    habits: { ...soft(16), wobbleCents: 4 },
  },
  {
    day: 1,
    time: '18:42',
    horn: 'baritoneLowA',
    swell: { writtenMidi: 57, softest: 'mp', beats: 6 },
    habits: { jumps: [{ place: 0.78, partial: 2, lastsS: 0.3 }], ...soft(9) },
    note: 'Borrowed baritone. The low A goes up the octave when it gets soft.',
  },
  {
    day: 1,
    time: '18:47',
    horn: 'baritoneLowA',
    swell: { writtenMidi: 60, beats: 6 },
    habits: { dropOuts: [{ place: 0.9, lastsS: 0.2 }], breathDb: -20 },
  },
  { day: 3, time: '19:02', horn: 'alto', swell: { writtenMidi: 67 }, habits: { ...soft(12) } },
  {
    day: 3,
    time: '19:07',
    horn: 'alto',
    swell: { writtenMidi: 69, shape: 'fadeGrow' },
    habits: { ...soft(10), stairs: [{ place: 0.62, db: 4 }] },
  },
  {
    day: 5,
    time: '20:15',
    horn: 'baritoneLowA',
    swell: { writtenMidi: 58, beats: 6, softest: 'mp' },
    habits: { breathDb: -15, breathWhenSoftDb: 4, ...soft(8) },
    note: 'Second reed. Airier than the first.',
  },
  { day: 5, time: '20:21', horn: 'baritoneLowA', swell: { writtenMidi: 64 }, habits: { driftCentsPerS: -4.6 } },
  {
    day: 8,
    time: '18:55',
    horn: 'alto',
    swell: { writtenMidi: 74 },
    habits: { ...soft(9), tuningCents: -15 },
    note: 'Forgot to warm up.',
  },
  { day: 8, time: '19:00', horn: 'alto', swell: { writtenMidi: 67, tunerHidden: true }, habits: { ...soft(10) } },
  {
    day: 10,
    time: '19:31',
    horn: 'alto',
    swell: { writtenMidi: 62, shape: 'fade', softest: 'pp' },
    habits: { ...soft(7), lateS: 0.13 },
  },
  {
    day: 10,
    time: '19:36',
    horn: 'baritoneLowA',
    swell: { writtenMidi: 57, beats: 6, softest: 'mp' },
    habits: { jumps: [{ place: 0.85, partial: 2, lastsS: 0.18 }], ...soft(7) },
  },
  { day: 12, time: '19:05', horn: 'alto', swell: { writtenMidi: 67, softest: 'pp' }, habits: { ...soft(8) } },
  { day: 12, time: '19:09', horn: 'alto', swell: { writtenMidi: 86 }, habits: { ...soft(11), peakShift: 0.13 } },
  {
    day: 15,
    time: '18:38',
    horn: 'baritoneLowA',
    swell: { writtenMidi: 58, beats: 6 },
    habits: { dropOuts: [{ place: 0.07, lastsS: 0.12 }], breathDb: -18 },
    note: 'Soft low entry from the second act. Tongued and breathed, both stutter: have the pads looked at.',
  },
  { day: 15, time: '18:44', horn: 'alto', swell: { writtenMidi: 71 }, habits: { ...soft(6) } },
  { day: 17, time: '19:20', horn: 'alto', swell: { writtenMidi: 67, softest: 'pp' }, habits: { ...soft(4) } },
  {
    day: 17,
    time: '19:26',
    horn: 'alto',
    swell: { writtenMidi: 62, softest: 'p' },
    habits: { ...soft(4) },
    note: 'Even for the first time, top to bottom.',
  },
  {
    day: 19,
    time: '19:12',
    horn: 'baritoneLowA',
    swell: { writtenMidi: 57, beats: 6 },
    habits: { ...soft(5) },
    note: 'After the repair: it speaks.',
  },
  {
    day: 19,
    time: '19:17',
    horn: 'alto',
    swell: { writtenMidi: 67, softest: 'pp', loudest: 'ff' },
    habits: { ...soft(3) },
  },
];

const FIRST_DAY = Date.UTC(2026, 9, 5);
const before = new Map<string, Decision[]>();

function takeOf(plan: Plan, index: number): WholeTake {
  const { horn, habits: change } = plan;
  const parameters: SwellParameters = { ...SWELL_DEFAULTS, ...plan.swell, instrumentId: horn };
  const habits: Habits = { ...CLEAN_HABITS, ...change };
  const score = swell(parameters);
  const settings = {
    sampleRateHz: RATE_HZ,
    a4Hz: 440,
    ruler: RULER,
    habits,
    seed: 100 + index,
    leadS: LEAD_S,
    tailS: 0.4,
  };
  const samples = playStandIn(score, settings);
  const frames = hear(samples, { sampleRateHz: RATE_HZ, ...soundingRangeHz(instrumentById(horn), 440) });

  const setup = { instrumentId: horn, a4Hz: 440, ruler: RULER, demand: 'firm' } as const;
  const known = {
    score,
    parameters,
    ...setup,
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
    firstBeatS: LEAD_S,
  };
  const key = `${horn} ${parameters.writtenMidi} ${plan.day}`;
  const { measures, verdict } = assess(frames, { ...known, before: before.get(key) ?? [] });
  before.set(key, [...(before.get(key) ?? []), verdict.decision]);
  return {
    record: {
      id: `demo-${String(index).padStart(2, '0')}`,
      startedAt: `${new Date(FIRST_DAY + plan.day * 86_400_000).toISOString().slice(0, 10)}T${plan.time}:00.000Z`,
      parameters,
      score,
      setup,
      source: { kind: 'standIn', seed: settings.seed, habits },
      audioPath: known.audioPath,
      firstBeatS: LEAD_S,
      onBeat: true,
      frameCount: frames.count,
      measures,
      verdict,
      note: plan.note ?? '',
      lostMs: 0,
      cut: false,
      demo: true,
    },
    frames: packFrames(frames),
  };
}

const takes = PLANS.map(takeOf);
const text = writeBackup(takes, new Date(FIRST_DAY).toISOString());
mkdirSync('web/public/demo', { recursive: true });
writeFileSync('web/public/demo/season.json', text);
const seconds = takes.reduce((sum, take) => sum + take.record.frameCount * HOP_S, 0);
console.log(`${takes.length} takes, ${seconds.toFixed(0)} s, ${(text.length / 1000).toFixed(0)} kB`);
for (const { record } of takes)
  console.log(
    record.id,
    record.parameters.writtenMidi,
    record.verdict.decision,
    record.verdict.findings.map((one) => one.id).join(' '),
  );

// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import type { Remote } from 'comlink';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { finding, JUDGE_RULES } from '@inner-hum/core/judge';
import { measured } from '@inner-hum/core/measure';
import { CLEAN_HABITS, playStandIn, type Habits } from '@inner-hum/core/simulate';
import { judgedAnew, takeOf, type TakeRecord, type WholeTake } from '@inner-hum/core/take';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { beforeEach, expect, it } from 'vitest';
import { database } from '../db/database';
import { judgedOtherwise } from '../db/results';
import { keepTake } from '../db/takes';
import type { EarService } from '../input/protocol';
import { TakeRecorder } from '../input/takeRecorder';
import { judgeOlder } from './judgeOlder';
import { assignmentFor, recorderSettingsFor } from './planNow';

const functions: Partial<EarService> = { judgeAnew: judgedAnew };
const ear = { ask: functions as unknown as Remote<EarService> };
const RATE_HZ = 48_000;

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));

/** A take of a family as it was kept when it was played. */
function played(id: string, day: number, family: string, habits: Partial<Habits>): WholeTake {
  const parameters = usualExercise(familyById(family), 'alto');
  const plan = {
    startedAt: `2026-03-0${day}T18:00:00.000Z`,
    parameters,
    score: exerciseScore(parameters),
    setup: { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
    source: { kind: 'microphone', label: '' },
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
  } as const;
  const sound = playStandIn(plan.score, {
    sampleRateHz: RATE_HZ,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    habits: { ...CLEAN_HABITS, ...habits },
    seed: 4,
    leadS: 1,
    tailS: 0.4,
  });
  const recorder = new TakeRecorder(recorderSettingsFor(plan, RATE_HZ));
  recorder.push(0, sound);
  return takeOf(plan, recorder.finishTake(assignmentFor(plan), 1)!, { id, cut: false, keepSound: false });
}

/** The same as rules before today's told it: a squeak of 0.6 s was held, and a vibrato was out of tune. */
function asToldBefore({ record, frames }: WholeTake): WholeTake {
  const { judgedBy: _, ...rest } = record;
  const measures = record.measures.map((step) =>
    step.kind === 'sounded'
      ? { ...step, hold: { beats: measured(0.6, 0.01), fault: 'ended' as const }, shareInWindow: measured(0.32, 0.01) }
      : step,
  );
  const findings = [finding('held', 0, { beats: 0.6, seconds: 0.6 }, 1)];
  const verdict = { ...record.verdict, findings, decision: 'harder' as const };
  return { record: { ...rest, measures, verdict, note: 'With the new reed.' }, frames };
}

it('takes of before are judged by the rules of today, with all that was written of them, once', async () => {
  await keepTake(asToldBefore(played('squeak', 1, 'hold', { breathS: 0.6 })));
  await keepTake(asToldBefore(played('vibrato', 2, 'swell', { vibrato: { rateHz: 5.4, extentCents: 24 } })));
  await keepTake(played('new', 3, 'hold', {}));
  expect(await judgedOtherwise()).toEqual(['squeak', 'vibrato']);
  const starts = await startsOf('vibrato');
  expect(await judgeOlder(ear, await judgedOtherwise())).toBe(2);

  const squeak = (await database.takes.get('squeak'))!;
  expect(squeak.verdict).toMatchObject({ decision: 'again', findings: [{ id: 'tooShort' }] });
  expect(squeak).toMatchObject({ note: 'With the new reed.', judgedBy: JUDGE_RULES });
  expect((await database.digests.get('squeak'))!.holds).toEqual([]);
  const { measures } = (await database.takes.get('vibrato'))!;
  expect(measures[0]).toMatchObject({ shareInWindow: { value: expect.closeTo(1, 1) as number } });
  expect((await database.digests.get('vibrato'))!.shareInWindow).toBeCloseTo(1, 1);
  // What the frames that are kept can't tell as finely stays as it was measured when it was played.
  expect(await startsOf('vibrato')).toEqual(starts);
  expect(await judgedOtherwise()).toEqual([]);
});

it('what has no frames stays as it was, and is still told as judged by older rules', async () => {
  const { record } = asToldBefore(played('a', 1, 'hold', { breathS: 0.6 }));
  const bare: TakeRecord = { ...record, frameCount: 0 };
  await keepTake({ record: bare, frames: new Uint8Array(0) });
  expect(await judgeOlder(ear, await judgedOtherwise())).toBe(0);
  expect(await database.takes.get('a')).toEqual(bare);
});

async function startsOf(id: string) {
  const step = (await database.takes.get(id))!.measures[0]!;
  return step.kind === 'sounded' && [step.onsetS, step.responseS, step.riseS];
}

// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import type { Remote } from 'comlink';
import { swell, SWELL_DEFAULTS } from '@inner-hum/core/families';
import { toInt16, unpackFrames } from '@inner-hum/core/take';
import * as judge from '@inner-hum/core/judge';
import { CLEAN_HABITS, playStandIn } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { database, type DraftPlan } from '../db/database';
import { addDraftPiece, beginDraft, draftIds } from '../db/drafts';
import { keepTake, wholeTake } from '../db/takes';
import { store } from '../store';
import { TakeRecorder } from '../input/takeRecorder';
import { judgeAgain } from './judgeAgain';
import { takeOf } from '@inner-hum/core/take';
import { assignmentFor, recorderSettingsFor } from './planNow';
import type { EarService } from '../input/protocol';
import { keepDraftAsSound, recoverDraft, recoverDrafts, removeDraft, type Recovery } from './recoverDrafts';

vi.mock('@inner-hum/core/judge', async (original) => {
  const whole = await original<typeof judge>();
  return { ...whole, assess: vi.fn(whole.assess) };
});
// The ear's own functions, without the worker around them.
const functions: Partial<EarService> = {
  async assessRecording(samples, settings, assignment, firstBeatS) {
    const recording = new TakeRecorder(settings);
    recording.push(0, samples);
    return recording.finishTake(assignment, firstBeatS);
  },
  assessFrames: (packed, count, assignment) => judge.assess(unpackFrames(packed, count), assignment),
};
const ear = { ask: functions as unknown as Remote<EarService> };
const page: Recovery = { ear, unstored: new Map() };

const RATE_HZ = 44100;
const parameters = { ...SWELL_DEFAULTS, instrumentId: 'alto', beats: 4, tempoBpm: 120 } as const;
const plan: DraftPlan = {
  startedAt: '2026-03-01T18:00:00.000Z',
  parameters,
  score: swell(parameters),
  setup: { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
  source: { kind: 'microphone', label: '' },
  audioPath: { delayS: 0, delayErrorS: 0 },
  onBeat: true,
  firstBeatS: 1,
  keepSound: true,
};
const sound = playStandIn(plan.score, {
  sampleRateHz: RATE_HZ,
  a4Hz: 440,
  ruler: ASSUMED_RULER,
  habits: { ...CLEAN_HABITS, tuningCents: 9 },
  seed: 4,
  leadS: 1,
  tailS: 0.4,
});

Object.defineProperty(navigator, 'locks', {
  value: { request: (_: string, __: object, work: (lock: object) => unknown) => Promise.resolve(work({})) },
});
beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));

/** A draft as a closed page leaves it, its sound in pieces of a second. */
async function leave(takeId: string, upToS: number, change: Partial<DraftPlan> = {}): Promise<void> {
  await beginDraft({ takeId, sampleRateHz: RATE_HZ, plan: { ...plan, ...change } });
  for (let at = 0; at < upToS * RATE_HZ; at += RATE_HZ)
    await addDraftPiece(takeId, toInt16(sound.subarray(at, at + RATE_HZ)));
}
const offered = () => store.getState().drafts.unkept;

describe('a judge that fails', () => {
  const broken = () =>
    vi.mocked(judge.assess).mockImplementationOnce(() => {
      throw new Error('made to fail');
    });
  function heard() {
    const recorder = new TakeRecorder(recorderSettingsFor(plan, RATE_HZ));
    recorder.push(0, sound);
    return recorder.finishTake(assignmentFor(plan), 1)!;
  }

  const findingsOf = ({ verdict }: { readonly verdict: judge.Verdict }) => verdict.findings.map(({ id }) => id);

  const valueOf = (measured: object) => (measured as { readonly value: number }).value;

  it('leaves a take with its sound and frames, said to be unjudged, and a later judge gives what the first would have', async () => {
    const right = heard();
    broken();
    const failed = heard();
    expect(failed).toMatchObject({ unjudged: 'made to fail', measures: [], verdict: judge.NOT_JUDGED });
    await keepTake(takeOf(plan, failed, { id: 'a', cut: false, keepSound: true }));
    await judgeAgain(ear, (await wholeTake('a'))!);
    const { record } = (await wholeTake('a'))!;
    expect(record.unjudged).toBeUndefined();
    expect(findingsOf(record)).toEqual(findingsOf(right));
    // Frames are kept in fewer digits than they were measured in.
    const [now, then] = [record.measures[0], right.measures[0]];
    if (now?.kind !== 'sounded' || then?.kind !== 'sounded') throw new Error('silent');
    expect(now.pitchCentreCents).toMatchObject({ value: expect.closeTo(valueOf(then.pitchCentreCents), 1) });
    expect(Math.abs(now.onsetS - then.onsetS)).toBeLessThan(0.0101);
    expect((await wholeTake('a'))?.sound?.samples.length).toBe(failed.samples.length);
  });

  it('leaves what the player and the teacher wrote to a take that is judged later', async () => {
    broken();
    const unjudged = takeOf(plan, heard(), { id: 'a', cut: false, keepSound: true });
    const remarks = [{ id: 'r', beat: 2, text: 'Softer here.', from: 'T' }] as never;
    await keepTake({ ...unjudged, record: { ...unjudged.record, note: 'New reed.', remarks } });
    await judgeAgain(ear, (await wholeTake('a'))!);
    const { record } = (await wholeTake('a'))!;
    expect(record).toMatchObject({ note: 'New reed.', remarks, verdict: { decision: expect.anything() as string } });
    expect(record.unjudged).toBeUndefined();
  });

  it('that fails once more leaves the take as it was', async () => {
    broken();
    await keepTake(takeOf(plan, heard(), { id: 'a', cut: false, keepSound: true }));
    const before = await wholeTake('a');
    broken();
    await expect(judgeAgain(ear, before!)).rejects.toThrow('made to fail');
    expect((await wholeTake('a'))?.record).toEqual(before?.record);
  });
});

describe('drafts of closed pages', () => {
  it('a take that was killed a second after its first beat is kept, one that had only begun is not', async () => {
    // Put away each half second: of 2.1 s with a beat at 1 s there are 2.
    await leave('second', 2);
    await leave('begun', 1);
    expect(await recoverDrafts(page)).toBe(1);
    expect((await wholeTake('second'))?.record.cut).toBe(true);
    expect(await wholeTake('begun')).toBeUndefined();
  });

  it('become takes each by itself; a damaged one is offered and hides no other', async () => {
    await database.drafts.put({ takeId: 'a-damaged', sampleRateHz: RATE_HZ, plan: { firstBeatS: 1 } as DraftPlan });
    await addDraftPiece('a-damaged', toInt16(sound));
    await leave('b', 3);
    expect(await recoverDrafts(page)).toBe(1);
    expect((await wholeTake('b'))?.record).toMatchObject({ cut: true, firstBeatS: 0.6 });
    expect(offered().map((draft) => draft.takeId)).toEqual(['a-damaged']);
    expect(await draftIds()).toEqual(['a-damaged']);
    await removeDraft(page, 'a-damaged');
    expect(await draftIds()).toEqual([]);
    expect(offered()).toEqual([]);
  });

  it.each([
    ['in the count-in', { firstBeatS: null }, 3],
    ['before half a second was put away', {}, 1],
  ])('that ended %s leave nothing', async (_, change, upToS) => {
    await leave('a', upToS as number, change as Partial<DraftPlan>);
    await database.draftPieces.toCollection().modify((piece, row) => {
      row.value = { ...piece, samples: piece.samples.slice(0, 40_000) };
    });
    expect(await recoverDraft(page, 'a')).toBe(false);
    expect([await draftIds(), await database.takes.count(), offered()]).toEqual([[], 0, []]);
  });

  it('can be kept as their sound alone, to be judged later', async () => {
    await leave('a', 3);
    await keepDraftAsSound(page, 'a');
    expect((await wholeTake('a'))?.record).toMatchObject({ unjudged: 'kept as sound', frameCount: 0 });
    await judgeAgain(ear, (await wholeTake('a'))!);
    expect((await wholeTake('a'))?.record.measures[0]).toMatchObject({ kind: 'sounded' });
  });

  it('whose player wanted no sound kept become takes without it', async () => {
    await leave('a', 3, { keepSound: false });
    expect(await recoverDraft(page, 'a')).toBe(true);
    expect((await wholeTake('a'))?.sound).toBeUndefined();
  });

  it('a hole in the sound leaves later pieces where they belong', () => {
    const recorder = new TakeRecorder(recorderSettingsFor(plan, RATE_HZ));
    recorder.push(0, sound.subarray(0, RATE_HZ));
    recorder.push(1.4 * RATE_HZ, sound.subarray(1.4 * RATE_HZ, 2.4 * RATE_HZ));
    expect(recorder.heardSamples).toBe(2.4 * RATE_HZ);
    expect(recorder.soundFrom(RATE_HZ, 1.4 * RATE_HZ).every((sample) => sample === 0)).toBe(true);
    // The ear takes out what is slower than any tone, which leaves a trace after the hole.
    const [kept, played] = [recorder.soundFrom(2 * RATE_HZ), toInt16(sound.slice(2 * RATE_HZ, 2.4 * RATE_HZ))];
    expect(Math.max(...kept.map((sample, i) => Math.abs(sample - played[i]!)))).toBeLessThan(200);
  });
});

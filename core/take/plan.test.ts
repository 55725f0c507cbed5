import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { NOT_JUDGED } from '@inner-hum/core/judge';
import { describe, expect, it } from 'vitest';
import type { StepMeasures } from '@inner-hum/core/measure';
import { assignmentOf, planTake, takeOf, type TakeWish } from './index';
import { isWholeTake } from './schema';
import { packFrames } from './packedFrames';
import { emptyFrames } from '@inner-hum/core/signal';

const parameters = usualExercise(familyById('hold'), 'tenor');
const wish: TakeWish = {
  startedAt: '2026-03-01T18:00:00.000Z',
  parameters,
  setup: { instrumentId: 'tenor', a4Hz: 442, ruler: ASSUMED_RULER, demand: 'fine', reed: 'second', evenColour: true },
  source: { kind: 'microphone', label: 'stand' },
  audioPath: { delayS: 0.02, delayErrorS: 0.001 },
  onBeat: true,
  cue: 'softPlaying.slow',
};

describe('planTake', () => {
  it('lays the exercise out and keeps what the player chose', () => {
    const { audioPath, onBeat, cues, score, setup } = planTake(wish);
    expect({ audioPath, onBeat, cues, setup }).toEqual({
      audioPath: wish.audioPath,
      onBeat: true,
      cues: ['softPlaying.slow'],
      setup: wish.setup,
    });
    expect(score).toEqual(exerciseScore(parameters));
  });

  it('a file has no way through the air and sets the beat itself; the stand-in player has no way either', () => {
    const none = { delayS: 0, delayErrorS: 0 };
    expect(planTake({ ...wish, source: { kind: 'file', name: 'a.wav' } })).toMatchObject({
      audioPath: none,
      onBeat: false,
    });
    const standIn = { kind: 'standIn', seed: 1, habits: {} } as never;
    expect(planTake({ ...wish, source: standIn })).toMatchObject({ audioPath: none, onBeat: true });
  });

  it('no cue is no entry', () => expect('cues' in planTake({ ...wish, cue: '' })).toBe(false));

  it('an exercise that can’t be played is the caller’s mistake', () =>
    expect(() => planTake({ ...wish, parameters: { ...parameters, writtenMidi: 200 } })).toThrow(RangeError));
});

it('a take on a horn with other keys keeps its size in the set-up, and is read again', () => {
  const plan = planTake({ ...wish, parameters: { ...parameters, instrumentId: 'tenor-highFSharp' } });
  const frames = packFrames(emptyFrames(10));
  const heard = { frameCount: 10, frames, firstBeatS: 0, lostMs: 0, measures: [], verdict: NOT_JUDGED };
  const { record } = takeOf(plan, { ...heard, samples: new Float32Array(0), sampleRateHz: 44100 } as never, {
    id: 'x',
    cut: false,
    keepSound: false,
  });
  expect([record.setup.instrumentId, record.score.instrumentId]).toEqual(['tenor', 'tenor-highFSharp']);
  expect(isWholeTake({ record, frames })).toBe(true);
  const other = { ...record, score: { ...record.score, instrumentId: 'tenor-kazoo' as 'tenor' } };
  expect(isWholeTake({ record: other, frames })).toBe(false);
});

it('the judge is told all of the plan, and the reed for looking back', () => {
  const plan = planTake(wish);
  const { score, onBeat, audioPath, setup } = plan;
  expect(
    assignmentOf(plan, { before: ['again'], past: [], bounds: { goalNotes: [] }, startedAtMs: 5, day: '2026-03-01' }),
  ).toEqual({
    score,
    parameters,
    onBeat,
    audioPath,
    ...setup,
    before: ['again'],
    past: [],
    bounds: { goalNotes: [] },
    now: { startedAtMs: 5, day: '2026-03-01', reed: 'second' },
    device: {},
  });
});

it('plan and what was heard make a whole take, with its sound or without', () => {
  const heard = {
    frameCount: 10,
    frames: packFrames(emptyFrames(10)),
    samples: Int16Array.from([1, 2]),
    sampleRateHz: 44100,
    firstBeatS: 0.6,
    measures: [{ kind: 'silent' } as const],
    verdict: { findings: [], tries: [], decision: 'again', next: { change: 'none', parameters: {} } } as const,
    lostMs: 0,
  };
  const whole = takeOf(planTake(wish), heard, { id: 'a', cut: true, keepSound: true });
  expect(isWholeTake(whole)).toBe(true);
  expect(whole.sound?.samples).toBe(heard.samples);
  expect(whole.record).toMatchObject({ cut: true, note: '', demo: false, firstBeatS: 0.6 });
  expect(takeOf(planTake(wish), heard, { id: 'a', cut: false, keepSound: false }).sound).toBeUndefined();
  expect(isWholeTake({ ...whole, frames: whole.frames.slice(1) })).toBe(false);
});

it('a tone without a set end has the length that was heard', () => {
  const parameters = usualExercise(familyById('hold'), 'alto');
  const plan = planTake({ ...wish, parameters });
  expect(plan.score.steps[0]!.beats).toBe(60);
  const sounded = { kind: 'sounded', plannedStartS: 1, onsetS: 1, endS: 10.4 } as unknown as StepMeasures;
  const heard = {
    frameCount: 10,
    frames: packFrames(emptyFrames(10)),
    samples: Int16Array.from([1]),
    sampleRateHz: 44100,
    firstBeatS: 1,
    measures: [sounded],
    verdict: { findings: [], tries: [], decision: 'again', next: { change: 'none', parameters: {} } } as const,
    lostMs: 0,
  };
  const { record } = takeOf(plan, heard, { id: 'a', cut: false, keepSound: false });
  expect(record.score.steps[0]).toMatchObject({ beats: 11, openEnd: true });
});

import { swell, SWELL_DEFAULTS } from '@inner-hum/core/families';
import { LOOP_CLICK } from '@inner-hum/core/measure';
import { unpackFrames } from '@inner-hum/core/take';
import { CLEAN_HABITS, playStandIn, SeededRandom } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { TakeRecorder } from './takeRecorder';
import { LiveTrace } from './liveTrace';
import type { OpenAssignment } from '@inner-hum/core/take';

const parameters = { ...SWELL_DEFAULTS, instrumentId: 'alto', beats: 4, tempoBpm: 120 } as const;
const score = swell(parameters);
const assignment: OpenAssignment = {
  score,
  parameters,
  a4Hz: 440,
  ruler: ASSUMED_RULER,
  demand: 'firm',
  audioPath: { delayS: 0, delayErrorS: 0 },
  onBeat: true,
  before: [],
};
describe.each([44_100, 48_000, 96_000])('TakeRecorder at %i Hz', (RATE_HZ) => {
  const settings = { sampleRateHz: RATE_HZ, minHz: 100, maxHz: 2000, zerosAreLoss: false };
  const sound = playStandIn(score, {
    sampleRateHz: RATE_HZ,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    habits: { ...CLEAN_HABITS, tuningCents: 6 },
    seed: 4,
    leadS: 1,
    tailS: 0.4,
  });

  /** Pushes the sound in blocks of 256, the first at `firstSample`, leaving out what `skip` names. */
  function push(recorder: TakeRecorder, firstSample: number, skip: (block: number) => boolean = () => false): void {
    for (let at = 0, block = 0; at < sound.length; at += 256, block++)
      if (!skip(block)) recorder.push(firstSample + at, sound.subarray(at, at + 256));
  }

  it('places the first beat by the context’s clock, wherever that began', () => {
    for (const firstSample of [0, 88_200]) {
      const recorder = new TakeRecorder(settings);
      push(recorder, firstSample);
      const take = recorder.finishTake(assignment, firstSample / RATE_HZ + 1)!;
      const [step] = take.measures;
      if (step?.kind !== 'sounded') throw new Error('silent');
      expect(take.firstBeatS).toBeCloseTo(0.6, 6);
      expect(step.latenessS).toMatchObject({ kind: 'measured' });
      expect(Math.abs((step.latenessS as { value: number }).value)).toBeLessThan(0.012);
      // The player's line wanders by about a cent from one seed, and so from one rate, to the next.
      expect(Math.abs((step.pitchCentreCents as { value: number }).value - 6)).toBeLessThan(2.5);
      expect(unpackFrames(take.frames, take.frameCount).count).toBe(take.frameCount);
      expect(take.samples.length / RATE_HZ).toBeCloseTo(take.frameCount / 100, 1);
    }
  });

  it('gives the same measures and verdict live, in blocks, and from a file, at once', () => {
    const live = new TakeRecorder(settings);
    push(live, 0);
    const file = new TakeRecorder(settings);
    file.push(0, sound);
    const heard = live.finishTake(assignment, 1)!;
    const read = file.finishTake(assignment, 1)!;
    expect(heard.measures).toEqual(read.measures);
    expect(heard.verdict).toEqual(read.verdict);
    expect(heard.frames).toEqual(read.frames);
  });

  it.each([
    ['a quiet room', 0.0002, 0, true, undefined],
    ['a room that is loud beside the player', 0.01, 0, true, { roomBelowDb: expect.closeTo(19, -0.5) as number }],
    ['hum', 0.0002, 0.004, true, { humHz: 50 }],
    ['a loud room that is in a file', 0.03, 0.004, false, undefined],
  ])('in %s tells how it was picked up', (_, noise, hum, microphone, pickUp) => {
    const random = new SeededRandom(5);
    const recorder = new TakeRecorder(settings);
    const inRoom = sound.map(
      (sample, i) => sample + noise * random.normal() + hum * Math.sin((2 * Math.PI * 50 * i) / RATE_HZ),
    );
    recorder.push(0, inRoom);
    const take = recorder.finishTake({ ...assignment, ...(microphone && { device: {} }) }, 1)!;
    expect(take.pickUp).toEqual(pickUp);
  });

  it('tells of hum and missing highs while it listens', () => {
    const recorder = new TakeRecorder({ ...settings, retainS: 30 });
    expect(recorder.pickedUp()).toEqual({ humHz: undefined, bandHz: undefined });
    push(recorder, 0);
    expect(recorder.pickedUp()).toEqual({ humHz: undefined, bandHz: undefined });
    const random = new SeededRandom(5);
    const humming = new TakeRecorder({ ...settings, retainS: 30 });
    humming.push(
      0,
      sound.map((sample, i) => sample + 0.0002 * random.normal() + 0.004 * Math.sin((2 * Math.PI * 60 * i) / RATE_HZ)),
    );
    expect(humming.pickedUp()).toEqual({ humHz: 60, bandHz: undefined });
  });

  it('finds the way round of clicks on the context’s clock', () => {
    const recorder = new TakeRecorder(settings);
    const clicksAtS = [3, 3.8, 4.7];
    const { hz, lengthS, fall } = LOOP_CLICK;
    const samples = Float32Array.from({ length: 4 * RATE_HZ }, (_, i) => {
      const t = 2 + i / RATE_HZ - 0.06;
      const since = t - (clicksAtS.findLast((value) => value <= t) ?? Infinity);
      return since >= 0 && since < lengthS ? 0.1 * fall ** (-since / lengthS) * Math.sin(2 * Math.PI * hz * since) : 0;
    });
    recorder.push(2 * RATE_HZ, samples);
    expect(recorder.loopDelay(clicksAtS)).toMatchObject({ kind: 'measured', delayS: expect.closeTo(0.06, 3) });
  });

  it('lets the first tone set the beat when there is none', () => {
    const recorder = new TakeRecorder(settings);
    push(recorder, 0);
    const take = recorder.finishTake({ ...assignment, onBeat: false }, null)!;
    expect(take.measures[0]).toMatchObject({ kind: 'sounded', latenessS: { kind: 'absent', reason: 'noBeat' } });
  });

  it('fills holes in the clock with silence and counts them', () => {
    const recorder = new TakeRecorder(settings);
    push(recorder, 0, (block) => block >= 300 && block < 303);
    const take = recorder.finishTake(assignment, 1)!;
    expect(take.lostMs).toBe(Math.round((1000 * 3 * 256) / RATE_HZ));
    expect(take.measures[0]).toMatchObject({ kind: 'sounded', dropOuts: [] });
  });

  it('nothing heard is no take', () => {
    expect(new TakeRecorder(settings).finishTake(assignment, 1)).toBeNull();
    const silent = new TakeRecorder(settings);
    silent.push(0, new Float32Array(RATE_HZ));
    expect(silent.finishTake(assignment, null)).toBeNull();
    expect(silent.peak).toBe(0);
  });

  it('sound that the device lost without a word is told, and what it explains is not judged', () => {
    const recorder = new TakeRecorder({ ...settings, zerosAreLoss: true });
    // Half a second of the tone never came; the samples' numbers know nothing of it.
    const gone = { from: Math.round(1.9 * RATE_HZ), to: Math.round(2.4 * RATE_HZ) };
    const came = [...sound.subarray(0, gone.from), ...sound.subarray(gone.to)];
    const noisy = Float32Array.from(came, (sample, i) => sample + 1e-5 * ((i % 7) - 3));
    for (let at = 0; at < noisy.length; at += 256) {
      const endS = (at + 256) / RATE_HZ;
      const wallMs = 1000 * (endS > 1.9 ? endS + 0.5 : endS);
      recorder.push(at, noisy.subarray(at, at + 256), undefined, { wallMs: 5e5 + wallMs, offsetMs: 0 });
    }
    const take = recorder.finishTake({ ...assignment, device: {} }, 1)!;
    expect(take.lost).toEqual([{ how: 'clock', lastsS: expect.closeTo(0.5, 1), atS: expect.closeTo(1.5, 0) }]);
    expect(take.measures).toEqual([]);
    expect(take.verdict.findings.map(({ id }) => id)).toEqual(['tooMuchLost']);
    expect(take.verdict.tries).toEqual(['freeTheDevice']);
  });
});

const RATE_HZ = 44_100;

describe('LiveTrace', () => {
  const rows = (from: number, count: number, hz: number) =>
    Float32Array.from(Array.from({ length: count }, (_, i) => [from + i, hz, -20, -30, 0]).flat());
  const context = { sampleRate: RATE_HZ, currentTime: 2.05 };
  it('keeps frames and knows since when a tone sounds', () => {
    const trace = new LiveTrace();
    trace.receive({ kind: 'started', firstSample: RATE_HZ }, context);
    trace.receive({ kind: 'frames', rows: rows(0, 80, 0), peak: 0.1, lost: [] }, context);
    expect(trace.firstTone(0, 0.1)).toBeUndefined();
    trace.receive(
      { kind: 'frames', rows: rows(80, 21, 220), peak: 0.2, lost: [{ atS: 0.1, lastsS: 0.01, how: 'hole' }] },
      context,
    );
    expect(trace.firstTone(0, 0.1)).toBeCloseTo(1.8, 6);
    expect(trace.firstTone(0, 0.5)).toBeUndefined();
    expect(trace).toMatchObject({ count: 101, lostMs: 10 });
    expect(trace.peak).toBeCloseTo(0.2, 6);
    expect(trace.delayS).toBeGreaterThan(0);
  });
  it('grows beyond its first size and starts anew', () => {
    const trace = new LiveTrace();
    trace.receive({ kind: 'started', firstSample: 0 }, context);
    trace.receive({ kind: 'frames', rows: rows(9000, 1, 330), peak: 0, lost: [] }, context);
    expect(trace.f0Hz[9000]).toBe(330);
    trace.receive({ kind: 'started', firstSample: 5 }, context);
    expect(trace.count).toBe(0);
  });
});

describe('ten minutes of free play', () => {
  const FREE_RATE_HZ = 16000;
  const WRITTEN = [60, 64, 67, 71, 76];
  const ROUND_S = 20;
  const reed = (hz: number, t: number) =>
    [1, 2, 3, 4].reduce((sum, n) => sum + Math.sin(2 * Math.PI * n * hz * t) / n, 0);
  const altoHz = (written: number) => 440 * 2 ** ((written - 9 - 69) / 12);
  let seed = 2;
  const uniform = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5;
  /** Every twenty seconds a note is held for four; then there is talk, a run of quick notes, a radio. */
  const sampleAt = (timeS: number) => {
    const t = timeS % ROUND_S;
    if (t > 1 && t < 5) {
      const edge = Math.min(1, (t - 1) / 0.03, (5 - t) / 0.05);
      return 0.1 * edge * reed(altoHz(WRITTEN[Math.floor(timeS / ROUND_S) % 5]!), t);
    }
    if (t > 6 && t < 12) {
      const place = (t % 0.34) / 0.22;
      const cycles = (105 + 8 * Math.sin(t)) * t + 40 * place * place;
      return place > 1 ? 0 : 0.06 * Math.sin(Math.PI * place) * Math.exp(8 * (Math.cos(2 * Math.PI * cycles) - 1));
    }
    if (t > 12.5 && t < 14) {
      const step = Math.floor((t - 12.5) / 0.3);
      return 0.1 * Math.min(1, (t - 12.5 - 0.3 * step) / 0.02) * reed(altoHz(62 + 2 * step), t);
    }
    const root = 220 * 2 ** (Math.floor(t % 5) / 12);
    return t > 15
      ? [1, 1.26, 1.498, 2.52].reduce((sum, by) => sum + 0.004 * Math.sin(2 * Math.PI * root * by * t), 0)
      : 0;
  };
  /** the five rounds that come again and again, in a room that makes another noise each time */
  const rounds = Float32Array.from({ length: WRITTEN.length * ROUND_S * FREE_RATE_HZ }, (_, i) =>
    sampleAt(i / FREE_RATE_HZ),
  );

  it('is the thirty notes that were held and nothing else, its frames told without a gap', () => {
    const setup = { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' } as const;
    const recorder = new TakeRecorder({
      sampleRateHz: FREE_RATE_HZ,
      minHz: 100,
      maxHz: 800,
      zerosAreLoss: false,
      free: { setup },
    });
    const indices: number[] = [];
    const block = new Float32Array(FREE_RATE_HZ / 10);
    for (let at = 0; at < 600 * FREE_RATE_HZ; at += block.length) {
      for (let i = 0; i < block.length; i++) block[i] = rounds[(at + i) % rounds.length]! + 3e-4 * uniform();
      recorder.push(at, block, ({ index }) => indices.push(index));
    }
    const source = { kind: 'microphone', label: '' } as const;
    const { plan, heard } = recorder.finishFree({ startedAt: '2026-01-09T18:00:00.000Z', setup, source }, [])!;
    expect(plan.score.steps.map((step) => step.soundedMidi)).toEqual(
      Array.from({ length: 30 }, (_, i) => WRITTEN[i % 5]),
    );
    const cents = heard.measures.map((step) => (step.kind === 'sounded' ? step.pitchCentreCents : undefined));
    for (const centre of cents)
      expect(centre).toMatchObject({ kind: 'measured', value: expect.closeTo(0, 0) as number });
    expect(indices.every((index, i) => i === 0 || index - indices[i - 1]! <= 2)).toBe(true);
  });
});

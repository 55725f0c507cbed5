import { describe, expect, it } from 'vitest';
import { emptyFrames, HOP_S, PARTIALS_KEPT, type Frames } from '../signal';
import { hold } from './hold';
import { LOOP_CLICK, loopDelay } from './loopDelay';
import { absent, measured, valueOf } from './measured';
import { overtonePair } from './overtonePair';
import { release } from './release';
import { responseSeries } from './responseSeries';
import { settling } from './settle';
import { slurContinuity } from './slur';
import type { StepMeasures } from './takeMeasures';
import { toneBody } from './tone';
import { vibrato } from './vibrato';

const HZ = 220;
const flat = () => -30;

interface Course {
  readonly lengthS?: number;
  readonly cents?: (t: number) => number;
  readonly levelDb?: (t: number) => number;
  readonly breathDb?: (t: number) => number;
  readonly hz?: number;
  readonly partialsDb?: (partial: number) => number;
}

/** Frames of one tone that begins at 0 and ends at `lengthS`, written down without an ear. */
function tone({ lengthS = 3, cents = () => 0, levelDb = flat, breathDb = flat, hz = HZ, partialsDb }: Course): Frames {
  const frames = emptyFrames(Math.round((lengthS + 0.5) / HOP_S));
  for (let i = 0; i < frames.count; i++) {
    const t = i * HOP_S;
    frames.levelDb[i] = levelDb(t);
    if (t >= lengthS) continue;
    frames.f0Hz[i] = hz * 2 ** (cents(t) / 1200);
    frames.breathDb[i] = breathDb(t);
    frames.centroidPartials[i] = 2;
    for (let k = 1; k <= PARTIALS_KEPT; k++) frames.partialsDb[i * PARTIALS_KEPT + k - 1] = partialsDb?.(k) ?? -10 * k;
  }
  return frames;
}
const span = (lengthS = 3) => ({ start: 0, end: Math.round(lengthS / HOP_S) });
const bodyOf = (course: Course) => toneBody(tone(course), span(course.lengthS), course.hz ?? HZ, 0);

describe('settling', () => {
  it('a scoop of 30 cents over 100 ms settles when it is within 10', () => {
    const scooped = tone({ cents: (t) => -30 * Math.max(0, 1 - t / 0.1) });
    const { settleS, scoopCents } = settling(scooped, span(), flat);
    expect(valueOf(settleS)).toBeCloseTo(0.07, 2);
    expect(valueOf(scoopCents)).toBeCloseTo(-30 * (1 - 0.55), 0);
  });
  it('does not depend on the pitch or the level itself', () => {
    const scooped = (cents: number, db: number) =>
      settling(tone({ cents: (t) => cents - 30 * Math.max(0, 1 - t / 0.1), levelDb: () => db }), span(), flat);
    expect(scooped(14, -50)).toEqual({
      settleS: scooped(0, -30).settleS,
      scoopCents: measured(expect.closeTo(valueOf(scooped(0, -30).scoopCents)!, 3) as number, 1.5),
    });
  });
  it('a growing level is no unrest when the plan grows', () => {
    const grow = (t: number) => -40 + 8 * t;
    expect(valueOf(settling(tone({ levelDb: grow }), span(), grow).settleS)).toBe(0);
  });
  it('150 ms say nothing', () =>
    expect(settling(tone({ lengthS: 0.15 }), span(0.15), flat).settleS.kind).toBe('absent'));
});

describe('vibrato', () => {
  const wave = (hz: number, cents: number) => (t: number) => cents * Math.sin(2 * Math.PI * hz * t + 1);
  it.each([
    [4, 20],
    [5.5, 35],
    [7, 8],
  ])('%d Hz of ±%d cents comes back', (hz, cents) => {
    const found = vibrato(bodyOf({ cents: wave(hz, cents) }));
    expect(valueOf(found.rateHz)).toBeCloseTo(hz, 1);
    expect(Math.abs(valueOf(found.extentCents)! / cents - 1)).toBeLessThan(0.06);
    expect(valueOf(found.regularity)).toBeGreaterThan(0.95);
    expect(Math.max(...found.restCents.map(Math.abs))).toBeLessThan(0.2 * cents);
  });
  it('a shift and a drift of pitch change nothing', () => {
    const moved = vibrato(bodyOf({ cents: (t) => wave(5, 15)(t) + 12 + 3 * t }));
    expect(valueOf(moved.extentCents)).toBeCloseTo(valueOf(vibrato(bodyOf({ cents: wave(5, 15) })).extentCents)!, 1);
  });
  it('±3 cents is none, and so is half a second', () => {
    expect(vibrato(bodyOf({ cents: wave(5, 3) })).rateHz).toEqual(absent('noVibrato'));
    expect(vibrato(bodyOf({ cents: wave(5, 30), lengthS: 0.5 })).rateHz).toEqual(absent('tooShort'));
  });
});

describe('release', () => {
  const fall = (overS: number) => (t: number) => (t < 2.9 ? -30 : Math.max(-90, -30 - (60 * (t - 2.9)) / overS));
  it.each([0.15, 0.3])('60 dB in %d s are 20 dB in a third of it', (overS) =>
    expect(Math.abs(valueOf(release(tone({ levelDb: fall(overS) }), span(), HZ).fallS)! - overS / 3)).toBeLessThan(
      0.025,
    ),
  );
  it('a slip of the last 150 ms is told, wherever the pitch lies', () => {
    const slipped = (cents: number) => tone({ cents: (t) => cents + (t > 2.85 ? -25 : 0) });
    for (const cents of [0, 30]) expect(valueOf(release(slipped(cents), span(), HZ).slipCents)).toBeCloseTo(-25, 3);
  });
  it('tells into what the tone turned', () => {
    expect(release(tone({}), span(), HZ).into).toBe('silence');
    expect(release(tone({ breathDb: (t) => (t > 2.8 ? -3 : -30) }), span(), HZ).into).toBe('air');
    expect(release(tone({ cents: (t) => (t > 2.9 ? 1200 : 0) }), span(), HZ).into).toBe('partial');
  });
  it('80 ms say nothing of a slip', () =>
    expect(release(tone({ lengthS: 0.08 }), span(0.08), HZ).slipCents.kind).toBe('absent'));
});

describe('hold', () => {
  const line = { startS: 0, endS: 6, beatS: 0.5, levelDbAt: flat, innerPeakBeat: undefined };
  const held = (change: Course, more = {}) => {
    const course = { lengthS: 6, ...change };
    return hold(
      {
        onsetS: 0,
        endS: course.lengthS,
        body: bodyOf(course),
        jumps: [],
        dropOuts: [],
        ...more,
      },
      line,
      12,
    );
  };
  it('holds to its end, in beats', () => expect(held({})).toMatchObject({ beats: { value: 12 }, fault: 'none' }));
  it('around its own centre: a steady tone 15 cents sharp has held', () =>
    expect(held({ cents: () => 15 })).toMatchObject({ beats: { value: 12 }, fault: 'none' }));
  it('until it leaves the window for good', () => {
    const left = held({ cents: (t) => (t > 4.3 ? 20 : 0) });
    expect(left.fault).toBe('pitch');
    expect(valueOf(left.beats)).toBeCloseTo(8.6, 1);
  });
  it('a short excursion is not lasting', () =>
    expect(held({ cents: (t) => (t > 1 && t < 1.4 ? 20 : 0) }).fault).toBe('none'));
  it('the first fault counts', () => {
    const dropOuts = [{ atS: 5, lastsS: 0.1 }];
    const jumps = [{ kind: 'jump', atS: 4, lastsS: 0.2, fromPartial: 1, toPartial: 2, cameBack: true }];
    expect(held({}, { jumps, dropOuts })).toMatchObject({ fault: 'jump', beats: { value: 8 } });
  });
  it('an early end is told', () => expect(held({ lengthS: 4 })).toMatchObject({ fault: 'ended', beats: { value: 8 } }));
  it('less than three seconds tell nothing, whatever ended them', () => {
    expect(held({ lengthS: 2.9 }).beats).toEqual(absent('tooShort'));
    expect(held({}, { dropOuts: [{ atS: 1.8, lastsS: 0.1 }] })).toEqual({
      beats: absent('tooShort'),
      fault: 'dropOut',
    });
  });
});

describe('slur continuity', () => {
  const slurred = (gapS: number, db: number, cents: number) => {
    const frames = tone({ lengthS: 2 });
    for (let i = 100; i < 200; i++) {
      const sounds = i >= 100 + gapS / HOP_S;
      frames.f0Hz[i] = sounds ? HZ * 2 ** ((200 + cents) / 1200) : 0;
      frames.levelDb[i] = -30 + db;
    }
    const after = { start: Math.round(100 + gapS / HOP_S), end: 200 };
    return slurContinuity(frames, { start: 0, end: 100 }, after, HZ, HZ * 2 ** (200 / 1200));
  };
  it('steps and gap come back as written', () => {
    const { levelStepDb, pitchStepCents, gapS } = slurred(0.05, 3, -7);
    expect([valueOf(levelStepDb), gapS]).toEqual([3, 0.05]);
    expect(valueOf(pitchStepCents)).toBeCloseTo(-7, 3);
  });
  it('an even slur has none', () => expect(slurred(0, 0, 0).gapS).toBe(0));
  it('two short tones say nothing of steps', () =>
    expect(
      slurContinuity(tone({ lengthS: 0.1 }), { start: 0, end: 4 }, { start: 5, end: 9 }, HZ, HZ).levelStepDb.kind,
    ).toBe('absent'));
});

describe('overtone pair', () => {
  const side = (course: Course) => ({ frames: tone(course), body: bodyOf(course) });
  it('the same tone has no distance, at any level', () => {
    const louder = side({ levelDb: () => -20, partialsDb: (k) => -10 * k + 10 });
    const pair = overtonePair(side({}), louder);
    expect(valueOf(pair.spectralDistanceDb)).toBeCloseTo(0, 4);
    expect(valueOf(pair.levelDb)).toBeCloseTo(10, 4);
  });
  it('every second partial 6 dB up is 3 dB away from the mean', () => {
    const odd = side({ hz: 400, partialsDb: (k) => -3 * k + (k % 2 ? 6 : 0) });
    const plain = side({ hz: 400, partialsDb: (k) => -3 * k });
    expect(valueOf(overtonePair(plain, odd).spectralDistanceDb)).toBeCloseTo(3, 1);
    expect(valueOf(overtonePair(odd, plain).spectralDistanceDb)).toBeCloseTo(3, 1);
  });
  it('too short a tone is compared with nothing', () =>
    expect(overtonePair(side({}), side({ lengthS: 0.1 })).pitchCents.kind).toBe('absent'));
});

describe('response series', () => {
  const sounded = (responseS: number, early?: number) =>
    ({
      kind: 'sounded',
      onsetS: 1,
      endS: 3,
      responseS: measured(responseS, 0.01),
      latenessS: measured(0, 0.01),
      jumps: early ? [{ atS: 1.02, lastsS: 0.2, toPartial: early }] : [],
    }) as unknown as StepMeasures;
  it('counts what spoke at once, and how soon', () => {
    const series = responseSeries([sounded(0.02), sounded(0.04), sounded(0.06, 2), { kind: 'silent' }]);
    expect(series.spokeShare).toBe(0.5);
    expect(series.medianResponseS).toBeCloseTo(0.04, 6);
    expect(series.restarts.map((entry) => entry.partial)).toEqual([1, 1, 2, undefined]);
  });
  it('no restart, no series', () =>
    expect(responseSeries([])).toEqual({
      restarts: [],
      spokeShare: 0,
      medianResponseS: undefined,
      responseSpreadS: undefined,
    }));
});

describe('loop delay', () => {
  const RATE_HZ = 48000;
  const clicksS = [0.5, 1.3, 2.2, 3];
  const room = (delayS: number, gain = 0.1, noise = 0.002) => {
    let seed = 3;
    const sound = Float32Array.from({ length: 4 * RATE_HZ }, () => {
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
      return noise * (seed / 2 ** 31 - 1);
    });
    const { hz, lengthS, fall } = LOOP_CLICK;
    for (const clickS of clicksS)
      for (let i = 0; i < lengthS * RATE_HZ; i++)
        sound[Math.round((clickS + delayS) * RATE_HZ) + i]! +=
          gain * fall ** (-i / RATE_HZ / lengthS) * Math.sin((2 * Math.PI * hz * i) / RATE_HZ);
    return sound;
  };
  it.each([0.012, 0.087, 0.31])('%d s come back to half a millisecond', (delayS) => {
    const found = loopDelay(room(delayS), RATE_HZ, clicksS);
    expect(found).toMatchObject({ kind: 'measured', heard: 4, played: 4 });
    if (found.kind === 'measured') expect(Math.abs(found.delayS - delayS)).toBeLessThan(0.0005);
  });
  it('does not depend on the loudness', () =>
    expect(loopDelay(room(0.05, 0.4, 0.008), RATE_HZ, clicksS)).toEqual(loopDelay(room(0.05), RATE_HZ, clicksS)));
  it('refuses noise alone and a missing sound', () => {
    expect(loopDelay(room(0.05, 0), RATE_HZ, clicksS)).toMatchObject({ kind: 'refused', reason: 'notHeard' });
    expect(loopDelay(new Float32Array(0), RATE_HZ, clicksS)).toMatchObject({ reason: 'notHeard', heard: 0 });
  });
});

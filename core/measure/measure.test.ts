import { describe, expect, it } from 'vitest';
import { swell, SWELL_DEFAULTS } from '../families';
import { emptyFrames, HOP_S, type Frames } from '../signal';
import { ASSUMED_RULER, writtenToHz, instrumentById } from '../theory';
import { measureTake, median, quantile, robustDeviation, rulerFrom, theilSen, type StepMeasures } from './index';

const score = swell({ ...SWELL_DEFAULTS, instrumentId: 'alto' });
const TARGET_HZ = writtenToHz(instrumentById('alto'), SWELL_DEFAULTS.writtenMidi, 440);

interface Course {
  readonly cents?: (t: number) => number;
  readonly levelDb?: (t: number) => number;
  readonly toned?: (t: number) => boolean;
  readonly partial?: (t: number) => number;
}

const plan = (t: number) => -39 + 18 * (1 - Math.abs(t - 4) / 4);

/** Frames of a swell whose every frame is written down here: no ear in between. */
function framesOf({ cents = () => 0, levelDb = plan, toned = () => true, partial = () => 1 }: Course): Frames {
  const frames = emptyFrames(950);
  for (let i = 0; i < frames.count; i++) {
    const t = i * HOP_S - 1;
    if (t < 0 || t >= 8 || !toned(t)) continue;
    frames.f0Hz[i] = TARGET_HZ * partial(t) * 2 ** (cents(t) / 1200);
    frames.levelDb[i] = levelDb(t);
    frames.breathDb[i] = -30;
    frames.confidence[i] = 1;
  }
  return frames;
}

const context = {
  score,
  firstBeatS: 1,
  a4Hz: 440,
  ruler: ASSUMED_RULER,
  demand: 'firm',
  audioPath: { delayS: 0, delayErrorS: 0 },
  onBeat: true,
} as const;

function measure(course: Course): Extract<StepMeasures, { kind: 'sounded' }> {
  const [step] = measureTake(framesOf(course), context);
  if (step?.kind !== 'sounded') throw new Error('no tone');
  return step;
}

const valueOf = (quantity: { kind: string; value?: number }) => quantity.value ?? NaN;

describe('pitch measures', () => {
  it('centre, drift and share come back as written', () => {
    const m = measure({ cents: (t) => 4 + 3 * (t - 4) });
    expect(valueOf(m.pitchCentreCents)).toBeCloseTo(4, 1);
    expect(valueOf(m.driftCentsPerS)).toBeCloseTo(3, 2);
    expect(valueOf(m.shareInWindow)).toBeCloseTo((4 + 8 / 3 - 0.12) / 7.76, 1);
    expect(valueOf(m.pitchSteadinessCents)).toBeLessThan(0.05);
  });
  it('a shift of pitch moves the centre and nothing else', () => {
    const wave = (t: number) => 3 * Math.sin(9 * t);
    const a = measure({ cents: wave });
    const b = measure({ cents: (t) => wave(t) + 9 });
    expect(valueOf(b.pitchCentreCents) - valueOf(a.pitchCentreCents)).toBeCloseTo(9, 3);
    expect(valueOf(b.pitchSteadinessCents)).toBeCloseTo(valueOf(a.pitchSteadinessCents), 3);
  });
  it('pitch against level is its slope for 10 dB; absent when the level hardly moved', () => {
    const m = measure({ cents: (t) => (-7 * (plan(t) + 30)) / 10 });
    expect(valueOf(m.pitchAgainstLevelCents)).toBeCloseTo(-7, 1);
    expect(measure({ levelDb: () => -30 }).pitchAgainstLevelCents).toEqual({
      kind: 'absent',
      reason: 'levelHardlyMoved',
    });
  });
});

describe('swell shape', () => {
  it('the plan itself has no error, whatever the gain', () => {
    for (const gain of [0, 12]) {
      const m = measure({ levelDb: (t) => plan(t) + gain });
      expect(valueOf(m.swellErrorDb)).toBeCloseTo(0, 4);
      expect(valueOf(m.wrongWayShare)).toBe(0);
      expect(valueOf(m.peakPlaceBeats)).toBe(0);
      expect(m.stairs).toEqual([]);
      expect(valueOf(m.rangeDb)).toBeCloseTo(m.plannedRangeDb, 0);
    }
  });
  it('a step of 4 dB is one stair at its time', () => {
    const { stairs } = measure({ levelDb: (t) => plan(t) + (t > 2.5 ? 4 : 0) });
    expect(stairs).toHaveLength(1);
    expect(stairs[0]!.atS).toBeCloseTo(3.5, 1);
    expect(stairs[0]!.db).toBeCloseTo(4, 0);
  });
  it('a step of 1.5 dB is none', () =>
    expect(measure({ levelDb: (t) => plan(t) + (t > 2.5 ? 1.5 : 0) }).stairs).toEqual([]));
  it('falling where it should grow is the wrong way', () => {
    const m = measure({ levelDb: (t) => (t < 2 ? -35 - 3 * t : plan(t)) });
    expect(valueOf(m.wrongWayShare)).toBeCloseTo(2 / 8, 1);
  });
  it('a late peak is late by beats', () =>
    expect(
      valueOf(measure({ levelDb: (t) => -39 + 18 * (t < 6 ? t / 6 : 1 - (t - 6) / 2) }).peakPlaceBeats),
    ).toBeCloseTo(2, 0));
});

describe('interruptions', () => {
  it('a jump to partial 3 has its time, length and way back', () => {
    const { jumps } = measure({ partial: (t) => (t > 5 && t < 5.25 ? 3 : 1) });
    expect(jumps).toHaveLength(1);
    expect(jumps[0]).toMatchObject({ fromPartial: 1, toPartial: 3, cameBack: true });
    expect(jumps[0]!.atS).toBeCloseTo(6, 1);
    expect(jumps[0]!.lastsS).toBeCloseTo(0.25, 1);
  });
  it('a gap of 100 ms is a drop-out, one of 40 ms is not', () => {
    expect(measure({ toned: (t) => t < 3 || t > 3.1 }).dropOuts).toHaveLength(1);
    expect(measure({ toned: (t) => t < 3 || t > 3.04 }).dropOuts).toHaveLength(0);
  });
  it('silence is silence', () => {
    expect(measureTake(emptyFrames(900), context)).toEqual([{ kind: 'silent' }]);
  });
});

describe('ruler', () => {
  const held = (levelDb: number) => framesOf({ levelDb: () => levelDb });
  it('takes the softest and the loudest held second', () =>
    expect(rulerFrom(held(-44), held(-16))).toEqual({
      kind: 'measured',
      ruler: { softestDb: expect.closeTo(-44, 3), loudestDb: expect.closeTo(-16, 3), origin: 'measured' },
    }));
  it('refuses no tone and too little difference', () => {
    expect(rulerFrom(emptyFrames(500), held(-16))).toEqual({ kind: 'refused', reason: 'noTone' });
    expect(rulerFrom(held(-20), held(-16))).toMatchObject({ reason: 'tooNarrow', spanDb: expect.closeTo(4, 3) });
  });
});

describe('statistics', () => {
  it('quantiles and spreads of known rows', () => {
    expect(median([3, 1, 2])).toBe(2);
    expect(quantile([0, 10], 0.25)).toBe(2.5);
    expect(robustDeviation([1, 2, 3, 4, 5])).toBeCloseTo(1.4826, 4);
    expect(() => median([])).toThrow('empty');
  });
  it('Theil–Sen is not moved by an outlier', () => {
    const x = Array.from({ length: 41 }, (_, i) => i);
    const line = theilSen(
      x,
      x.map((value) => (value === 7 ? 500 : 2 * value + 1)),
    );
    expect(line.slope).toBeCloseTo(2, 9);
    expect(line.offset).toBeCloseTo(1, 9);
  });
});

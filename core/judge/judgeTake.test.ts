import { describe, expect, it } from 'vitest';
import { swell, SWELL_DEFAULTS, type SwellParameters } from '../families';
import { measureTake, type Demand } from '../measure';
import { hear } from '../signal';
import { CLEAN_HABITS, playStandIn, type Habits } from '../simulate';
import { ASSUMED_RULER, DYNAMICS, instrumentById, soundingRangeHz } from '../theory';
import { judgeTake, type Decision, type FindingId } from './index';

const RATE_HZ = 44100;
const parameters: SwellParameters = { ...SWELL_DEFAULTS, instrumentId: 'alto', tempoBpm: 120, beats: 12 };

function take(
  habits: Partial<Habits>,
  change: Partial<SwellParameters> = {},
  before: Decision[] = [],
  demand: Demand = 'firm',
) {
  const all = { ...parameters, ...change };
  const score = swell(all);
  const samples = playStandIn(score, {
    sampleRateHz: RATE_HZ,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    habits: { ...CLEAN_HABITS, ...habits },
    seed: 7,
    leadS: 1,
    tailS: 0.5,
  });
  const frames = hear(samples, { sampleRateHz: RATE_HZ, ...soundingRangeHz(instrumentById('alto'), 440) });
  const measures = measureTake(frames, {
    score,
    firstBeatS: 1,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    demand,
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
  });
  return { measures, verdict: judgeTake(measures, { score, parameters: all, demand, before }) };
}

describe('judgeTake with the stand-in player', () => {
  it('a clean swell raises nothing and asks for a harder one', () => {
    const { verdict } = take({});
    expect(verdict.findings.map((finding) => finding.id)).toEqual(['even']);
    expect(verdict.decision).toBe('harder');
    expect(verdict.next).toEqual({ change: 'softer', parameters: { softest: 'pp' } });
  });

  it.each<[FindingId, Partial<Habits>, Decision]>([
    ['jump', { jumps: [{ place: 0.7, partial: 2, lastsS: 0.25 }] }, 'easier'],
    ['dropOut', { dropOuts: [{ place: 0.8, lastsS: 0.15 }] }, 'easier'],
    ['stairs', { stairs: [{ place: 0.3, db: 5 }] }, 'again'],
    ['narrowRange', { rangeShare: 0.35 }, 'again'],
    ['sharpWhenSoft', { sharpWhenSoftCents: 12 }, 'again'],
    ['flatWhenSoft', { sharpWhenSoftCents: -12 }, 'again'],
    ['sharp', { tuningCents: 18 }, 'again'],
    ['flat', { tuningCents: -18 }, 'again'],
    ['rising', { driftCentsPerS: 7 }, 'again'],
    ['sinking', { driftCentsPerS: -7 }, 'again'],
    ['unsteady', { wobbleCents: 9 }, 'again'],
    ['late', { lateS: 0.16 }, 'again'],
    ['early', { lateS: -0.16 }, 'again'],
    ['peakLate', { peakShift: 0.14 }, 'again'],
    ['peakEarly', { peakShift: -0.14 }, 'again'],
    ['airySoftEnd', { breathDb: -16, breathWhenSoftDb: 4 }, 'again'],
  ])('%s is heard and decided', (id, habits, decision) => {
    const { verdict } = take(habits);
    expect(verdict.findings.map((finding) => finding.id)).toContain(id);
    expect(verdict.decision).toBe(decision);
    expect(verdict.tries.length).toBeGreaterThan(0);
  });

  it('says what did not follow the line, once', () => {
    expect(
      take({
        stairs: [
          { place: 0.2, db: 5 },
          { place: 0.35, db: -7 },
          { place: 0.6, db: 7 },
        ],
      }).verdict.findings.map((f) => f.id),
    ).toEqual(expect.arrayContaining(['stairs']));
    const late = take({ peakShift: 0.3 }).verdict;
    expect(late.findings.map((finding) => finding.id)).toEqual(['peakLate']);
    expect(late.decision).toBe('again');
  });

  it('hears another note for what it is, not as bad tuning', () => {
    const { measures } = take({ tuningCents: 300 });
    expect(measures[0]).toMatchObject({ otherSoundingMidi: 61, pitchCentreCents: { kind: 'absent' } });
  });

  it('proposes to leave it after the third break', () => {
    const broken = { dropOuts: [{ place: 0.5, lastsS: 0.3 }] };
    expect(take(broken, {}, ['easier']).verdict.decision).toBe('easier');
    expect(take(broken, {}, ['easier', 'easier']).verdict.decision).toBe('leave');
  });

  it('a finer demand hears what a loose one lets pass', () => {
    const lean = { tuningCents: 10 };
    expect(take(lean, {}, [], 'loose').verdict.decision).toBe('harder');
    expect(take(lean, {}, [], 'fine').verdict.findings.map((finding) => finding.id)).toContain('sharp');
  });

  it('silence is no judgement on the exercise', () => {
    const verdict = judgeTake([{ kind: 'silent' }], {
      score: swell(parameters),
      parameters,
      demand: 'firm',
      before: [],
    });
    expect(verdict).toMatchObject({ decision: 'again', tries: ['checkMicrophone'], next: { change: 'none' } });
  });

  it('easier and harder stay within the limits', () => {
    const top = take(
      { dropOuts: [{ place: 0.5, lastsS: 0.3 }] },
      { softest: 'mp', loudest: 'f', tempoBpm: 200, beats: 4 },
    ).verdict;
    expect(top.next).toEqual({ change: 'none', parameters: {} });
    const bottom = take({}, { softest: DYNAMICS[0], loudest: 'ff', tunerHidden: true, tempoBpm: 96, beats: 8 }).verdict;
    expect(bottom.next).toEqual({ change: 'slower', parameters: { tempoBpm: 88 } });
  });
});

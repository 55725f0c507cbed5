import type { Step } from '../exercise';
import { describe, expect, it } from 'vitest';
import { absent, measured, STEP_QUANTITIES, type Measured, type StepQuantity } from '../measure';
import type { RuleContext, Sounded } from './rule';
import { applies, RULES } from './rules';

const none = absent('tooShort');
const untouched = { lastsS: 0, pitchCentreCents: none, centroidPartials: none };
/** A tone with nothing to say of it: eight beats at 60, in time, in tune. */
const PLAIN: Sounded = {
  kind: 'sounded',
  onsetS: 1,
  endS: 9,
  plannedStartS: 1,
  plannedEndS: 9,
  targetHz: 233,
  ...(Object.fromEntries(STEP_QUANTITIES.map((name) => [name, none])) as Record<StepQuantity, Measured>),
  responseS: measured(0.02, 0.013),
  latenessS: measured(0, 0.005),
  riseS: measured(0.03, 0.006),
  octaveBelowS: measured(0, 0.01),
  overshootDb: measured(0, 0.6),
  airSpreadDb: absent('notPlanned'),
  settleS: measured(0.05, 0.01),
  scoopCents: measured(0, 1.5),
  pitchCentreCents: measured(0, 0.5),
  pitchSteadinessCents: measured(1, 0.2),
  driftCentsPerS: measured(0, 0.2),
  pitchAgainstLevelCents: measured(0, 0.5),
  shareInWindow: measured(1, 0.01),
  centroidPartials: measured(3, 0.1),
  centroidAgainstLevel: measured(1, 0.1),
  colourTravelPartials: measured(0.3, 0.1),
  levelDb: measured(-28, 0.3),
  breathRatioDb: measured(-30, 1.5),
  breathAgainstLevel: measured(-2, 0.5),
  swellErrorDb: measured(0.4, 0.3),
  wrongWayShare: measured(0, 0.02),
  rangeDb: measured(17, 0.3),
  plannedRangeDb: 18,
  peakPlaceBeats: measured(0, 0.25),
  breathAtSoftEndDb: measured(-28, 1.5),
  levelAgainstPlanDb: measured(0, 0.3),
  softestDb: measured(-38, 0.4),
  byLoudness: { soft: untouched, medium: untouched, loud: untouched },
  stairs: [],
  jumps: [],
  dropOuts: [],
  release: { fallS: measured(0.05, 0.015), slipCents: measured(0, 2), into: 'silence' },
  hold: { beats: measured(8, 0.01), fault: 'none' },
};
const context: RuleContext = {
  demand: 'firm',
  beatS: 1,
  evenColour: false,
  freeTuning: false,
  pairOffsetCents: 0,
  tubeCents: 0,
  ruler: 'assumed',
  step: undefined,
  changesOver: false,
  regular: true,
};
const spoken = (change: Partial<Sounded>, more: Partial<RuleContext> = {}) =>
  RULES.filter(
    (rule) => applies(rule.id, more.step) && rule.when({ ...PLAIN, ...change }, { ...context, ...more }),
  ).map((rule) => rule.id);
const jump = (kind: 'jump' | 'crack' | 'squeak', atS = 3) =>
  ({ kind, atS, lastsS: 0.1, fromPartial: 1, toPartial: 2, cameBack: true }) as const;

describe('RULES', () => {
  it('say nothing of a plain tone', () => expect(spoken({})).toEqual([]));

  it('judge the colour only when one colour is wanted, and the tuning only when it is not free', () => {
    const opens = { centroidAgainstLevel: measured(3, 0.1) };
    expect(spoken(opens)).toEqual([]);
    expect(spoken(opens, { evenColour: true })).toEqual(['colourOpens']);
    expect(spoken({ pitchCentreCents: measured(-31, 1) }, { freeTuning: true })).toEqual([]);
  });

  it('give a soft low note with a breath attack its air', () => {
    const slow = { responseS: measured(0.28, 0.013) };
    const low = { attack: 'breath', fingeredMidi: 58 } as Step;
    expect(spoken(slow)).toEqual(['slowResponse']);
    expect(spoken(slow, { step: low })).toEqual([]);
    expect(spoken(slow, { step: { ...low, attack: 'tongue' } })).toEqual(['slowResponse']);
  });

  it('judge dynamics only against a measured ruler', () => {
    const loud = { levelAgainstPlanDb: measured(9, 0.3) };
    expect(spoken(loud)).toEqual([]);
    expect(spoken(loud, { ruler: 'measured' })).toEqual(['tooLoud']);
    expect(spoken({ levelAgainstPlanDb: measured(-9, 0.3) }, { ruler: 'measured' })).toEqual(['tooSoft']);
  });

  it('say how far over its limit a thing is', () => {
    const severity = (cents: number) =>
      RULES.find((row) => row.id === 'sharp')!.when({ ...PLAIN, pitchCentreCents: measured(cents, 0) }, context)!
        .severity;
    expect(severity(18)).toBeCloseTo(1.5, 9);
    expect(severity(36)).toBeCloseTo(3, 9);
  });

  // Each speaks just beyond its limit by more than the uncertainty, and not within.
  it.each<[string, keyof Sounded, number, number, number]>([
    ['sharp', 'pitchCentreCents', 12.6, 12.4, 0.5],
    ['flat', 'pitchCentreCents', -12.6, -12.4, 0.5],
    ['unsteady', 'pitchSteadinessCents', 5.3, 5.1, 0.2],
    ['rising', 'driftCentsPerS', 3.8, 3.6, 0.2],
    ['sinking', 'driftCentsPerS', -3.8, -3.6, 0.2],
    ['sharpWhenSoft', 'pitchAgainstLevelCents', -7.6, -7.4, 0.5],
    ['flatWhenSoft', 'pitchAgainstLevelCents', 7.6, 7.4, 0.5],
    ['unevenLine', 'swellErrorDb', 2.4, 2.2, 0.3],
    ['wrongWay', 'wrongWayShare', 0.15, 0.13, 0.02],
    ['narrowRange', 'rangeDb', 11.3, 11.5, 0.3],
    ['late', 'latenessS', 0.076, 0.074, 0.005],
    ['early', 'latenessS', -0.076, -0.074, 0.005],
    ['slowResponse', 'responseS', 0.18, 0.165, 0.013],
    ['scooped', 'scoopCents', -17, -16, 1.5],
    ['overshoots', 'overshootDb', 7.4, 6.5, 0.6],
    ['airWavers', 'airSpreadDb', 3.8, 3.5, 0.6],
    ['octaveUnder', 'octaveBelowS', 0.07, 0.055, 0.01],
    ['peakLate', 'peakPlaceBeats', 1.1, 0.9, 0.25],
    ['peakEarly', 'peakPlaceBeats', -1.1, -0.9, 0.25],
    ['airySoftEnd', 'breathAtSoftEndDb', -12, -13, 1.5],
  ])('%s: %s', (id, quantity, beyond, within, uncertainty) => {
    expect(spoken({ [quantity]: measured(beyond, uncertainty) })).toEqual([id]);
    expect(spoken({ [quantity]: measured(within, uncertainty) })).toEqual([]);
    expect(spoken({ [quantity]: absent('tooShort') })).toEqual([]);
    // What is not known well enough is not said.
    expect(spoken({ [quantity]: measured(beyond, 40 * uncertainty) })).toEqual([]);
  });

  it('a drift over a short tone is its waver', () => {
    const drift = { driftCentsPerS: measured(5, 0.5) };
    expect(spoken(drift)).toEqual(['rising']);
    expect(spoken({ ...drift, endS: 3, plannedEndS: 3 })).toEqual([]);
  });

  it('a finer demand hears more', () => {
    const lean = { pitchCentreCents: measured(9, 0.5) };
    expect(spoken(lean)).toEqual([]);
    expect(spoken(lean, { demand: 'fine' })).toEqual(['sharp']);
  });

  it.each(['jump', 'crack', 'squeak'] as const)('a %s is told as that, with its beat', (kind) => {
    expect(spoken({ jumps: [jump(kind)] })).toEqual([kind]);
    const rule = RULES.find((anyRule) => anyRule.id === kind)!;
    const evidence = rule.when({ ...PLAIN, jumps: [jump(kind, 5.5), jump(kind, 7)] }, context);
    expect(evidence!.values).toMatchObject({ beat: 5, partial: 2, lastsMs: 100, count: 2 });
  });

  it.each([
    [8.65, []],
    [8.55, ['stoppedEarly']],
  ])('a tone that ends at %f s: %o', (endS, expected) => expect(spoken({ endS })).toEqual(expected));

  it('a slur that breaks or steps', () => {
    const slur = (gapS: number, db: Measured) => ({
      slur: { gapS, glitchS: gapS, levelStepDb: db, pitchStepCents: none },
    });
    expect(spoken(slur(0.05, measured(3, 0.5)))).toEqual([]);
    expect(spoken(slur(0.07, measured(3, 0.5)))).toEqual(['slurGap']);
    expect(spoken(slur(0, measured(-6, 0.5)))).toEqual(['slurStep']);
    expect(spoken(slur(0, none))).toEqual([]);
  });

  it('a slip as it is let go, either way', () => {
    const slip = (cents: number) => ({ release: { ...PLAIN.release, slipCents: measured(cents, 2) } });
    expect(spoken(slip(-15))).toEqual(['slipsAtEnd']);
    expect(spoken(slip(15))).toEqual(['slipsAtEnd']);
    expect(spoken(slip(-13))).toEqual([]);
  });

  it('another note, a stair, a hole', () => {
    expect(spoken({ otherSoundingMidi: 60 })).toEqual(['otherNote']);
    expect(spoken({ stairs: [{ atS: 3, db: -3 }] })).toEqual(['stairs']);
    expect(spoken({ dropOuts: [{ atS: 3, lastsS: 0.1 }] })).toEqual(['dropOut']);
  });
});

describe('rules of overtones', () => {
  const step = (change: Partial<Step> = {}): Step => ({
    startBeat: 0,
    beats: 4,
    fingeredMidi: 58,
    partialNumber: 3,
    soundedMidi: 77,
    dynamics: [{ beat: 0, dynamic: 'mf' }],
    attack: 'slurred',
    ...change,
  });
  const pair = (change: Partial<NonNullable<Sounded['pair']>>): Partial<Sounded> => ({
    pair: {
      pitchCents: none,
      levelDb: none,
      centroidPartials: none,
      spectralDistanceDb: none,
      changeS: none,
      ...change,
    },
  });
  const bent = (depth: number, back: number, stepCents: number): Partial<Sounded> => ({
    bend: { depthCents: measured(depth, 2), returnCents: measured(back, 2), stepCents: measured(stepCents, 2) },
  });
  it('another partial through most of the tone is the wrong partial, through less a jump', () => {
    const long = { ...jump('jump'), lastsS: 0.7 * (PLAIN.endS - PLAIN.onsetS) };
    expect(spoken({ jumps: [long] }, { step: step() })).toEqual(['wrongPartial']);
    expect(spoken({ jumps: [jump('jump')] }, { step: step() })).toEqual(['jump']);
  });
  it('a change that takes its time is told only where one is asked for', () => {
    const slow = { slur: { gapS: 0, glitchS: 0.14, levelStepDb: none, pitchStepCents: none } };
    expect(spoken(slow, { changesOver: true })).toEqual(['slowChange']);
    expect(spoken(slow, { changesOver: true, demand: 'loose' })).toEqual([]);
    expect(spoken(slow)).toEqual([]);
  });
  it.each<[string, Partial<Sounded>]>([
    ['pairSharp', pair({ pitchCents: measured(14, 1) })],
    ['pairFlat', pair({ pitchCents: measured(-14, 1) })],
    ['pairLouder', pair({ levelDb: measured(5, 0.4) })],
    ['pairSofter', pair({ levelDb: measured(-5, 0.4) })],
    ['colourApart', pair({ spectralDistanceDb: measured(6, 0.7) })],
    ['changeLate', pair({ changeS: measured(0.12, 0.02) })],
    ['changeEarly', pair({ changeS: measured(-0.12, 0.02) })],
  ])('%s', (id, change) => expect(spoken(change)).toEqual([id]));
  it('natural overtones are compared with their twins as they are by nature, free ones not at all', () => {
    const flat = pair({ pitchCents: measured(-14, 1) });
    expect(spoken(flat, { pairOffsetCents: -14 })).toEqual([]);
    expect(spoken(pair({ pitchCents: measured(2, 1) }), { pairOffsetCents: -14 })).toEqual(['pairSharp']);
    expect(spoken(flat, { freeTuning: true })).toEqual([]);
  });
  it('a natural overtone is in tune with its own tube', () => {
    const onSharpTube = { pitchCentreCents: measured(22, 1) };
    expect(spoken(onSharpTube)).toEqual(['sharp']);
    expect(spoken(onSharpTube, { tubeCents: 20 })).toEqual([]);
    expect(spoken({ pitchCentreCents: measured(0, 1) }, { tubeCents: 20 })).toEqual(['flat']);
  });
  it('a hum is judged on its pitch alone', () => {
    const hum = { step: step({ hum: true }) };
    expect(spoken({ pitchCentreCents: measured(28, 2), dropOuts: [{ atS: 2, lastsS: 0.2 }] }, hum)).toEqual([
      'humSharp',
    ]);
    expect(spoken({ pitchCentreCents: measured(-28, 2) }, hum)).toEqual(['humFlat']);
    expect(spoken({ otherSoundingMidi: 50 }, hum)).toEqual(['hummedOther']);
    expect(spoken({ pitchCentreCents: measured(20, 2) }, hum)).toEqual([]);
  });
  it('a bend on its depth, its return and its line', () => {
    const asked = { step: step({ bendCents: 100 }) };
    expect(spoken({ ...bent(95, 2, 20), pitchCentreCents: measured(-45, 1) }, asked)).toEqual([]);
    expect(spoken(bent(60, 2, 20), asked)).toEqual(['bendShallow']);
    expect(spoken(bent(95, -16, 20), asked)).toEqual(['bendOff']);
    expect(spoken(bent(95, 2, 80), asked)).toEqual(['bendRough']);
  });
  it('where the pitch is free it is not judged, its steadiness is', () => {
    const free = { step: step({ freePitch: true }) };
    expect(spoken({ pitchCentreCents: measured(40, 1), otherSoundingMidi: 60 }, free)).toEqual([]);
    expect(spoken({ pitchSteadinessCents: measured(9, 0.2) }, free)).toEqual(['unsteady']);
  });
});

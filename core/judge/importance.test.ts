import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { absent, measured, STEP_QUANTITIES, type StepMeasures } from '../measure';
import { judgeTake } from './judgeTake';
import type { TakeCase } from './takeCase';

const none = absent('tooShort');
const untouched = { lastsS: 0, pitchCentreCents: none, centroidPartials: none };
/** A tone of four seconds with nothing to say of it but what is given. */
const tone = (change: object = {}) =>
  ({
    kind: 'sounded',
    onsetS: 1,
    endS: 5,
    plannedStartS: 1,
    plannedEndS: 5,
    targetHz: 233,
    ...Object.fromEntries(STEP_QUANTITIES.map((name) => [name, none])),
    plannedRangeDb: 0,
    byLoudness: { soft: untouched, medium: untouched, loud: untouched },
    stairs: [],
    jumps: [],
    dropOuts: [],
    release: { fallS: none, slipCents: none, into: 'silence' },
    hold: { beats: none, fault: 'none' },
    ...change,
  }) as unknown as StepMeasures;
function judged(family: string, ...measures: StepMeasures[]) {
  const parameters = usualExercise(familyById(family), 'alto');
  const score = exerciseScore(parameters);
  const { findings } = judgeTake(measures, { score, parameters, demand: 'firm', before: [] });
  return findings.filter((finding) => finding.weight > 0);
}
const ids = (...about: Parameters<typeof judged>) => judged(...about).map((finding) => finding.id);

describe('what comes first', () => {
  const sharp = { pitchCentreCents: measured(16, 0.5) };
  const late = { latenessS: measured(0.3, 0.01) };
  it('is what broke, then what is farthest over its limit', () => {
    expect(ids('threeZones', tone({ ...sharp, dropOuts: [{ atS: 3, lastsS: 0.2 }] }))).toEqual(['dropOut', 'sharp']);
    expect(ids('threeZones', tone({ ...sharp, pitchSteadinessCents: measured(14, 0.2) }))).toEqual([
      'unsteady',
      'sharp',
    ]);
  });
  it('is what the exercise is for, where both are about as far off', () => {
    const both = { pitchCentreCents: measured(16, 0.5), latenessS: measured(0.15, 0.01) };
    expect(ids('threeZones', tone(both))).toEqual(['sharp', 'late']);
    expect(ids('countedBreaths', tone({ ...sharp, ...late }))).toEqual(['late', 'sharp']);
  });
});

describe('what is told once', () => {
  it('a hole is not a stair as well, nor a slow start a late one', () => {
    const gap = { dropOuts: [{ atS: 3, lastsS: 0.2 }], stairs: [{ atS: 3, db: 4 }] };
    expect(ids('swell', tone(gap))).toEqual(['dropOut']);
    expect(ids('countedBreaths', tone({ responseS: measured(0.4, 0.01), latenessS: measured(0.1, 0.01) }))).toEqual([
      'slowResponse',
    ]);
  });
  it('what is much farther over its own limit is told all the same', () => {
    const both = { responseS: measured(0.2, 0.01), latenessS: measured(0.5, 0.01) };
    expect(ids('countedBreaths', tone(both))).toEqual(['late', 'slowResponse']);
  });
  it('on several tones with the evidence of the worst, by its own measure', () => {
    const jump = (atS: number, lastsS: number) =>
      tone({ jumps: [{ kind: 'jump', atS, lastsS, fromPartial: 1, toPartial: 2, cameBack: true }] });
    const [found] = judged('threeZones', jump(4.5, 0.2), jump(2, 0.8));
    expect(found).toMatchObject({ id: 'jump', stepIndex: 1, steps: 2, values: { lastsMs: 800 } });
  });
});

describe('what a family leaves out', () => {
  it('air before the tone is the task of Air into tone', () => {
    const slow = tone({ responseS: measured(0.9, 0.01), latenessS: measured(0.9, 0.01) });
    expect(ids('airIntoTone', slow)).toEqual([]);
    expect(ids('countedBreaths', slow)).not.toEqual([]);
  });
  it('a Hold has no end that it could miss', () =>
    expect(ids('hold', tone({ plannedEndS: 61, hold: { beats: measured(11, 0.1), fault: 'ended' } }))).toEqual([]));
});

describe('what is not secure is not made harder', () => {
  const decided = (family: string, measures: object) => {
    const parameters = usualExercise(familyById(family), 'alto');
    const score = exerciseScore(parameters);
    return judgeTake(
      score.steps.map(() => tone(measures)),
      { score, parameters, demand: 'firm', before: [] },
    ).decision;
  };
  const slightlyLate = { latenessS: measured(0.1, 0.01) };
  it('where it is what the exercise is for', () => {
    expect(decided('countedBreaths', slightlyLate)).toBe('again');
    expect(decided('threeZones', slightlyLate)).toBe('harder');
  });
  it('where it is far over its limit, whatever the exercise is for', () =>
    expect(decided('threeZones', { latenessS: measured(0.4, 0.01) })).toBe('again'));
});

describe('what the device did to the sound', () => {
  const judgedOn = (device: NonNullable<TakeCase['device']>, family = 'swell', change: object = {}) => {
    const parameters = usualExercise(familyById(family), 'alto');
    const score = exerciseScore(parameters);
    const measures = score.steps.map(() => tone({ plannedRangeDb: 16, rangeDb: measured(4, 0.5), ...change }));
    return judgeTake(measures, { score, parameters, demand: 'firm', before: [], device });
  };
  const ids = (device: NonNullable<TakeCase['device']>, family?: string, change?: object) =>
    judgedOn(device, family, change).findings.map(({ id }) => id);
  it('is told first, and nothing is said of the loudness that it moved', () => {
    expect(ids({})).toEqual(['narrowRange']);
    expect(ids({ gainRidesDb: 9 })).toEqual(['levelsRide']);
    expect(ids({ gated: true })).toEqual(['levelsGated']);
  });
  it('leaves nothing secure where the exercise is for what was not heard', () => {
    expect(judgedOn({ gainRidesDb: 9 })).toMatchObject({ decision: 'again', next: { change: 'none' } });
    expect(judgedOn({ gainRidesDb: 9 }, 'threeZones').decision).toBe('harder');
    expect(judgedOn({ bandHz: 3400 }, 'ventMatch').decision).toBe('again');
  });
  it('does not keep the pitch from being told, nor praises dynamics', () => {
    const sharp = { pitchCentreCents: measured(18, 0.5) };
    expect(ids({ gainRidesDb: 9 }, 'swell', sharp)).toEqual(['levelsRide', 'sharp']);
    const even = { shareInWindow: measured(1, 0), rangeDb: measured(15, 0.5) };
    expect(ids({}, 'swell', even)).toContain('even');
    expect(ids({ gainRidesDb: 9 }, 'swell', even)).toEqual(['levelsRide']);
  });
  it('and how often it overloaded', () =>
    expect(ids({ clipped: 4, bandHz: 8000 }).slice(0, 2)).toEqual(['bandLimited', 'clipped']));
});

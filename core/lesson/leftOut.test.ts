import { describe, expect, it } from 'vitest';
import { FAMILIES } from '../families';
import { answered, askedAbout, leftOutOn, notPlanned, planSession, type LeftOut, type PlanFor } from './index';

const left = (...days: string[]) => days.reduce<LeftOut[]>((list, day) => leftOutOn(list, 'swell', day), []);
const THREE = left('2026-01-05', '2026-01-06', '2026-01-08');

describe('what is left out by hand', () => {
  it('is asked about on the third day, not for the same day thrice', () => {
    expect(askedAbout(left('2026-01-05', '2026-01-05', '2026-01-05'), [])).toBeUndefined();
    expect(askedAbout(left('2026-01-05', '2026-01-06'), [])).toBeUndefined();
    expect(askedAbout(THREE, [])).toBe('swell');
  });
  it('is not asked about where it was played in between', () => {
    expect(askedAbout(THREE, [{ family: 'swell', day: '2026-01-07' }])).toBeUndefined();
    expect(askedAbout(THREE, [{ family: 'hold', day: '2026-01-07' }])).toBe('swell');
  });
  it('is asked about once', () => {
    const said = answered(THREE, 'swell', 'noTime', '2026-01-08');
    expect(askedAbout(leftOutOn(said, 'swell', '2026-01-09'), [])).toBeUndefined();
  });
  it.each([
    ['tooHard', '2026-01-21', true],
    ['tooHard', '2026-01-22', false],
    ['known', '2026-02-04', true],
    ['known', '2026-02-05', false],
    ['notWanted', '2026-12-24', true],
    ['noTime', '2026-01-09', false],
  ] as const)('%s: on %s it is away: %s', (why, day, away) =>
    expect(notPlanned(answered(THREE, 'swell', why, '2026-01-08'), day).has('swell')).toBe(away),
  );
  it('does not come by any way of the plan', () => {
    const plan: PlanFor = {
      ...{
        instrumentId: 'alto',
        minutes: 45,
        level: 'home',
        style: 'sweep',
        notes: [],
        sources: new Map(),
        recent: [],
      },
      ...{ goals: [], quiet: false, nowMs: Date.UTC(2026, 0, 8, 18), day: '2026-01-08' },
    };
    const families = (without: readonly string[]) =>
      planSession({ ...plan, without: new Set(without) }).map(({ exercise }) => exercise.family);
    const usual = families([]);
    for (const family of new Set(usual)) expect(families([family])).not.toContain(family);
    expect(families(FAMILIES.map(({ id }) => id).filter((id) => id !== 'hold'))).toContain('hold');
  });
});

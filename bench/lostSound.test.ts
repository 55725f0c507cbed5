import { describe, expect, it } from 'vitest';
import type { LostSound } from '@inner-hum/core/measure';
import { CLEAN_HABITS, withFault, type Habits } from '@inner-hum/core/simulate';
import { playFamily } from './play';

const SEED = 12;
const told = (habits: Habits, lost: readonly LostSound[], family = 'swell') =>
  playFamily(family, 'alto', SEED, habits, {}, { device: { lost } });
const ids = (...given: Parameters<typeof told>) => told(...given).findings.map(({ id }) => id);
const clock = (atS: number, lastsS: number): LostSound => ({ atS, lastsS, how: 'clock' });
const zeros = (atS: number, lastsS: number): LostSound => ({ atS, lastsS, how: 'zeros' });

describe('what the device lost', () => {
  it('is told, and explains a hole where it was, but not one elsewhere', () => {
    const hole = withFault('dropOut');
    const without = ids(hole, []);
    expect(without).toContain('dropOut');
    const finding = told(hole, []).findings.find(({ id }) => id === 'dropOut')!;
    const atS = 'atS' in finding.values ? finding.values.atS : NaN;
    expect(ids(hole, [zeros(atS, 0.2)])).not.toContain('dropOut');
    expect(ids(hole, [zeros(atS, 0.2)])).toContain('soundLost');
    expect(ids(hole, [zeros(atS + 2, 0.2)])).toContain('dropOut');
  });

  it('explains an early end as far as it reaches', () => {
    const early: Habits = { ...CLEAN_HABITS, stopsAt: 0.92 };
    expect(ids(early, [])).toContain('stoppedEarly');
    expect(ids(early, [clock(4, 0.6)])).not.toContain('stoppedEarly');
    expect(ids(early, [clock(4, 0.05)])).toContain('stoppedEarly');
  });

  it('leaves pitch to be judged, and makes nothing harder', () => {
    const sharp: Habits = { ...CLEAN_HABITS, tuningCents: 30 };
    expect(ids(sharp, [clock(4, 0.3)])).toEqual(expect.arrayContaining(['soundLost', 'sharp']));
    expect(told(CLEAN_HABITS, []).decision).toBe('harder');
    expect(told(CLEAN_HABITS, [clock(4, 0.3)]).decision).toBe('again');
  });

  it('from a tenth of the take on is all that is told, with what to do', () => {
    const verdict = told(withFault('dropOut'), [clock(4, 0.5), zeros(6, 0.4)]);
    expect(verdict.findings.map(({ id }) => id)).toEqual(['tooMuchLost']);
    expect(verdict.tries).toEqual(['freeTheDevice']);
    expect(verdict.next).toEqual({ change: 'none', parameters: {} });
  });

  it('less than is heard changes nothing', () => {
    expect(ids(CLEAN_HABITS, [zeros(4, 0.005)])).toEqual(ids(CLEAN_HABITS, []));
  });
});

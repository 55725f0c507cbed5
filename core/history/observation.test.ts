import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { absent, measured, type StepMeasures } from '../measure';
import { cellsFrom, RECENT } from './cells';
import { estimate } from './estimate';
import { observations } from './observation';
import { digest, seen } from './testDigests';

const none = absent('tooShort');
const band = (lastsS: number, cents = 0) => ({
  lastsS,
  pitchCentreCents: lastsS > 0 ? measured(cents, 0.5) : none,
  centroidPartials: lastsS > 0 ? measured(4, 0.1) : none,
});
/** A tone that lay in the loud third, five cents sharp of its target. */
const tone = {
  kind: 'sounded',
  onsetS: 1,
  endS: 3,
  jumps: [],
  responseS: measured(0.1, 0.01),
  pitchCentreCents: measured(5, 0.5),
  pitchSteadinessCents: measured(2, 0.2),
  breathRatioDb: measured(-30, 1),
  levelAgainstPlanDb: measured(9, 0.3),
  softestDb: measured(-20, 0.3),
  pitchAgainstLevelCents: none,
  brokeUnderPDb: none,
  heldUnderPDb: none,
  plannedRangeDb: 0,
  hold: { fault: 'none', beats: measured(4, 0.1) },
  byLoudness: { soft: band(0), medium: band(0), loud: band(2, 5) },
} as unknown as StepMeasures;

const ladder = exerciseScore({ ...usualExercise(familyById('overtoneLadder'), 'alto'), top: 5 });
const fifth = ladder.steps.findIndex((step) => step.partialNumber === 5);
const told = (
  untold?: { readonly levels: boolean; readonly colour: boolean; readonly holds?: boolean },
  played = tone,
) =>
  observations(
    ladder,
    ladder.steps.map(() => played),
    1000,
    untold,
  ).filter(({ atMs }) => atMs === 1000 + fifth);

describe('what a take tells the map', () => {
  it('is told at the loudness that was heard, against tempered', () => {
    const loud = told().find((one) => one.band === 'loud')!;
    expect(loud.values.pitchCentreCents).toBeCloseTo(5 - 13.7, 0);
    expect(loud.values).toHaveProperty('levelAgainstPlanDb');
  });
  it('where the device moved the levels is the pitch alone, at the loudness that was asked for', () => {
    const [only, ...more] = told({ levels: true, colour: false });
    expect(more).toEqual([]);
    expect(only).toMatchObject({ band: 'medium', tried: true, spoke: true });
    expect(only!.values.pitchCentreCents).toBeCloseTo(5 - 13.7, 0);
    expect(Object.keys(only!.values).sort()).toEqual(['pitchCentreCents', 'pitchSteadinessCents', 'responseS']);
  });
  it('has how long the breath held where the breath ended it, not where the score did or sound was lost', () => {
    const heldOf = (...about: Parameters<typeof told>) => told(...about).flatMap(({ values }) => values.holdS ?? []);
    const ended = { ...tone, hold: { fault: 'ended', beats: measured(4, 0.1) } } as unknown as StepMeasures;
    const usual = { levels: false, colour: false };
    expect(heldOf(usual, ended)).toEqual([expect.closeTo((4 * 60) / ladder.tempoBpm, 6)]);
    expect(heldOf(usual)).toEqual([]);
    expect(heldOf({ ...usual, holds: true }, ended)).toEqual([]);
  });
  it('has no colour where the highs were not heard', () => {
    for (const { values } of told({ levels: false, colour: true }))
      expect(values).not.toHaveProperty('centroidPartials');
  });
});

describe('what was held in free play', () => {
  const at = (cents: number, free = false) =>
    seen({ values: { pitchCentreCents: cents }, ...(free && { free: true }) });
  it('weighs half, and leaves a note less sure', () => {
    const known = (...list: ReturnType<typeof seen>[]) => {
      const found = estimate(list, 'pitchCentreCents');
      if (found.kind === 'unknown') throw new Error('unknown');
      return found;
    };
    expect(known(at(0), at(0), at(10, true), at(10, true), at(10, true)).value).toBe(0);
    expect(known(at(0), at(0), at(10), at(10), at(10)).value).toBe(10);
    expect(known(at(4, true)).uncertainty).toBeGreaterThan(1.3 * known(at(4)).uncertainty);
  });
  it('never pushes out what was asked for', () => {
    const asked = Array.from({ length: RECENT }, (_, i) => digest(`a${i}`, i + 1, [at(1)]));
    const freely = Array.from({ length: 30 }, (_, i) => digest(`f${i}`, 20, [{ ...at(9, true), atMs: 2e12 + i }]));
    const [cell] = [...cellsFrom([...asked, ...freely]).values()];
    expect(cell!.recent.filter(({ free }) => !free)).toHaveLength(RECENT);
    expect(cell!.recent.filter(({ free }) => free)).toHaveLength(6);
    expect([...cellsFrom([...freely, ...asked].reverse()).values()][0]!.recent).toEqual(cell!.recent);
  });
});

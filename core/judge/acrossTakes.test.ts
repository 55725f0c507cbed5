import { describe, expect, it } from 'vitest';
import { type Attack } from '../exercise';
import { exerciseScore, familyById, usualExercise } from '../families';
import { absent, measured, type StepMeasures } from '../measure';
import { acrossTakes, pastTake, type PastTake } from './acrossTakes';

const MINUTE = 60_000;
const step = (change: Partial<PastTake['steps'][number]> = {}) => ({
  midi: 60,
  attack: 'breath' as Attack,
  soft: false,
  spoke: true,
  slopeCents: undefined,
  share: 1,
  ...change,
});
const take = (change: Partial<PastTake> = {}): PastTake => ({
  startedAtMs: 0,
  day: '2026-01-01',
  reed: 'first',
  exercise: 'hold 60',
  steps: [step()],
  ...change,
});
const ids = (now: PastTake, past: PastTake[]) => acrossTakes(now, past).map((one) => one.id);

describe('a leak', () => {
  const failing = (['tongue', 'tongue', 'tongue', 'breath', 'breath', 'breath'] as const).map((attack) =>
    step({ attack, spoke: false }),
  );
  const monday = take({ day: '2026-01-05', reed: 'first', steps: failing });
  const now = take({ day: '2026-01-07', reed: 'second', steps: failing });
  it('is likely when both ways fail on two days and two reeds', () =>
    expect(acrossTakes(now, [monday])).toEqual([
      { id: 'leakLikely', weight: 2, stepIndex: 0, values: { tonguePercent: 100, airPercent: 100, days: 2, reeds: 2 } },
    ]));
  it.each<[string, PastTake]>([
    ['on one reed only', { ...monday, reed: 'second' }],
    ['on one day only', { ...monday, day: '2026-01-07' }],
    ['with a reed nobody named', { ...monday, reed: '' }],
  ])('is not said %s', (_, past) => expect(ids(now, [past])).toEqual([]));
  it('is not said when air alone speaks', () => {
    const tongued = failing.map((one) => ({ ...one, spoke: one.attack === 'breath' }));
    expect(ids({ ...now, steps: tongued }, [{ ...monday, steps: tongued }])).toEqual([]);
  });
  it('is not said of notes of the middle, nor when today all speaks', () => {
    const middle = failing.map((one) => ({ ...one, midi: 70 }));
    expect(ids({ ...now, steps: middle }, [{ ...monday, steps: middle }])).toEqual([]);
    expect(ids(take({ day: '2026-01-07', reed: 'second' }), [monday, { ...monday, day: '2026-01-06' }])).toEqual([]);
  });
});

describe('pitch that follows loudness', () => {
  const on = (midi: number, slopeCents: number) => take({ steps: [step({ midi, slopeCents })] });
  it('on every note is a habit', () =>
    expect(ids(on(67, -10), [on(60, -9), on(64, -8), on(69, -12)])).toEqual(['slopeEverywhere']));
  it('on one alone is that note', () =>
    expect(ids(on(67, -10), [on(60, -1), on(64, 2), on(69, 0)])).toEqual(['slopeHere']));
  it.each<[string, number[]]>([
    ['too few other notes', [-9, -9]],
    ['half of the others', [-9, -9, 0, 1]],
  ])('%s leave it open', (_, slopes) =>
    expect(
      ids(
        on(67, -10),
        slopes.map((one, i) => on(60 + i, one)),
      ),
    ).toEqual([]),
  );
  it('a small slope is nothing', () => expect(ids(on(67, -5), [on(60, -9), on(64, -8), on(69, -9)])).toEqual([]));
});

describe('a sitting', () => {
  const row = (shares: number[], everyMs = 4 * MINUTE) =>
    shares.map((share, i) => take({ startedAtMs: i * everyMs, steps: [step({ share })] }));
  const last = (takes: PastTake[]) => ids(takes.at(-1)!, takes.slice(0, -1));
  it.each<[number[], string[]]>([
    [[0.4, 0.5, 0.8, 0.9], ['steadierNow']],
    [[0.9, 0.8, 0.5, 0.5], ['tiring']],
    [[0.9, 0.8, 0.8, 0.85], []],
    [[0.4, 0.9, 0.9], []],
  ])('%j says %j', (shares, said) => expect(last(row(shares))).toEqual(said));
  it('takes far apart are no sitting', () => expect(last(row([0.4, 0.4, 0.9, 0.9], 70 * MINUTE))).toEqual([]));
  it('other exercises between do not count', () => {
    const takes = row([0.4, 0.5, 0.8, 0.9]).map((one, i) => (i % 2 ? one : { ...one, exercise: 'swell 60' }));
    expect(last(takes)).toEqual([]);
  });
});

describe('pastTake', () => {
  it('keeps what later takes need: the note, the start, the slope, the share', () => {
    const score = exerciseScore({ ...usualExercise(familyById('tongueOrAir'), 'alto'), starts: 2 });
    const tone = {
      kind: 'sounded',
      onsetS: 1,
      jumps: [{ kind: 'jump', atS: 1.05, lastsS: 0.3, fromPartial: 1, toPartial: 2, cameBack: true }],
      pitchAgainstLevelCents: absent('levelHardlyMoved'),
      shareInWindow: measured(0.8, 0.01),
    } as unknown as StepMeasures;
    const kept = pastTake({ startedAtMs: 5, day: '2026-01-01', reed: '', score, measures: [tone, { kind: 'silent' }] });
    expect(kept.exercise).toBe('tongueOrAir 58');
    expect(kept.steps).toEqual([
      { midi: 58, attack: 'tongue', soft: true, spoke: false, slopeCents: undefined, share: 0.8 },
      { midi: 58, attack: 'tongue', soft: true, spoke: false, slopeCents: undefined, share: 0 },
    ]);
  });
});

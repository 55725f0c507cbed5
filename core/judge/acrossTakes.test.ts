import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { absent, measured, type StepMeasures } from '../measure';
import { acrossTakes, harderToday, lean, presentTake, type PastTake } from './acrossTakes';
import type { LowStart } from './leak';

const MINUTE = 60_000;
const take = (change: Partial<PastTake> = {}): PastTake => ({
  startedAtMs: 0,
  day: '2026-01-01',
  exercise: 'hold 60 breath',
  proposed: 'hold 60 breath',
  decision: 'again',
  starts: [],
  slopes: [],
  centres: [],
  share: 1,
  ...change,
});
const ids = (now: PastTake, past: PastTake[]) => acrossTakes(now, past).map((acrossTake) => acrossTake.id);

describe('a leak', () => {
  const starts = (day: string, reed: string, change: Partial<LowStart> = {}): LowStart[] => [
    ...(['tongue', 'tongue', 'tongue', 'tongue', 'breath', 'breath', 'breath', 'breath'] as const).map((attack) => ({
      midi: 60,
      attack,
      spoke: false,
      day,
      reed,
      ...change,
    })),
    ...Array.from({ length: 4 }, () => ({ midi: 74, attack: 'breath', spoke: true, day, reed }) as const),
  ];
  const monday = take({ starts: starts('2026-01-05', 'first') });
  const now = take({ starts: starts('2026-01-07', 'second') });
  it('is likely when both ways fail on two days and two reeds while the upper notes speak', () =>
    expect(acrossTakes(now, [monday])).toMatchObject([
      { id: 'leakLikely', values: { tonguePercent: 100, airPercent: 100, days: 2, reeds: 2 } },
    ]));
  it.each<[string, LowStart[]]>([
    ['on one reed only', starts('2026-01-05', 'second')],
    ['on one day only', starts('2026-01-07', 'first')],
    ['with a reed nobody named', starts('2026-01-05', '')],
  ])('is not said %s', (_, past) => expect(ids(now, [take({ starts: past })])).toEqual([]));
  it('is not said when air alone speaks, of notes of the middle, nor when all speaks today', () => {
    const both = (change: (start: LowStart) => Partial<LowStart>) =>
      [monday, now].map(({ starts: own }) => take({ starts: own.map((start) => ({ ...start, ...change(start) })) }));
    const [airThen, airNow] = both((start) => ({ spoke: start.attack === 'breath' }));
    expect(ids(airNow!, [airThen!])).toEqual([]);
    const [midThen, midNow] = both(() => ({ midi: 70 }));
    expect(ids(midNow!, [midThen!])).toEqual([]);
    expect(ids(take({ starts: starts('2026-01-08', 'second', { spoke: true }) }), [monday, now])).toEqual([]);
  });
});

describe('pitch that follows loudness', () => {
  const on = (midi: number, cents: number) => take({ slopes: [{ midi, cents }] });
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
        slopes.map((slope, i) => on(60 + i, slope)),
      ),
    ).toEqual([]),
  );
  it('a small slope is nothing', () => expect(ids(on(67, -5), [on(60, -9), on(64, -8), on(69, -9)])).toEqual([]));
});

describe('a sitting', () => {
  const row = (shares: number[], everyMs = 4 * MINUTE) =>
    shares.map((share, i) => take({ startedAtMs: i * everyMs, share }));
  const last = (takes: PastTake[]) => ids(takes.at(-1)!, takes.slice(0, -1));
  it.each<[number[], string[]]>([
    [[0.4, 0.5, 0.8, 0.9], ['steadierNow']],
    [[0.9, 0.8, 0.5, 0.5], ['tiring']],
    [[0.9, 0.8, 0.8, 0.85], []],
    [[0.4, 0.9, 0.9], []],
  ])('%j says %j', (shares, said) => expect(last(row(shares))).toEqual(said));
  it('takes far apart are no sitting', () => expect(last(row([0.4, 0.4, 0.9, 0.9], 70 * MINUTE))).toEqual([]));
  it('other exercises between do not count', () => {
    const takes = row([0.4, 0.5, 0.8, 0.9]).map((pastTake, i) =>
      i % 2 ? pastTake : { ...pastTake, exercise: 'swell 60 growFade breath' },
    );
    expect(last(takes)).toEqual([]);
  });
});

describe('harder once a day', () => {
  const harder = take({ decision: 'harder', proposed: 'hold 59 breath' });
  it.each<[string, PastTake, boolean]>([
    ['the same exercise', take(), true],
    ['the one it proposed', take({ exercise: 'hold 59 breath' }), true],
    ['another', take({ exercise: 'hold 70 breath' }), false],
    ['another day', take({ day: '2026-01-02' }), false],
  ])('%s', (_, now, expected) => expect(harderToday(now, [harder])).toBe(expected));
});

describe('lean', () => {
  const centres = (...cents: number[]) => take({ centres: cents.map((value, i) => ({ midi: 60 + i, cents: value })) });
  it.each<[number[], number]>([
    [[9, 8, 12, 7, 6, 9], 1],
    [[-9, -8, -12, -7, -6, -9], -1],
    [[9, -8, 12, -7, 6, -9], 0],
    [[9, 8, 12], 0],
  ])('%j leans %i', (cents, expected) => expect(lean(centres(...cents), [])).toBe(expected));
});

describe('presentTake', () => {
  it('keeps what later takes need: the starts, the slopes, the centres, the share', () => {
    const parameters = { ...usualExercise(familyById('tongueOrAir'), 'alto'), starts: 3 };
    const tone = {
      kind: 'sounded',
      onsetS: 1,
      endS: 3,
      jumps: [{ kind: 'jump', atS: 1.05, lastsS: 0.3, fromPartial: 1, toPartial: 2, cameBack: true }],
      pitchAgainstLevelCents: absent('levelHardlyMoved'),
      pitchCentreCents: measured(4, 1),
      shareInWindow: measured(0.8, 0.01),
    } as unknown as StepMeasures;
    const measures: StepMeasures[] = [tone, { kind: 'silent' }, tone, { kind: 'silent' }];
    const now = presentTake({
      startedAtMs: 5,
      day: '2026-01-01',
      reed: 'first',
      parameters,
      score: exerciseScore(parameters),
      measures,
    });
    expect(now.exercise).toBe('tongueOrAir 58');
    const start = { midi: 58, attack: 'tongue', spoke: false, day: '2026-01-01', reed: 'first' };
    // By turns with the tongue and with air.
    expect(now.starts).toEqual([start, { ...start, attack: 'breath' }, start]);
    expect(now.centres).toHaveLength(2);
    expect(now.slopes).toEqual([]);
    expect(now.share).toBeCloseTo(1.6 / 3, 9);
  });
});

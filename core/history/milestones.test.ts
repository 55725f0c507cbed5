import { expect, it } from 'vitest';
import { changeWorthKnowing } from '../experiments/changeWorthKnowing';
import { milestonesOf } from './milestones';
import { planWeek } from '../lesson/week';
import { digest, seen } from './testDigests';
import { SeededRandom } from '@inner-hum/core/simulate';

it('tells firsts once, the earliest, from whatever order', () => {
  const takes = [
    digest('c', 3, [seen({ midi: 91 }), seen({ midi: 77, fingeredMidi: 58, partial: 3 })]),
    digest(
      'a',
      1,
      [seen({ midi: 60, values: { pitchSteadinessCents: 1.5 } })],
      {},
      { holds: [{ midi: 60, loud: false, holdS: 12 }] },
    ),
    digest(
      'b',
      2,
      [seen({ midi: 60, values: { pitchSteadinessCents: 1.2 } })],
      {},
      { holds: [{ midi: 60, loud: false, holdS: 21 }] },
    ),
  ];
  const firsts = [...milestonesOf(takes).values()];
  expect(firsts.map((first) => `${first.takeId} ${first.kind} ${first.midi}`).sort()).toEqual([
    'a held 60',
    'a steady 60',
    'b held 60',
    'c altissimo 91',
    'c partial 77',
  ]);
});
it('another size of horn has its own firsts', () => {
  const on = (id: string, instrumentId: 'alto' | 'baritone') => digest(id, 1, [seen({ midi: 91 })], { instrumentId });
  expect(
    [...milestonesOf([on('a', 'alto'), on('b', 'baritone')]).values()].map((milestone) => milestone.takeId),
  ).toEqual(['a', 'b']);
});
it('what did not speak is no first', () =>
  expect(milestonesOf([digest('a', 1, [seen({ midi: 92, spoke: false })])]).size).toBe(0));

it('the one change worth knowing is the surest, and none when nothing is sure', () => {
  const DAY_MS = 86_400_000;
  const lots = (drop: number) => {
    const chance = new SeededRandom(4);
    return Array.from({ length: 28 }, (_, i) =>
      digest(`t${i}`, i + 1, [
        seen({ midi: 58, values: { responseS: 0.2 - (i >= 14 ? drop : 0) + 0.01 * chance.normal() } }),
      ]),
    );
  };
  const random = new SeededRandom(1);
  const nowMs = lots(0).at(-1)!.startedAtMs + DAY_MS / 2;
  const found = changeWorthKnowing(lots(0.08), nowMs, () => random.uniform());
  expect(found).toMatchObject({ quantity: 'responseS', midi: 58, decided: true });
  expect(found!.difference).toBeCloseTo(-0.08, 2);
  expect(changeWorthKnowing([], nowMs, () => random.uniform())).toBeUndefined();
});

it('a week plans each day on what the days before would have been, and rests where there is no time', () => {
  const from = {
    instrumentId: 'alto',
    minutes: 15,
    level: 'home',
    style: 'sweep',
    notes: [],
    sources: new Map(),
    recent: [],
    goals: [],
    quiet: false,
    nowMs: 1.7672e12,
    day: '2026-01-01',
  } as const;
  const week = [
    ...planWeek(
      from,
      [15, 0, 20].map((minutes, i) => ({ day: `2026-01-0${i + 1}`, minutes })),
    ),
  ];
  expect(week.map((day) => day.blocks.length > 0)).toEqual([true, false, true]);
  expect(week[1]!.minutes).toBe(0);
});

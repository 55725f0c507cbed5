import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById, usualExercise, type FieldValues } from '@inner-hum/core/families';
import { digest, seen } from '../history/testDigests';
import { LESSON_RULES, triesAllowed, type Item, type LessonCase } from './lessonRules';
import type { PlanFor } from './planFor';
import { standingOf } from './standing';
import { slotOf } from './slots';
import { targetsOf } from './targets';
import { PRACTICE_IDS } from './practices';

const SHARP = [3, 4, 5].map((day) =>
  digest(
    `sharp ${day}`,
    day,
    [1, 2, 3].map(() => seen({ midi: 76, values: { pitchCentreCents: 30 } })),
  ),
);
const PLAN: PlanFor = {
  instrumentId: 'alto',
  minutes: 20,
  level: 'home',
  style: 'sweep',
  practices: PRACTICE_IDS,
  notes: [],
  sources: new Map(),
  recent: SHARP,
  goals: [],
  quiet: false,
  nowMs: 0,
  day: '2026-01-20',
  firstDay: '2026-01-03',
};
const item = (id: string, values: FieldValues = {}, change: Partial<Item> = {}): Item => {
  const family = familyById(id);
  const exercise = { ...usualExercise(family, 'alto'), ...values };
  return {
    family,
    exercise,
    slot: slotOf(family),
    part: 'pillar',
    tries: 3,
    reason: { kind: 'start', midi: 67 },
    ...change,
  };
};
const caseOf = (own: Item, items: readonly Item[] = [], change: Partial<PlanFor> = {}): LessonCase => {
  const plan = { ...PLAN, ...change };
  return {
    items,
    item: own,
    plan,
    standing: standingOf(plan),
    load: { kind: 'usual', minutes: plan.minutes, nothingNew: false },
  };
};
const refusedBy = (of: LessonCase) => LESSON_RULES.filter(({ allows }) => !allows(of)).map(({ id }) => id);
const [target] = targetsOf(PLAN);
const holds = (count: number) => Array.from({ length: count }, (_, i) => item('hold', { writtenMidi: 62 + i }));

describe('a lesson’s rules', () => {
  it('let a good block come', () => expect(refusedBy(caseOf(item('hold'), [item('swell')]))).toEqual([]));

  /** A lesson that no teacher would give, for each rule. */
  const BAD: Readonly<Record<string, LessonCase>> = {
    'fits into the minutes': caseOf(item('hold'), [item('swell'), item('terraces'), item('relaySwell')], {
      minutes: 5,
    }),
    'few things, each long enough': caseOf(
      item('hold', {}, { tries: 1 }),
      ['swell', 'terraces', 'fromNothing'].map((id) => item(id, {}, { tries: 1 })),
      { minutes: 5 },
    ),
    'no block takes a lesson': caseOf(item('chromaticLongTones', { notes: 12 }, { tries: 4 })),
    'nothing twice': caseOf(item('hold'), [item('hold')]),
    'no family over and over': caseOf(item('hold', { writtenMidi: 70 }), holds(2)),
    'two ways of a target differ in role': caseOf(item('countedBreaths', {}, { target: target!, role: 'tone' }), [
      item('hold', { writtenMidi: 76 }, { target: target!, role: 'tone' }),
    ]),
    'few starts of one note': caseOf(item('countedBreaths', { repeats: 6 })),
    'tuning and warming up are short': caseOf(
      item('airIntoTone', {}, { part: 'warmUp' }),
      [item('tuneUp', {}, { part: 'tune', tries: 3 })],
      { minutes: 10 },
    ),
    'air is a crumb': caseOf(item('airIntoTone'), [item('airIntoTone', { writtenMidi: 60 })]),
    'no kind of work takes all': caseOf(item('terraces'), [
      ...holds(2),
      item('swell'),
      item('swell', { writtenMidi: 70 }),
      item('fromNothing'),
    ]),
    'altissimo is short, after overtones, on good days': caseOf(item('hold', { writtenMidi: 92 })),
    'little that is new': caseOf(item('hold'), [item('swell'), item('zigzagDescent')], {
      practices: [],
      recent: [],
      minutes: 30,
    }),
    'few families at first': caseOf(
      item('homeNote'),
      ['hold', 'swell', 'zigzagDescent', 'threeZones', 'heardInterval'].map((id) => item(id)),
      { recent: [], minutes: 45 },
    ),
  };
  it.each(LESSON_RULES.map(({ id }) => id))('“%s” refuses a lesson that breaks it', (id) => {
    expect(BAD[id]).toBeDefined();
    expect(refusedBy(BAD[id]!)).toContain(id);
  });
  it('leave as many tries as start no note too often, on the lip fewer', () => {
    expect(triesAllowed(item('hold', {}, { tries: 4 }))).toBe(4);
    expect(triesAllowed(item('countedBreaths', { repeats: 6 }, { tries: 4 }))).toBe(2);
    const lip = FAMILIES.filter(({ stage }) => stage === 'overtones').map(({ id }) => triesAllowed(item(id)));
    expect(Math.max(...lip)).toBeLessThanOrEqual(4);
  });
});

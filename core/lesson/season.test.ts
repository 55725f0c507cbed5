import { familyById, usualExercise } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import { describe, expect, it } from 'vitest';
import { cellsFrom } from '../history/cells';
import type { Digest } from '../history/digest';
import { hornMap } from '../map/hornMap';
import { hornOffset, reedOrLeak } from '../map/hornOrReed';
import { loadToday, seasonWeek } from './load';
import type { Observation } from '../history/observation';
import { zoneOf } from '@inner-hum/core/theory';
import { pillarOf } from './pillars';
import { planSession } from './planner';
import type { PlanFor } from './planFor';
import { PRACTICE_IDS } from './practices';
import { daysOf, familyProgress, hasSettled, isDue } from '../history/progress';
import { digest, wholeHorn } from '../history/testDigests';
import { answerOf, themeOf } from './theme';
import { tires, wasTiring } from '../history/tiring';
import { weekReport } from './weekReport';

const day = (n: number) => `2026-01-${String(n).padStart(2, '0')}`;
/** 5 January 2026 is a Monday. */
const planOn = (n: number, recent: readonly Digest[], change: Partial<PlanFor> = {}): PlanFor => ({
  instrumentId: 'alto',
  minutes: 30,
  level: 'home',
  style: 'sweep',
  practices: PRACTICE_IDS,
  notes: hornMap(cellsFrom(recent).values()),
  sources: new Map(),
  recent,
  goals: [],
  quiet: false,
  nowMs: 1_767_204_000_000 + n * 86_400_000,
  day: day(n),
  firstDay: recent[0]?.day ?? day(n),
  ...change,
});
const horn = (valuesOf: (midi: number, band: Observation['band']) => Observation['values']) => wholeHorn(valuesOf, 0);
const took = (n: number, decisions: readonly Decision[], family = 'hold') =>
  decisions.map((decision, i) =>
    digest(
      `${n} ${i}`,
      n,
      [],
      {},
      {
        decision,
        family,
        startedAtMs: 1_767_204_000_000 + n * 86_400_000 + i * 60_000,
        parameters: usualExercise(familyById(family), 'alto'),
      },
    ),
  );

describe('what is new', () => {
  const progressOn = (...days: number[]) => familyProgress(days.flatMap((n) => took(n, ['again']))).get('hold')!;
  it.each([
    [[5], 5, false],
    [[5], 6, true],
    [[5, 6], 7, false],
    [[5, 6], 8, true],
    [[5, 6, 8], 11, false],
    [[5, 6, 8], 12, true],
    [[5, 6, 8, 12], 20, false],
  ])('played on %j is due on %i: %s', (days, on, due) => expect(isDue(progressOn(...days), day(on))).toBe(due));
  it('has settled when it came back three times', () => {
    expect(hasSettled(progressOn(5, 6, 8))).toBe(false);
    expect(hasSettled(progressOn(5, 6, 8, 12))).toBe(true);
  });
  it('failed when most of its first takes broke', () => {
    const first = (...decisions: Decision[]) => familyProgress(took(5, decisions)).get('hold')!.failedFirst;
    expect(first('easier', 'leave', 'harder')).toBe(true);
    expect(first('easier', 'harder', 'harder')).toBe(false);
  });
});

describe('tiring', () => {
  const fresh = took(
    5,
    Array.from({ length: 9 }, (): Decision => 'harder'),
  );
  const tired = (n: number) =>
    took(n, [...Array.from({ length: 6 }, (): Decision => 'harder'), 'easier', 'easier', 'leave']);
  it('is a day that breaks at its end', () => {
    expect(wasTiring(daysOf(fresh)[0]!)).toBe(false);
    expect(wasTiring(daysOf(tired(5))[0]!)).toBe(true);
    expect(wasTiring(daysOf(took(5, ['harder', 'easier']))[0]!)).toBe(false);
  });
  it('shows on two of the last three days', () => {
    expect(tires(daysOf([...tired(5), ...fresh]))).toBe(false);
    expect(tires(daysOf([...tired(5), ...tired(6)]))).toBe(true);
    expect(tires(daysOf([...tired(1), ...tired(2), ...[5, 6, 7].flatMap((n) => took(n, ['harder']))]))).toBe(false);
  });
  const endOf = (on: number, recent: readonly Digest[]) =>
    planSession({ ...planOn(on, recent), minutes: 21 }).slice(-3);
  it('the next day ends with two easy tones in the middle, few and with long rests, after its music', () => {
    const [music, ...easy] = endOf(7, [...tired(5), ...tired(6)]);
    expect(familyById(music!.exercise.family).stage).toBe('wholeHorn');
    for (const { reason, exercise, tries, betweenS } of easy) {
      expect(reason.kind).toBe('easy');
      expect(exercise).toMatchObject({ family: 'swell', writtenMidi: reason.midi });
      expect(zoneOf(reason.midi)).toBe('middle');
      expect(tries).toBeLessThanOrEqual(6);
      expect(betweenS).toBeGreaterThanOrEqual(20);
    }
    expect(new Set(easy.map(({ reason }) => reason.midi)).size).toBe(2);
    expect(endOf(7, [...fresh, ...tired(6)]).at(-1)!.reason.kind).not.toBe('easy');
  });
  it('the days after it end so as well, until five were not too long', () => {
    const usual = (...on: number[]) => on.flatMap((n) => took(n, ['harder', 'harder']));
    const before = [...tired(1), ...tired(2)];
    expect(endOf(12, [...before, ...usual(3, 5, 7, 9)]).at(-1)!.reason.kind).toBe('easy');
    expect(endOf(16, [...before, ...usual(3, 5, 7, 9, 11, 12, 14)]).at(-1)!.reason.kind).not.toBe('easy');
  });
});

describe('how much a day asks for', () => {
  const days = (...on: number[]) => on.flatMap((n) => took(n, ['again', 'again']));
  it.each<[string, PlanFor, string, number]>([
    ['a usual day', planOn(7, days(5, 6)), 'usual', 30],
    ['the seventh day in a row', planOn(11, days(5, 6, 7, 8, 9, 10)), 'rest', 0],
    ['a week away', planOn(20, days(5, 6)), 'away', 18],
    ['the fourth week', planOn(27, days(19, 22, 25), { firstDay: day(5) }), 'light', 18],
    [
      'five days to a goal',
      planOn(9, days(8), { goals: [{ kind: 'longTone', instrumentId: 'alto', midi: 67, by: day(14) }] }),
      'taper',
      21,
    ],
    [
      'the last day before it',
      planOn(13, days(12), { goals: [{ kind: 'longTone', instrumentId: 'alto', midi: 67, by: day(14) }] }),
      'taper',
      12,
    ],
    [
      'its day',
      planOn(14, days(13), { goals: [{ kind: 'longTone', instrumentId: 'alto', midi: 67, by: day(14) }] }),
      'goalDay',
      8,
    ],
    [
      'the day after',
      planOn(15, days(14), { goals: [{ kind: 'longTone', instrumentId: 'alto', midi: 67, by: day(14) }] }),
      'dayAfter',
      18,
    ],
    [
      'another horn’s goal',
      planOn(9, days(8), { goals: [{ kind: 'longTone', instrumentId: 'tenor', midi: 67, by: day(10) }] }),
      'usual',
      30,
    ],
    [
      'the day after another horn’s goal',
      planOn(15, days(14), { goals: [{ kind: 'longTone', instrumentId: 'tenor', midi: 67, by: day(14) }] }),
      'usual',
      30,
    ],
  ])('%s', (_, plan, kind, minutes) => expect(loadToday(plan)).toMatchObject({ kind, minutes }));
  it('a second session on a day is half as long', () => {
    const long = digest('long', 7, [], {}, { lastsS: 700 });
    expect(loadToday(planOn(7, [...days(6), long]))).toMatchObject({ kind: 'second', minutes: 15, nothingNew: true });
  });
  it('a season has twelve weeks', () => {
    expect(seasonWeek('2026-01-07', '2026-01-11')).toEqual({ week: 1, season: 0 });
    expect(seasonWeek('2026-01-07', '2026-01-12')).toEqual({ week: 2, season: 0 });
    expect(seasonWeek('2026-01-07', '2026-03-30')).toEqual({ week: 1, season: 1 });
  });
});

describe('horn or reed', () => {
  const map = (cents: (midi: number) => number) =>
    hornMap(
      cellsFrom([
        digest(
          'a',
          5,
          horn((midi) => ({ pitchCentreCents: cents(midi) })),
        ),
      ]).values(),
    );
  it('a horn is out when most of its notes lie one way', () => {
    expect(hornOffset(map(() => 16))).toBeCloseTo(16, 9);
    expect(hornOffset(map((midi) => (midi % 2 ? 16 : -16)))).toBeUndefined();
    expect(hornOffset(map((midi) => (midi > 80 ? 16 : 0)))).toBeUndefined();
    expect(hornOffset([])).toBeUndefined();
  });
  const slow = (n: number, reed: string) =>
    digest(
      `${n}`,
      n,
      horn(() => ({ responseS: 0.4 })),
      { reed },
    );
  it('slow starts all over are the reed, on two reeds the horn', () => {
    expect(reedOrLeak(daysOf([slow(5, 'first')]))).toBe('reed');
    expect(reedOrLeak(daysOf([slow(5, 'first'), slow(6, 'second')]))).toBe('leak');
    const one = digest(
      'low',
      5,
      horn((midi) => ({ responseS: midi < 63 ? 0.4 : 0.05 })),
    );
    expect(reedOrLeak(daysOf([one]))).toBeUndefined();
  });
  it('while the horn is out of tune no note’s pitch is worked on, and tuning says so', () => {
    const blocks = planSession(
      planOn(6, [
        digest(
          'a',
          5,
          horn(() => ({ pitchCentreCents: 16 })),
        ),
      ]),
    );
    expect(blocks[0]!.reason).toMatchObject({ kind: 'tune', cents: expect.closeTo(16, 6) as number });
    expect(blocks.map(({ reason }) => reason.kind)).not.toContain('pitch');
  });
});

describe('the week', () => {
  const sharp = (n: number, cents: number) =>
    [0, 1, 2].map((i) =>
      digest(
        `${n} ${i}`,
        n,
        horn((midi, band) => ({ pitchCentreCents: midi >= 86 && band === 'soft' ? cents : 0 })),
      ),
    );
  const before = [...sharp(6, 20), ...sharp(7, 20)];
  it('is about the largest need over three notes, by what was known when it began', () => {
    const theme = themeOf(planOn(12, before));
    expect(theme).toMatchObject({ kind: 'need', reason: 'pitch', zone: 'palm', sign: 1, band: 'soft' });
    expect(themeOf(planOn(17, [...before, ...sharp(14, 1), ...sharp(15, 1)]))).toEqual(theme);
  });
  it.each([
    [20, 'same'],
    [8, 'better'],
    [34, 'worse'],
  ])('with %i cents after 20 is answered: %s', (cents, answer) => {
    const plan = planOn(16, [...before, ...sharp(14, cents), ...sharp(15, cents)]);
    expect(answerOf(themeOf(plan), plan).answer).toBe(answer);
  });
  it('with too little played is not answered', () => {
    const plan = planOn(13, before);
    expect(answerOf(themeOf(plan), plan)).toMatchObject({ answer: 'cannotTell', now: undefined });
  });
  it('is about getting to know the horn at first, about the goal or a zone where no need is', () => {
    expect(themeOf(planOn(5, []))).toEqual({ kind: 'start' });
    const even = [
      digest(
        'a',
        6,
        horn(() => ({ pitchCentreCents: 0 })),
      ),
    ];
    expect(themeOf(planOn(12, even))).toMatchObject({ kind: 'zone' });
    const goals = [{ kind: 'longTone', instrumentId: 'alto', midi: 67, by: day(30) } as const];
    expect(themeOf(planOn(12, even, { goals }))).toEqual({ kind: 'goal', goal: 'longTone', midi: 67 });
  });
  it('is reported: five notes, what became secure, where it breaks, the reeds, a pair', () => {
    const held = (n: number, ...decisions: Decision[]) => took(n, decisions, 'swell');
    const plan = planOn(15, [...before, ...held(10, 'harder'), ...held(13, 'harder', 'harder'), ...sharp(14, 8)]);
    const report = weekReport(plan);
    expect(report.notes.map(({ midi }) => midi)).toEqual([60, 67, 74, 79, 86]);
    expect(report.notes.every(({ before: was, now }) => was && now)).toBe(true);
    expect(report.secured.map(({ family }) => family)).toEqual(['swell']);
    expect(report.thirds).toEqual([0, 0, 0]);
    expect(report.reeds).toHaveLength(1);
    // The palm notes are sharp: the step to them is smaller than it was.
    expect(report.steps.before).toMatchObject({ lower: 85, upper: 86 });
    expect(Math.abs(report.steps.now!.cents)).toBeLessThan(Math.abs(report.steps.before!.cents));
    expect(report.pair?.map((take) => take.day)).toEqual([day(6), day(14)]);
    expect(weekReport(planOn(5, []))).toMatchObject({ thirds: undefined, secured: [], pair: undefined });
  });
});

describe('a lesson', () => {
  it('for a first day is few things, and nothing over the break or beyond C6 for who is new', () => {
    const blocks = planSession(planOn(5, [], { level: 'new', practices: [], minutes: 15 }));
    // Tuning, waking, the survey and the tune aside.
    const learnt = blocks.filter(
      ({ reason, exercise }) => reason.kind !== 'warmUp' && pillarOf(familyById(exercise.family)),
    );
    expect(new Set(learnt.map(({ exercise }) => exercise.family))).toEqual(new Set(['hold', 'swell']));
    expect(blocks.at(-1)!.reason.kind).toBe('tuneAbout');
    expect(blocks[0]!.exercise.family).toBe('tuneUp');
    expect(blocks.find(({ exercise }) => exercise.family === 'survey')?.exercise).toMatchObject({
      part: 'fiveEasy',
      loudness: 'mf',
    });
  });
  it('follows the school: the tuner hidden, low starts tongued', () => {
    const schools = {
      lowStart: 'tongue',
      tuner: 'hide',
      softBegin: 'speaks',
      overtoneTuning: 'free',
    } as NonNullable<PlanFor['schools']>;
    const blocks = planSession(
      planOn(
        12,
        [
          digest(
            'a',
            6,
            horn(() => ({})),
          ),
        ],
        { schools },
      ),
    );
    expect(blocks.some(({ exercise }) => exercise.tunerHidden)).toBe(true);
    for (const { exercise } of blocks) if ('tuning' in exercise) expect(exercise['tuning']).toBe('free');
  });
});

describe('a beginner’s weeks', () => {
  /** Plays what is planned, all of it well, for so many days. */
  const played = (days: number) => {
    const recent: Digest[] = [];
    return Array.from({ length: days }, (_, i) => {
      const n = 5 + i;
      const sources = new Map(
        [58, 59].map((tube) => [`${tube}/2`, { tries: { got: 12, of: 12 }, offsetCents: 0, growing: false }]),
      ) as unknown as PlanFor['sources'];
      const change = {
        level: 'new',
        minutes: 15,
        sources,
        firstDay: day(5),
        practices: ['longTones', 'overtones'],
      } as const;
      const blocks = planSession(planOn(n, recent, change), { minutes: 15, kind: 'usual', nothingNew: false });
      recent.push(
        ...blocks.flatMap(({ exercise }, k) =>
          took(n, ['harder'], exercise.family).map((take) => ({
            ...take,
            takeId: `${n} ${k}`,
            parameters: exercise,
            startedAtMs: take.startedAtMs + k * 60_000,
          })),
        ),
      );
      return blocks.map(({ exercise }) => exercise);
    });
  };
  const weeks = played(26);
  const stagesOf = (session: (typeof weeks)[number]) => session.map(({ family }) => familyById(family).stage);

  it('have music in each session once it is known: a turn that would cross the break is passed over', () => {
    const sessions = weeks.map(stagesOf);
    expect(sessions.findIndex((stages) => stages.includes('wholeHorn'))).toBeLessThan(6);
    expect(sessions.slice(14).filter((stages) => !stages.includes('wholeHorn'))).toEqual([]);
  });

  it('have the ladder to the overtone that is learnt next, above the break too: the fingers cross nothing there', () => {
    const ladders = weeks.flat().filter(({ family }) => family === 'overtoneLadder');
    expect(ladders.map((exercise) => exercise['top'])).toContain(3);
  });
});

it('a planned session goes on the beat, though an exercise was led by ear last time', () => {
  const led = ['hold', 'overtoneLadder'].flatMap((family) =>
    took(5, ['harder'], family).map((take) => ({ ...take, parameters: { ...take.parameters, goesOn: 'clear2' } })),
  );
  for (const n of [6, 7, 40]) {
    const blocks = planSession(planOn(n, led, { day: n === 40 ? '2026-02-09' : day(n) }));
    expect(blocks.some(({ exercise }) => led.some((take) => take.family === exercise.family))).toBe(true);
    expect(blocks.filter(({ exercise }) => 'goesOn' in exercise)).toEqual([]);
  }
});

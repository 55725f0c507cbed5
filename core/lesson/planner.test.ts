import { describe, expect, it } from 'vitest';
import { breathBudget } from '@inner-hum/core/exercise';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { dynamicPosition } from '@inner-hum/core/theory';
import { SeededRandom } from '@inner-hum/core/simulate';
import { cellsFrom } from '../history/cells';
import { hornMap } from '../map/hornMap';
import type { PlanFor } from './planFor';
import { blockS } from './lasts';
import { pillarOf } from './pillars';
import { planSession } from './planner';
import { PRACTICE_IDS } from './practices';
import { adapted } from './adapted';
import type { SessionBlock } from './session';
import { slotOf, SLOTS } from './slots';
import { digest, seen, wholeHorn } from '../history/testDigests';
import type { Observation } from '../history/observation';

const DAY_MS = 86_400_000;
const NOW = 1_767_204_000_000 + 20 * DAY_MS;

/** A player of twenty days whose notes lean by chance; some days are missing. */
function history(seed: number, change: (midi: number) => Observation['values'] = () => ({})) {
  const random = new SeededRandom(seed);
  return Array.from({ length: 19 }, (_, i) => i + 1)
    .filter(() => random.uniform() < 0.8)
    .map((day) =>
      digest(
        `d${day}`,
        day,
        wholeHorn((midi) => ({ pitchCentreCents: 3 * random.normal(), responseS: 0.05, ...change(midi) }), 0),
      ),
    );
}
function plan(change: Partial<PlanFor> = {}, digests = history(1)): SessionBlock[] {
  return planSession({
    instrumentId: 'alto',
    minutes: 30,
    level: 'home',
    style: 'sweep',
    practices: PRACTICE_IDS,
    notes: hornMap(cellsFrom(digests).values()),
    sources: new Map(),
    recent: digests,
    goals: [],
    quiet: false,
    nowMs: NOW,
    day: '2026-01-20',
    ...change,
  });
}
const totalS = (blocks: readonly SessionBlock[]) => blocks.reduce((sum, block) => sum + blockS(block), 0);
const families = (blocks: readonly SessionBlock[]) => blocks.map((block) => block.exercise.family);

describe('planSession', () => {
  it.each([5, 10, 15, 20, 30, 45, 60])('%i minutes are kept within a twentieth, over seeds', (minutes) => {
    for (const seed of [1, 2, 3]) {
      expect(Math.abs(totalS(plan({ minutes }, history(seed))) / (60 * minutes) - 1)).toBeLessThanOrEqual(0.05);
      // Who knows one family, on a day for nothing new, is not kept at it for an hour.
      expect(totalS(plan({ minutes, practices: [] }, history(seed)))).toBeLessThanOrEqual(63 * minutes);
    }
  });

  it('keeps the order of a practice, starts with tuning and waking, rests between blocks, and can be played', () => {
    const blocks = plan();
    const [tune, wake, ...exercises] = blocks.filter(({ exercise }) => exercise.family !== 'survey');
    expect([tune!.reason.kind, wake!.reason.kind]).toEqual(['tune', 'warmUp']);
    const slots = exercises.map(({ exercise }) => {
      const slot = slotOf(familyById(exercise.family));
      return SLOTS.indexOf(slot === 'wake' ? 'places' : slot);
    });
    expect(slots).toEqual([...slots].sort((a, b) => a - b));
    for (const block of blocks.slice(0, -1)) expect(block.restS).toBeGreaterThanOrEqual(5);
    for (const { exercise } of blocks) expect(breathBudget(exerciseScore(exercise)).totalS).toBeGreaterThan(0);
  });

  it('is the same for the same data and day', () => expect(plan()).toEqual(plan()));

  it('five minutes are one thing, a look around and a tune, and every third time one kind of work of its own', () => {
    const leaning = history(2, (midi) => ({ pitchCentreCents: midi === 71 ? 30 : 0 })).slice(-1);
    const blocks = plan({ minutes: 5 }, leaning);
    expect(blocks[0]!.reason).toMatchObject({ kind: 'pitch', midi: 71 });
    expect(families(blocks)).toContain('threeZones');
    expect(families(blocks)).toContain('ownPassage');
    const third = plan({ minutes: 5 }, history(2, () => ({})).slice(0, 2));
    expect(third.some(({ exercise }) => pillarOf(familyById(exercise.family)) !== undefined)).toBe(true);
  });

  it('the weakest note comes up in two ways of different role, with the reason it is there, and in music', () => {
    const weak = plan({}, history(3, (midi) => ({ pitchCentreCents: midi === 77 ? 35 : 0 })).slice(-3));
    const own = weak.filter(({ reason }) => reason.kind === 'pitch' && reason.midi === 77);
    expect(new Set(families(own)).size).toBeGreaterThan(1);
    expect(
      weak.some(({ exercise }) => exercise.family === 'ownPassage' && String(exercise['phrase']).includes('F5')),
    ).toBe(true);
  });

  it('a goal is worked on until its day, more the nearer it is, and then no more', () => {
    const goal = { kind: 'softLowEntry', instrumentId: 'alto', midi: 58, by: '2026-01-29' } as const;
    const reasons = (blocks: readonly SessionBlock[]) => blocks.map((block) => block.reason.kind);
    expect(reasons(plan({ goals: [goal], minutes: 15 }))).toContain('goal');
    expect(reasons(plan({ goals: [goal], minutes: 15, day: '2026-01-30' }))).not.toContain('goal');
    expect(reasons(plan({ goals: [{ ...goal, instrumentId: 'tenor' }], minutes: 15 }))).not.toContain('goal');
  });

  it('a passage that is a goal is played itself, and what feeds it before it', () => {
    const weak = history(3, (midi) => ({ pitchCentreCents: midi === 77 ? 35 : 0 })).slice(-3);
    const exercise = { ...usualExercise(familyById('ownPassage'), 'alto'), phrase: '[f] D5 E5 F5:2 E5 F5:2' };
    const goal = { kind: 'passage', instrumentId: 'alto', midi: 74, by: '2026-01-29', exercise } as const;
    const blocks = plan({ goals: [goal] }, weak);
    const at = blocks.findIndex(({ exercise: own }) => own['phrase'] === exercise.phrase);
    expect(blocks[at]?.reason).toMatchObject({ kind: 'goal', goal: 'passage' });
    const feeds = ({ exercise: own }: SessionBlock) =>
      exerciseScore(own).steps.some(({ soundedMidi }) => soundedMidi === 77);
    expect(blocks.slice(0, at).some(feeds)).toBe(true);
    // One that can't be read, or does not say all, breaks nothing.
    for (const phrase of ['D5 [loud] E5', '', 'D5 H9'])
      expect(plan({ goals: [{ ...goal, exercise: { ...exercise, phrase } }] }, weak).length).toBeGreaterThan(2);
    // One that is not for this player yet waits.
    const high = { ...goal, exercise: { ...exercise, phrase: 'D6 E6 F6' } };
    expect(
      plan({ level: 'new', goals: [high] }).every(({ exercise: own }) => own['phrase'] !== high.exercise.phrase),
    ).toBe(true);
  });

  it('in quiet hours no bell note is loud', () => {
    for (const { exercise } of plan({ quiet: true, minutes: 60 }))
      for (const step of exerciseScore(exercise).steps)
        if (step.fingeredMidi <= 61)
          for (const point of step.dynamics)
            expect(dynamicPosition(point.dynamic)).toBeLessThanOrEqual(dynamicPosition('mf'));
  });

  it('dwell stays longer on fewer things', () => {
    expect(plan({ style: 'dwell' }).length).toBeLessThan(plan({ style: 'sweep' }).length);
  });

  it('goes on where an exercise stood, and leaves alone today what was left today', () => {
    const leaning = history(3, (midi) => ({ pitchCentreCents: midi === 71 ? 30 : 0 })).slice(-1);
    const stood = plan({}, leaning).find(({ exercise }) => exercise.family === 'hold')!.exercise;
    expect(stood).toMatchObject({ writtenMidi: 71, dynamic: 'mf' });
    const after = (decision: 'harder' | 'easier' | 'leave', dayOfMonth: number) => {
      const last = digest(
        'last',
        dayOfMonth,
        [],
        {},
        { family: 'hold', parameters: stood, decision, next: { dynamic: 'f' } },
      );
      return plan({}, [...leaning, last]).filter(
        ({ exercise }) => exercise['writtenMidi'] === 71 && exercise.family === 'hold',
      );
    };
    expect(after('easier', 19).map(({ exercise }) => exercise['dynamic'])).toEqual(['f']);
    // Harder goes on only from what is secure.
    expect(after('harder', 19).map(({ exercise }) => exercise['dynamic'])).toEqual(['mf']);
    expect(after('leave', 20)).toEqual([]);
  });

  it('says what is wrong with the minutes', () =>
    expect(() => plan({ minutes: 3 })).toThrow('minutes must be from 5 to 90'));
});

describe('adapted', () => {
  const blocks = plan().map((block) => ({ ...block, tries: 2 }));
  it('makes the next tries easier or harder', () => {
    const rest = adapted(blocks, { decision: 'easier', next: { tempoBpm: 92 } });
    expect(rest[0]).toMatchObject({ tries: 1, exercise: { tempoBpm: 92 } });
    expect(rest).toHaveLength(blocks.length);
  });
  it('goes to the next block after the last try', () =>
    expect(adapted([{ ...blocks[0]!, tries: 1 }, blocks[1]!], { decision: 'again', next: {} })).toEqual([blocks[1]]));
  it('leaves a block, and who tires is given nothing more for it', () =>
    expect(adapted(blocks, { decision: 'leave', next: {} })).toEqual(blocks.slice(1)));
  it('nothing is left of nothing', () => expect(adapted([], { decision: 'leave', next: {} })).toEqual([]));
});

describe('the ear leads', () => {
  const takeOf = (family: string, n: number, observations: readonly Observation[] = []) =>
    digest(`${family} ${n}`, n, observations, {}, { family, parameters: usualExercise(familyById(family), 'alto') });
  it('one of three exercises of overtones is hummed first', () => {
    const days = (...ids: string[]) => [...history(1), ...ids.map((id, i) => takeOf(id, 17 + i))];
    const due = days('overtoneLadder', 'directOvertone');
    expect(families(plan({ minutes: 45 }, due))).toContain('humFirst');
    const ones = (own: readonly SessionBlock[]) =>
      own
        .filter(({ exercise }) => familyById(exercise.family).stage === 'overtones')
        .map(({ exercise }) => exercise.family);
    expect(ones(plan({ minutes: 15 }, due))[0]).toBe('humFirst');
  });
  it('what was matched to its overtone is played cold the next day, first of the tones', () => {
    const matched = takeOf('overtoneMatch', 19, [seen({ midi: 70, partial: 2, fingeredMidi: 58 })]);
    const cold = plan({ minutes: 30 }, [...history(1), matched]).filter(({ reason }) => reason.kind === 'cold');
    expect(cold.map(({ exercise, tries }) => [exercise.family, exercise['writtenMidi'], tries])).toEqual([
      ['hold', 70, 1],
    ]);
    const later = plan({ minutes: 30, day: '2026-01-22' }, [...history(1), matched, takeOf('hold', 20)]);
    expect(later.map(({ reason }) => reason.kind)).not.toContain('cold');
  });
});

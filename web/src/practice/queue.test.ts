import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { VERDICT_S, type SessionBlock } from '@inner-hum/core/lesson';
import type { TakeRecord } from '@inner-hum/core/take';
import { beforeEach, describe, expect, it } from 'vitest';
import { store } from '../store';
import { settingsChanged, settingsLoaded } from '../store/settings';
import { blockQueue, sessionQueue } from './queue';
import { FIRST_SETTINGS } from '../db/settings/settings';

const exercise = (family: string) => usualExercise(familyById(family), 'alto');
const block = (family: string, tries: number, restS = 30): SessionBlock => ({
  exercise: exercise(family),
  tries,
  restS,
  reason: { kind: 'kept', midi: 67 },
});
const begin = (...blocks: SessionBlock[]) =>
  store.dispatch(
    settingsChanged({
      session: { day: '2026-03-01', instrumentId: 'alto', minutes: 15, blocks, done: 0, change: null },
    }),
  );
const takeOf = (of: SessionBlock) => ({ score: exerciseScore(of.exercise) }) as TakeRecord;
const session = () => store.getState().settings.session!;
const again = { decision: 'again', next: {} } as const;

beforeEach(() => void store.dispatch(settingsLoaded(FIRST_SETTINGS)));

describe('the player’s own block', () => {
  it('plays each exercise once, says what comes next, and ends', () => {
    const put = [exercise('hold'), exercise('swell')];
    store.dispatch(settingsChanged({ block: put }));
    const queue = blockQueue();
    expect(queue.now()).toEqual({ exercise: put[0], place: { index: 0, count: 2, next: put[1] } });
    expect(queue.after(again)).toBe(VERDICT_S);
    expect(queue.now()).toEqual({ exercise: put[1], place: { index: 1, count: 2, next: null } });
    queue.after(again);
    expect(queue.now()).toBeUndefined();
  });
  it('goes on as it was when the list is changed meanwhile', () => {
    store.dispatch(settingsChanged({ block: [exercise('hold')] }));
    const queue = blockQueue();
    store.dispatch(settingsChanged({ block: [] }));
    expect(queue.now()?.exercise.family).toBe('hold');
  });
});

describe('a session', () => {
  it('plays the tries of a block, then the next block after its rest', () => {
    begin(block('hold', 2, 40), block('swell', 1, 20));
    const queue = sessionQueue();
    expect(queue.now()).toMatchObject({ exercise: { family: 'hold' }, place: { index: 0, count: 3 } });
    expect(queue.now()!.place.next?.family).toBe('hold');
    expect(queue.after(again)).toBe(VERDICT_S);
    expect(queue.now()!.place).toMatchObject({ index: 1, count: 3, next: { family: 'swell' } });
    expect(queue.after(again)).toBe(40);
    expect(queue.now()).toMatchObject({ exercise: { family: 'swell' }, place: { index: 2, count: 3, next: null } });
    queue.after(again);
    expect(queue.now()).toBeUndefined();
    expect(session().done).toBe(3);
  });
  it('a rest is never shorter than the verdict', () => {
    begin(block('hold', 1, 0), block('swell', 1));
    expect(sessionQueue().after(again)).toBe(VERDICT_S);
  });
  it('takes over what the judge proposes for the tries that follow, and tells of it', () => {
    begin(block('hold', 2));
    const queue = sessionQueue();
    queue.after({ decision: 'harder', next: { beats: 20 } });
    expect(queue.now()!.exercise['beats']).toBe(20);
    expect(session().change).toMatchObject({ decision: 'harder', of: 'hold 67 breath' });
    queue.after(again);
    expect(session().change).toMatchObject({ decision: 'harder' });
  });
  it('what is left for today goes, and nobody is given more for it', () => {
    begin(block('hold', 3), block('swell', 1));
    sessionQueue().after({ decision: 'leave', next: {} });
    expect(session().blocks.map((sessionBlock) => [sessionBlock.exercise.family, sessionBlock.tries])).toEqual([
      ['swell', 1],
    ]);
  });
  it('who tires has two minutes of rest, one easy block, and the end', () => {
    begin(block('hold', 3), block('overtoneLadder', 4), block('swell', 4), block('zigzagDescent', 4));
    expect(sessionQueue().after({ decision: 'leave', next: {}, tired: true })).toBe(120);
    expect(session().blocks).toMatchObject([{ exercise: { family: 'swell' }, tries: 2, reason: { kind: 'easy' } }]);
  });
  it('as written is told and changes nothing: only the player ends it', () => {
    const set = { ...block('hold', 2, 40), betweenS: 3, asWritten: true };
    begin(set, block('swell', 1));
    const queue = sessionQueue();
    const take = takeOf(set);
    expect(queue.now()).toMatchObject({ asWritten: true });
    const hard = { decision: 'leave', next: { beats: 2 }, tired: true } as const;
    expect(queue.after(hard, take)).toBe(3);
    expect(session()).toMatchObject({ change: null, blocks: [{ exercise: set.exercise, tries: 1 }, {}] });
    expect(queue.after(hard, take)).toBe(40);
    expect(queue.now()).toMatchObject({ exercise: { family: 'swell' } });
  });
  it('as written, what the player skips is over', () => {
    begin({ ...block('hold', 3), asWritten: true }, block('swell', 1));
    sessionQueue().after({ decision: 'leave', next: {} });
    expect(session().blocks).toHaveLength(1);
  });
  it('a second exercise that had to be left is enough, and says so; what the player skips is none', () => {
    begin(block('hold', 3), block('overtoneLadder', 4), block('zigzagDescent', 4), block('swell', 4));
    const queue = sessionQueue();
    const leave = { decision: 'leave', next: {} } as const;
    queue.after(leave);
    queue.after(leave, takeOf(block('hold', 1)));
    expect(session().blocks).toHaveLength(2);
    expect(store.getState().notices.current).toBeNull();
    expect(queue.after(leave, takeOf(block('hold', 1)))).toBe(120);
    expect(session().blocks).toMatchObject([{ exercise: { family: 'swell' }, tries: 2, reason: { kind: 'easy' } }]);
    expect(store.getState().notices.current?.key).toBe('stand.enough.easy');
  });
  it('is there again for another queue, where it was left', () => {
    begin(block('hold', 2), block('swell', 1));
    sessionQueue().after(again);
    expect(sessionQueue().now()!.place).toMatchObject({ index: 1, count: 3 });
  });
  it('without a session there is nothing to play', () => {
    expect(sessionQueue().now()).toBeUndefined();
    expect(sessionQueue().after(again)).toBe(0);
  });
});

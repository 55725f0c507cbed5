import { FAMILIES, usualExercise } from '@inner-hum/core/families';
import { INSTRUMENTS, instrumentById } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { adapted } from './adapted';
import {
  dueRoutines,
  isAsWritten,
  isRoutine,
  routineBlocks,
  routineFrom,
  routineOf,
  withRoutines,
  type Routine,
} from './routine';
import type { SessionBlock } from './session';
import { USUAL_ROUTINES, usualRoutine } from './usualRoutines.data';
import { blockS } from './lasts';

const exercise = (id: string) =>
  usualExercise(
    FAMILIES.find((family) => family.id === id)!,
    'alto',
  );
const block = (id: string, more: Partial<SessionBlock> = {}): SessionBlock => ({
  exercise: exercise(id),
  tries: 2,
  restS: 20.4,
  reason: { kind: 'kept', midi: 67 },
  ...more,
});
const routine: Routine = { ...routineOf('Mornings', [block('hold'), block('swell')]), days: [0, 2], must: true };

describe('a routine', () => {
  it('is made of a session as it was adjusted, and gives its blocks again', () => {
    expect(routine.blocks).toEqual([
      { exercise: exercise('hold'), tries: 2, restS: 20, remark: '' },
      { exercise: exercise('swell'), tries: 2, restS: 20, remark: '' },
    ]);
    const again = routineBlocks(routine, 'alto');
    expect(again.map(({ tries, restS, reason }) => [tries, restS, reason.kind])).toEqual([
      [2, 20, 'routine'],
      [2, 20, 'routine'],
    ]);
    expect(routineOf('Mornings', again).blocks).toEqual(routine.blocks);
  });
  it.each([
    [[{ takeId: 'a', beat: 3, text: 'here it sags' }], true],
    [[{ takeId: 'a', beat: 0, text: 'here it sags' }], false],
    [[{ takeId: 'a', beat: 3, text: ' ' }], false],
    [[{ beat: 3, text: 'on which?' }], false],
    ['none', false],
  ])('with remarks on takes %j can be read: %j', (remarks, right) =>
    expect(isRoutine({ ...routine, remarks })).toBe(right),
  );
  it('keeps remarks, and moves to another horn as far as that can play it', () => {
    const low = { ...exercise('hold'), writtenMidi: 57 };
    const set = { ...routine, blocks: [{ exercise: low, tries: 1, restS: 0, remark: 'slowly' }] };
    const [moved] = routineBlocks(set, 'tenor-highFSharp');
    expect(moved).toMatchObject({ remark: 'slowly', exercise: { instrumentId: 'tenor-highFSharp', writtenMidi: 58 } });
  });
  it('that must be played is due on its days, in front of what is planned, no family twice', () => {
    expect(dueRoutines([routine, { ...routine, must: false }], 2)).toEqual([routine]);
    expect(dueRoutines([routine], 3)).toEqual([]);
    const set = routineBlocks(routine, 'alto');
    const session = withRoutines(set, [block('swell'), block('vibrato')]);
    expect(session.map((entry) => entry.exercise.family)).toEqual(['hold', 'swell', 'vibrato']);
  });
  it.each([
    ['no name', { name: ' ' }],
    ['a day beyond Sunday', { days: [7] }],
    ['half a try', { blocks: [{ ...routine.blocks[0], tries: 1.5 }] }],
    ['a rest of an hour', { blocks: [{ ...routine.blocks[0], restS: 3600 }] }],
    [
      'an unknown family',
      { blocks: [{ ...routine.blocks[0], exercise: { ...exercise('hold'), family: 'juggling' } }] },
    ],
    ['free play', { blocks: [{ ...routine.blocks[0], exercise: { ...exercise('hold'), family: 'freePlay' } }] }],
    ['a remark without end', { remark: 'x'.repeat(2001) }],
    ['too many blocks', { blocks: Array(41).fill(routine.blocks[0]) }],
    ['no list of blocks', { blocks: 'hold' }],
  ])('with %s is none', (_, part) => expect(isRoutine({ ...routine, ...part })).toBe(false));
  it.each([undefined, null, 7, [], {}])('%j is none', (value) => expect(isRoutine(value)).toBe(false));
  it('of another, without anything to play, is not taken; one’s own may be empty while it is laid out', () => {
    expect(routineFrom({ ...routine, blocks: [] })).toBeUndefined();
    expect(isRoutine({ ...routine, blocks: [] })).toBe(true);
    expect(routineFrom(routine)?.blocks).toHaveLength(routine.blocks.length);
  });
  it('of a teacher is played as written, one’s own is adapted, where nobody said otherwise', () => {
    expect(isAsWritten(routine)).toBe(false);
    expect(isAsWritten({ ...routine, from: 'my teacher' })).toBe(true);
    expect(isAsWritten({ ...routine, from: 'my teacher', asWritten: false })).toBe(false);
    expect(routineFrom({ ...routine, asWritten: true })).toMatchObject({ asWritten: true });
  });
  it.each(['easier', 'harder', 'leave'] as const)('as written is changed by nothing: %s', (decision) => {
    const set = routineBlocks({ ...routine, asWritten: true }, 'alto');
    const rest = adapted(set, { decision, next: { beats: 3 }, tired: true });
    expect(rest).toEqual([{ ...set[0]!, tries: 1 }, set[1]!]);
    expect(adapted(rest, { decision, next: {} })).toEqual([set[1]!]);
  });
  it('by the clock goes on until its minutes are over, however long the tries were', () => {
    const timed = { ...routine, asWritten: true, blocks: [{ ...routine.blocks[0]!, minutes: 3 }, routine.blocks[1]!] };
    expect(routineFrom(timed)?.blocks[0]).toMatchObject({ minutes: 3 });
    const set = routineBlocks(timed, 'alto');
    expect(set[0]).toMatchObject({ leftS: 180 });
    const after = (lastsS: number) => adapted(set, { decision: 'again', next: {}, lastsS });
    expect(after(100)[0]).toMatchObject({ leftS: 80, exercise: set[0]!.exercise });
    expect(after(100)[0]!.tries).toBeLessThan(set[0]!.tries);
    expect(after(178)).toEqual([set[1]]);
  });
  it('by the clock and as written is a routine again when one is made of its session', () => {
    const timed = { ...routine, asWritten: true, blocks: [{ ...routine.blocks[0]!, minutes: 60, restS: 0 }] };
    const again = routineOf('Again', routineBlocks(timed, 'alto'));
    expect(again).toMatchObject({ asWritten: true, blocks: [{ minutes: 60 }] });
    expect(isRoutine(again)).toBe(true);
    // However often a block was asked for.
    expect(isRoutine(routineOf('Much', [block('hold', { tries: 50, restS: 900 })]))).toBe(true);
  });
  it.each([0, 61, 1.5, 'three'])('with %j minutes is none', (minutes) =>
    expect(isRoutine({ ...routine, blocks: [{ ...routine.blocks[0], minutes }] })).toBe(false),
  );
  it('as it was saved is one', () => expect(isRoutine(JSON.parse(JSON.stringify(routine)))).toBe(true));
});

describe.each(USUAL_ROUTINES)('the usual routine %s', (id) => {
  it.each(INSTRUMENTS.map((instrument) => instrument.id))('on %s can be played, in five to twenty minutes', (size) => {
    const own = { ...routineOf('usual', []), blocks: usualRoutine(id, instrumentById(size).hornId) };
    expect(isRoutine(own)).toBe(true);
    const blocks = routineBlocks(own, size);
    expect(routineOf('usual', blocks).blocks).toEqual(own.blocks);
    const minutes = blocks.reduce((sum, entry) => sum + blockS(entry), 0) / 60;
    expect(minutes).toBeGreaterThan(5);
    expect(minutes).toBeLessThan(20);
  });
});

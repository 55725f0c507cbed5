import { FAMILIES, usualExercise } from '@inner-hum/core/families';
import { INSTRUMENTS } from '@inner-hum/core/theory';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import {
  exerciseFile,
  exerciseFromLink,
  linkTo,
  linkToRoutine,
  readExerciseFile,
  readRoutineFile,
  routineFile,
  routineFromLink,
} from './link';

beforeAll(() => void vi.stubGlobal('window', { location: { origin: 'http://stand.example' } }));

const all = FAMILIES.flatMap((family) => INSTRUMENTS.map(({ id }) => usualExercise(family, id)));

describe('an exercise', () => {
  it('of every family and horn comes back from its link', () => {
    for (const exercise of all) {
      const address = new URL(linkTo(exercise));
      expect(address.pathname).toBe('/exercises');
      expect(exerciseFromLink(address.searchParams.get('exercise')!)).toEqual(exercise);
    }
  });
  it('of every family and horn comes back from its file, with its name', () => {
    for (const exercise of all)
      expect(readExerciseFile(exerciseFile('Morning “low” C, 1/2', exercise))).toEqual({
        name: 'Morning “low” C, 1/2',
        exercise,
      });
  });
});

describe('a routine', () => {
  const blocks = [{ exercise: all[0]!, tries: 2, restS: 10, remark: 'easy' }];
  const routine = { name: 'Morning', from: 'Ida', days: [0, 2], must: true, remark: '', blocks };
  it('comes back from its link and its file', () => {
    expect(routineFromLink(new URL(linkToRoutine(routine)).searchParams.get('routine')!)).toEqual(routine);
    expect(readRoutineFile(routineFile(routine))).toEqual(routine);
  });
  it('loses what no routine has', () => {
    const more = {
      ...routine,
      days: [0, 2, 2],
      extra: 'x'.repeat(1000),
      blocks: [{ ...blocks[0], hidden: {}, exercise: { ...all[0], extra: 'x'.repeat(500) } }],
      remarks: [{ takeId: 'a', beat: 1, text: 'good', hidden: 1 }],
    };
    const remarks = [{ takeId: 'a', beat: 1, text: 'good' }];
    expect(routineFromLink(JSON.stringify(more))).toEqual({ ...routine, remarks });
  });
  it('of millions of characters is refused before it is read', () => {
    expect(routineFromLink(JSON.stringify({ ...routine, extra: 'x'.repeat(5_000_000) }))).toBeUndefined();
  });
});

const good = exerciseFile('a', all[0]!);
const noted = all.find((exercise) => 'writtenMidi' in exercise);

describe('what can’t be played is refused', () => {
  it.each([
    ['no JSON', 'hello'],
    ['an empty text', ''],
    ['JSON of something else', '{"a":1}'],
    ['null', 'null'],
    ['a list', '[]'],
    ['another format', good.replace('inner-hum-exercise', 'other')],
    ['no name', good.replace('"name": "a"', '"name": ""')],
    ['an unknown family', good.replace(`"family": "${all[0]!.family}"`, '"family": "ocarina"')],
    ['a tempo that is none', good.replace(/"tempoBpm": \d+/, '"tempoBpm": 0')],
    ['a cut file', good.slice(0, good.length / 2)],
  ])('%s as a file', (_, text) => expect(readExerciseFile(text)).toBeUndefined());
  it.each([
    ['no JSON', '%7B'],
    ['null', 'null'],
    ['an unknown horn', JSON.stringify({ ...all[0], instrumentId: 'ocarina' })],
    ['a note that is none', JSON.stringify({ ...noted, writtenMidi: 'high' })],
    ['a note above all horns', JSON.stringify({ ...noted, writtenMidi: 300 })],
  ])('%s as a link', (_, text) => expect(exerciseFromLink(text)).toBeUndefined());
});

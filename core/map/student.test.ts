import { expect, it } from 'vitest';
import { glanceOf } from './student';
import { digest, seen } from '../history/testDigests';

const told = (cents: number, change = {}) => seen({ values: { pitchCentreCents: cents }, ...change });

it('a student at a glance: days in time, what was worked on, notes by size of horn', () => {
  const { days, notes } = glanceOf([
    digest('c', 3, [told(4, { midi: 60, spoke: false })]),
    digest('a', 1, [told(-9)], {}, { lastsS: 30 }),
    digest('b', 1, [told(-9)], { instrumentId: 'tenor' }, { family: 'swell', lastsS: 50 }),
    digest('d', 1, [], {}, { family: 'hold', lastsS: 10 }),
  ]);
  expect(days).toEqual([
    { day: '2026-01-01', takes: 3, playedS: 90, families: ['hold', 'swell'] },
    { day: '2026-01-03', takes: 1, playedS: 20, families: ['hold'] },
  ]);
  expect(notes.map(({ instrumentId, midi, got, of }) => [instrumentId, midi, got, of])).toEqual([
    ['alto', 60, 0, 1],
    ['alto', 67, 1, 1],
    ['tenor', 67, 1, 1],
  ]);
  expect(notes[1]!.values.pitchCentreCents).toMatchObject({ value: -9 });
  expect(notes[1]!.values.responseS).toBeUndefined();
});

it('of nobody who played nothing is known', () => expect(glanceOf([])).toEqual({ days: [], notes: [] }));

import { expect, it } from 'vitest';
import { dayNumber, weekNumber } from './days';

it.each([
  ['1970-01-01', 0],
  ['2000-03-01', 11_017],
  ['2026-11-24', 20_781],
])('%s is day %i', (day, number) => expect(dayNumber(day)).toBe(number));

it('a week begins on Monday', () => {
  const [sunday, monday, nextSunday] = ['2026-11-22', '2026-11-23', '2026-11-29'].map(weekNumber);
  expect(monday).toBe(sunday! + 1);
  expect(nextSunday).toBe(monday);
});

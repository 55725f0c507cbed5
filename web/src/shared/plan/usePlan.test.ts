import { expect, it } from 'vitest';
import { isQuiet } from './usePlan';

it.each([
  ['22:00', true],
  ['03:00', true],
  ['07:59', true],
  ['08:00', false],
  ['12:00', false],
])('quiet from 21:30 to 08:00: at %s %s', (time, quiet) =>
  expect(isQuiet(new Date(`2026-01-05T${time}`), { from: '21:30', to: '08:00' })).toBe(quiet),
);
it('quiet hours within a day, and none', () => {
  const noon = new Date('2026-01-05T12:30');
  expect(isQuiet(noon, { from: '12:00', to: '14:00' })).toBe(true);
  expect(isQuiet(noon, { from: '13:00', to: '14:00' })).toBe(false);
  expect(isQuiet(noon, null)).toBe(false);
});

import { expect, it } from 'vitest';
import { isDay } from './isDay';

it.each(['2026-02-28', '2024-02-29', '2000-02-29', '2026-12-31', '1999-01-01'])('%s is a day', (day) =>
  expect(isDay(day)).toBe(true),
);
it.each([
  '2026-13-45',
  '0000-00-00',
  '2026-02-29',
  '1900-02-29',
  '2026-04-31',
  '2026-00-10',
  '2026-1-1',
  '',
  'today',
  '9999-01-01',
  20_260_101,
  null,
  undefined,
])('%s is none', (day) => expect(isDay(day)).toBe(false));

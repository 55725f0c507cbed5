// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useDay } from './useDay';

const before = process.env['TZ'];
afterEach(() => {
  vi.useRealTimers();
  if (before === undefined) delete process.env['TZ'];
  else process.env['TZ'] = before;
});

/** A page opened at a moment, in a zone. */
function openedAt(zone: string, moment: string) {
  process.env['TZ'] = zone;
  vi.useFakeTimers({ now: new Date(moment) });
  return renderHook(() => useDay()).result;
}
const pass = (minutes: number) => act(() => vi.advanceTimersByTime(60_000 * minutes));

describe('the day of a page that stays open', () => {
  it.each([
    ['UTC', '2026-05-10T23:58:00Z'],
    ['America/Los_Angeles', '2026-05-11T06:58:00Z'],
    ['Pacific/Auckland', '2026-05-10T11:58:00Z'],
  ])('goes on at midnight in %s', (zone, moment) => {
    const day = openedAt(zone, moment);
    expect(day.current).toBe('2026-05-10');
    pass(1);
    expect(day.current).toBe('2026-05-10');
    pass(2);
    expect(day.current).toBe('2026-05-11');
    pass(24 * 60);
    expect(day.current).toBe('2026-05-12');
  });

  it.each([
    [25, 'back', '2026-10-24T22:30:00Z', '2026-10-25', '2026-10-26'],
    [23, 'forward', '2026-03-28T23:30:00Z', '2026-03-29', '2026-03-30'],
  ])('of %i hours, when the clock goes %s, ends at its midnight', (hours, _, moment, today, tomorrow) => {
    const day = openedAt('Europe/Berlin', moment);
    expect(day.current).toBe(today);
    pass((hours - 1) * 60);
    expect(day.current).toBe(today);
    pass(31);
    expect(day.current).toBe(tomorrow);
  });

  it('is looked at when a page comes back that slept over midnight', () => {
    const day = openedAt('UTC', '2026-05-10T20:00:00Z');
    // Timers of a page that sleeps do not run.
    vi.setSystemTime(new Date('2026-05-12T07:00:00Z'));
    expect(day.current).toBe('2026-05-10');
    act(() => void document.dispatchEvent(new Event('visibilitychange')));
    expect(day.current).toBe('2026-05-12');
  });

  it('waits for the next midnight from when it came back, however long it slept', () => {
    const day = openedAt('UTC', '2026-05-10T00:10:00Z');
    vi.setSystemTime(new Date('2026-05-11T23:00:00Z'));
    act(() => void document.dispatchEvent(new Event('visibilitychange')));
    expect(day.current).toBe('2026-05-11');
    pass(61);
    expect(day.current).toBe('2026-05-12');
  });
});

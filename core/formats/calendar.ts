import { createEvents } from 'ics';

/** A practice as a calendar has it. Local time of the player. */
export interface CalendarPractice {
  readonly id: string;
  /** yyyy-mm-dd */
  readonly day: string;
  /** hh:mm */
  readonly at: string;
  readonly minutes: number;
  readonly title: string;
  readonly description: string;
}

/**
 * Practices as an iCalendar file, RFC 5545, in floating local time.
 * @throws RangeError for a day or time that is none
 */
export function writeCalendar(practices: readonly CalendarPractice[]): string {
  const { error, value } = createEvents(
    practices.map(({ id, day, at, minutes, title, description }) => {
      const start = [...day.split('-'), ...at.split(':')].map(Number);
      if (start.length !== 5 || start.some((entry) => !Number.isInteger(entry)))
        throw new RangeError(`a practice must begin on a day and at a time, got ${day} ${at}`);
      return {
        uid: id,
        start: start as [number, number, number, number, number],
        startInputType: 'local' as const,
        startOutputType: 'local' as const,
        duration: { minutes },
        title,
        description,
        productId: 'inner-hum',
      };
    }),
  );
  if (error || !value) throw new RangeError(error?.message ?? 'no calendar');
  return value;
}

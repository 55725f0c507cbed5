import type { InstrumentId } from '@inner-hum/core/theory';
import { cellsFrom } from '../history/cells';
import type { Digest } from '../history/digest';
import { estimate } from '../history/estimate';
import { hornMap } from './hornMap';
import { QUANTITIES, type Quantity } from '../history/observation';

/** What a student did on one day. */
export interface DayOfStudent {
  /** yyyy-mm-dd, the student's own */
  readonly day: string;
  readonly takes: number;
  /** how long the takes lasted together, seconds */
  readonly playedS: number;
  /** what was worked on, in the order in which it came */
  readonly families: readonly string[];
}

/** What is known of one written note of a student on one size of horn, over all dynamics. */
export interface NoteOfStudent {
  readonly instrumentId: InstrumentId;
  readonly midi: number;
  /** starts that spoke, of how many */
  readonly got: number;
  readonly of: number;
  /** with one standard deviation of the error; what is unknown is left out */
  readonly values: Readonly<Partial<Record<Quantity, { readonly value: number; readonly uncertainty: number }>>>;
}

/** A student at a glance: small enough to read those of many at once. */
export interface Glance {
  /** oldest first */
  readonly days: readonly DayOfStudent[];
  readonly notes: readonly NoteOfStudent[];
}

/** All that a teacher sees of a student beside others, from what the student gave. */
export function glanceOf(digests: readonly Digest[]): Glance {
  const inTime = [...digests].sort((a, b) => a.startedAtMs - b.startedAtMs);
  const days = new Map<string, DayOfStudent>();
  for (const { day, lastsS, family } of inTime) {
    const { takes, playedS, families } = days.get(day) ?? noneOn(day);
    days.set(day, {
      day,
      takes: takes + 1,
      playedS: playedS + lastsS,
      families: families.includes(family) ? families : [...families, family],
    });
  }
  const sizes = [...new Set(inTime.map(({ setup }) => setup.instrumentId))];
  return {
    days: [...days.values()],
    notes: sizes.flatMap((instrumentId) =>
      hornMap(cellsFrom(inTime.filter(({ setup }) => setup.instrumentId === instrumentId)).values()).map(
        ({ midi, got, of, all }): NoteOfStudent => ({
          instrumentId,
          midi,
          got,
          of,
          values: Object.fromEntries(
            QUANTITIES.flatMap((quantity) => {
              const known = estimate(all, quantity);
              if (known.kind === 'unknown') return [];
              const { value, uncertainty } = known;
              return [[quantity, { value, uncertainty }] as const];
            }),
          ),
        }),
      ),
    ),
  };
}

const noneOn = (day: string): DayOfStudent => ({ day, takes: 0, playedS: 0, families: [] });

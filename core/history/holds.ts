import type { Score } from '@inner-hum/core/exercise';
import type { Held } from '@inner-hum/core/families';
import { dynamicPosition, zoneOf } from '@inner-hum/core/theory';

/** How long a tone stayed good. */
export interface HeldTone {
  readonly midi: number;
  readonly loud: boolean;
  readonly holdS: number;
  /** whether the breath ended it and not the score: else it is only a lower bound */
  readonly ended?: boolean;
}

/** The longest good tones by zone and loudness. */
export type Holds = ReadonlyMap<string, Held>;

/** Loudness above this place on the ruler takes more air. */
const LOUD_FROM = 0.5;

/** Whether a step asks for the air of a loud tone. */
export function isLoud({ dynamics }: Pick<Score['steps'][number], 'dynamics'>): boolean {
  return dynamics.some((point) => (point.position ?? dynamicPosition(point.dynamic)) > LOUD_FROM);
}

/** The plain maximum of each zone and loudness: over tones that ended by themselves, raised by those that the score ended. */
export function longestHolds(tones: Iterable<HeldTone>): Holds {
  const found = new Map<string, Held>();
  for (const { midi, loud, holdS, ended = false } of tones) {
    const cell = cellOf(midi, loud);
    const before = found.get(cell) ?? { holdS: 0, sure: false };
    found.set(cell, { holdS: Math.max(before.holdS, holdS), sure: before.sure || ended });
  }
  return found;
}

/** What the player has held where a score asks for breath; the part that takes the most air decides. */
export function heldFor(score: Pick<Score, 'steps'>, holds: Holds): Held | undefined {
  const held = score.steps.flatMap((step) => holds.get(cellOf(step.soundedMidi, isLoud(step))) ?? []);
  if (held.length === 0) return undefined;
  const least = held.reduce((best, next) => (next.holdS < best.holdS ? next : best));
  return least.holdS > 0 ? least : undefined;
}

function cellOf(midi: number, loud: boolean): string {
  return `${zoneOf(midi)} ${loud ? 'loud' : 'soft'}`;
}

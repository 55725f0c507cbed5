import { ALTISSIMO_REACH_SEMITONES, zoneOf, type InstrumentId } from '@inner-hum/core/theory';
import type { Digest } from './digest';

/** The first time of something. */
type Reached = { readonly day: string; readonly takeId: string; readonly instrumentId: InstrumentId } & (
  | { readonly kind: 'held'; readonly midi: number; readonly seconds: number }
  | { readonly kind: 'altissimo'; readonly midi: number }
  | { readonly kind: 'partial'; readonly partial: number; readonly midi: number }
  | { readonly kind: 'steady'; readonly midi: number }
);

/** Lengths of a good tone that are worth telling, seconds. */
const HELD_S = [10, 20, 30, 45, 60];
const PARTIALS: readonly number[] = [3, 4, 5, 6, 8];
/** A note is steady the first time it wavers less than this, cents. */
const STEADY_CENTS = 2;
const NEVER_ABOVE = 90 + ALTISSIMO_REACH_SEMITONES;

/** A first as it is kept: under what it is the first of, and when that was. */
export type Milestone = Reached & { readonly key: string; readonly startedAtMs: number };

/** What takes reached that is worth telling the first time, on each size of horn the earliest of them. */
export function milestonesOf(digests: Iterable<Digest>): Map<string, Milestone> {
  const milestones = new Map<string, Milestone>();
  for (const digest of digests)
    for (const milestone of reached(digest)) {
      const known = milestones.get(milestone.key);
      if (!known || milestone.startedAtMs < known.startedAtMs) milestones.set(milestone.key, milestone);
    }
  return milestones;
}

function reached({ day, takeId, startedAtMs, setup, holds, seen }: Digest): Milestone[] {
  const about = { day, takeId, startedAtMs, instrumentId: setup.instrumentId };
  const key = (...parts: readonly (string | number)[]) => [setup.instrumentId, ...parts].join(' ');
  return [
    ...holds.flatMap(({ midi, holdS }) =>
      HELD_S.filter((seconds) => holdS >= seconds).map((seconds): Milestone => ({
        ...about,
        key: key('held', zoneOf(midi), seconds),
        kind: 'held',
        midi,
        seconds,
      })),
    ),
    ...seen.flatMap(({ midi, partial, spoke, values }): Milestone[] => {
      if (!spoke) return [];
      if (partial > 1)
        return PARTIALS.includes(partial)
          ? [{ ...about, key: key('partial', partial), kind: 'partial', partial, midi }]
          : [];
      const wavers = values.pitchSteadinessCents ?? Infinity;
      return [
        ...(zoneOf(midi) === 'altissimo' && midi <= NEVER_ABOVE
          ? [{ ...about, key: key('altissimo', midi), kind: 'altissimo', midi } as const]
          : []),
        ...(wavers < STEADY_CENTS ? [{ ...about, key: key('steady', midi), kind: 'steady', midi } as const] : []),
      ];
    }),
  ];
}

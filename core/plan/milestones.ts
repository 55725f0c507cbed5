import { ALTISSIMO_REACH_SEMITONES, zoneOf } from '@inner-hum/core/theory';
import type { Digest } from './digest';

/** The first time of something. */
export type Milestone = { readonly day: string; readonly takeId: string } & (
  | { readonly kind: 'held'; readonly midi: number; readonly seconds: number }
  | { readonly kind: 'altissimo'; readonly midi: number }
  | { readonly kind: 'partial'; readonly partial: number; readonly midi: number }
  | { readonly kind: 'steady'; readonly midi: number }
);

/** Lengths of a good tone that are worth telling, seconds. */
const HELD_S = [10, 20, 30, 45, 60];
const PARTIALS = [3, 4, 5, 6, 8];
/** A note is steady the first time it wavers less than this, cents. */
const STEADY_CENTS = 2;
const NEVER_ABOVE = 90 + ALTISSIMO_REACH_SEMITONES;

/** Firsts over all takes on a horn, newest first. */
export function milestones(digests: readonly Digest[]): Milestone[] {
  const found: Milestone[] = [];
  const seen = new Set<string>();
  const once = (name: string, milestone: Milestone) => {
    if (seen.has(name)) return;
    seen.add(name);
    found.push(milestone);
  };
  for (const { day, takeId, holds, seen: tones } of [...digests].sort((a, b) => a.startedAtMs - b.startedAtMs)) {
    for (const { midi, holdS } of holds)
      for (const seconds of HELD_S)
        if (holdS >= seconds) once(`held ${zoneOf(midi)} ${seconds}`, { kind: 'held', midi, seconds, day, takeId });
    for (const { midi, partial, spoke, values } of tones) {
      if (!spoke) continue;
      if (partial === 1 && zoneOf(midi) === 'altissimo' && midi <= NEVER_ABOVE)
        once(`altissimo ${midi}`, { kind: 'altissimo', midi, day, takeId });
      if (PARTIALS.includes(partial)) once(`partial ${partial}`, { kind: 'partial', partial, midi, day, takeId });
      const wavers = values.pitchSteadinessCents;
      if (partial === 1 && wavers !== undefined && wavers < STEADY_CENTS)
        once(`steady ${midi}`, { kind: 'steady', midi, day, takeId });
    }
  }
  return found.reverse();
}

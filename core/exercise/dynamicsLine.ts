import { dynamicPosition, type Dynamic } from '@inner-hum/core/theory';
import type { DynamicPoint, Score } from './score';

/** A hairpin from one beat to another. */
export interface Hairpin {
  readonly fromBeat: number;
  readonly toBeat: number;
  readonly grows: boolean;
}

/** The line of dynamics under a part: letters where they stand, and the hairpins between them. */
export interface DynamicsLine {
  readonly letters: readonly { readonly beat: number; readonly dynamic: Dynamic }[];
  readonly hairpins: readonly Hairpin[];
}

/** Two places on the ruler that are one, 0–1. */
const SAME_PLACE = 0.02;

/**
 * The dynamics of a score as they are written: a hairpin has its letter at both ends, one that goes on over slurred tones
 * is one hairpin, and what stays needs no letter again.
 */
export function dynamicsLine({ steps }: Pick<Score, 'steps'>): DynamicsLine {
  const place = (point: DynamicPoint) => point.position ?? dynamicPosition(point.dynamic);
  const hairpins: (Hairpin & { readonly to: DynamicPoint })[] = [];
  const letters = new Map<number, Dynamic>();
  let standing: Dynamic | undefined;
  for (const { startBeat, dynamics } of steps) {
    const [first, ...rest] = dynamics;
    if (rest.length === 0 && first!.dynamic !== standing) letters.set(startBeat, (standing = first!.dynamic));
    rest.forEach((to, i) => {
      const from = dynamics[i]!;
      const change = place(to) - place(from);
      if (Math.abs(change) < 1e-9) return;
      const [fromBeat, toBeat, grows] = [startBeat + from.beat, startBeat + to.beat, change > 0];
      const before = hairpins.at(-1);
      const goesOn =
        before?.toBeat === fromBeat && before.grows === grows && Math.abs(place(before.to) - place(from)) < SAME_PLACE;
      if (goesOn) {
        letters.delete(fromBeat);
        hairpins[hairpins.length - 1] = { ...before, toBeat, to };
      } else {
        letters.set(fromBeat, from.dynamic);
        hairpins.push({ fromBeat, toBeat, grows, to });
      }
      letters.set(toBeat, (standing = to.dynamic));
    });
  }
  return {
    letters: [...letters].map(([beat, dynamic]) => ({ beat, dynamic })).sort((a, b) => a.beat - b.beat),
    hairpins: hairpins.map(({ fromBeat, toBeat, grows }) => ({ fromBeat, toBeat, grows })),
  };
}

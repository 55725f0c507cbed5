import { FAMILIES, usualExercise } from '@inner-hum/core/families';
import { valueOf, type StepMeasures } from '@inner-hum/core/measure';
import type { Score } from '@inner-hum/core/exercise';
import type { HornId } from '@inner-hum/core/theory';
import { exerciseTag } from '../history/digest';

/** How far a note was pulled by voicing, each way, with one fingering, cents; absent where it was not tried. */
export interface Pull {
  /** keys that were down; left out for the regular fingering */
  readonly fingering?: string;
  readonly downCents?: number;
  readonly upCents?: number;
}

/** What of a take is needed to tell how far its notes were pulled. */
interface BentTake {
  readonly score: Pick<Score, 'steps'>;
  readonly measures: readonly StepMeasures[];
  readonly setup: { readonly fingerings?: Readonly<Record<string, string>> };
}

/** The tags of takes that bend a note: of every family that does, each way. */
export function bendTags(writtenMidi: number, hornId: HornId): string[] {
  return FAMILIES.filter(({ fields }) => 'bendCents' in fields && 'direction' in fields).flatMap((family) =>
    ['down', 'up'].map((direction) => exerciseTag({ ...usualExercise(family, hornId), writtenMidi, direction })),
  );
}

/** How far a note was pulled at most in takes, by fingering, the regular one first. */
export function pullsOf(midi: number, takes: readonly BentTake[]): Pull[] {
  const pulls = new Map<string, Pull>();
  for (const { score, measures, setup } of takes)
    score.steps.forEach(({ soundedMidi, bendCents = 0 }, i) => {
      const step = measures[i];
      const cents = step?.kind === 'sounded' && step.bend ? valueOf(step.bend.depthCents) : undefined;
      if (soundedMidi !== midi || bendCents === 0 || cents === undefined || cents <= 0) return;
      const fingering = setup.fingerings?.[midi];
      const known = pulls.get(fingering ?? '') ?? { ...(fingering !== undefined && { fingering }) };
      const way = bendCents > 0 ? 'downCents' : 'upCents';
      pulls.set(fingering ?? '', { ...known, [way]: Math.max(known[way] ?? 0, cents) });
    });
  return [...pulls].sort(([a], [b]) => Number(a !== '') - Number(b !== '')).map(([, pull]) => pull);
}

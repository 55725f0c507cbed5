import { fingeringText, type KeyId } from '@inner-hum/core/theory';
import type { Digest, SetupNames } from '../history/digest';
import { estimate, knownValue } from '../history/estimate';

/** What trials told of one fingering for one note on one set-up. */
export interface FingeringTrials {
  readonly midi: number;
  /** keys that are down, in the order of the drawing, spaces between */
  readonly fingering: string;
  readonly setup: SetupNames;
  readonly setupKey: string;
  readonly got: number;
  readonly of: number;
  readonly pitchCents: number | undefined;
  readonly spreadCents: number | undefined;
  readonly responseS: number | undefined;
  readonly colourPartials: number | undefined;
  readonly newestMs: number;
  /** the best of its note on its set-up */
  readonly best: boolean;
}

/** A fingering is the best of a note only after so many tries. */
const LEAST_TRIES = 3;
/** What ten cents off cost beside a failed try. Our choice. */
const CENTS_WORTH_A_TRY = 40;

/** All trials of fingerings, by note, then the best first. */
export function fingeringTrials(digests: readonly Digest[]): FingeringTrials[] {
  const groups = new Map<string, Digest[]>();
  for (const digest of digests) {
    if (digest.fingering === undefined || digest.seen.length === 0) continue;
    const key = `${digest.seen[0]!.midi} ${inOrder(digest.fingering)} ${digest.setupKey}`;
    groups.set(key, [...(groups.get(key) ?? []), digest]);
  }
  const all = [...groups.values()].map((own) => ({ ...summary(own), best: false }));
  return all
    .map((entry) => {
      const rivals = all.filter((other) => other.midi === entry.midi && other.setupKey === entry.setupKey);
      const tried = rivals.filter((other) => other.of >= LEAST_TRIES && other.got > 0);
      return {
        ...entry,
        best: tried.length > 0 && tried.every((other) => worth(other) <= worth(entry)) && entry.of >= LEAST_TRIES,
      };
    })
    .sort((a, b) => a.midi - b.midi || worth(b) - worth(a));
}

function summary(digests: readonly Digest[]): Omit<FingeringTrials, 'best'> {
  const seen = digests.flatMap((digest) => digest.seen);
  const tries = seen.filter((observation) => observation.tried);
  const { setup, setupKey, fingering } = digests[0]!;
  const value = (quantity: Parameters<typeof estimate>[1]) => knownValue(estimate(seen, quantity));
  return {
    midi: seen[0]!.midi,
    fingering: inOrder(fingering!),
    setup,
    setupKey,
    got: tries.filter((attempt) => attempt.spoke).length,
    of: tries.length,
    pitchCents: value('pitchCentreCents'),
    spreadCents: value('pitchSteadinessCents'),
    responseS: value('responseS'),
    colourPartials: value('centroidPartials'),
    newestMs: Math.max(...seen.map((observation) => observation.atMs)),
  };
}

/** As it is named today: older trials named the keys as they came. */
const inOrder = (fingering: string) => fingeringText(fingering.split(' ') as KeyId[]);

function worth({ got, of, pitchCents = 0 }: Pick<FingeringTrials, 'got' | 'of' | 'pitchCents'>): number {
  return got / Math.max(1, of) - Math.abs(pitchCents) / CENTS_WORTH_A_TRY;
}

import { median, robustDeviation } from '@inner-hum/core/measure';
import { difference, type NoteOnMap } from './hornMap';

/** What can part two neighbours. */
const SEAM_QUANTITIES = ['pitchCentreCents', 'levelAgainstPlanDb', 'centroidPartials', 'responseS'] as const;
type SeamQuantity = (typeof SEAM_QUANTITIES)[number];

/** Two neighbouring notes that differ by more than this player's neighbours usually do. */
export interface Seam {
  readonly lower: number;
  readonly upper: number;
  readonly quantity: SeamQuantity;
  /** upper less lower, in the unit of the quantity */
  readonly step: number;
  readonly uncertainty: number;
  /** how unusual: robust standard deviations of the player's neighbour differences */
  readonly z: number;
}

const UNUSUAL_Z = 2.5;
/** A step must be this many times its own error. */
const SURE = 2;
/** Smaller steps are nobody's seam. Our choice, above what a listener can tell in passing. */
const LEAST: Readonly<Record<SeamQuantity, number>> = {
  pitchCentreCents: 8,
  levelAgainstPlanDb: 2.5,
  centroidPartials: 1,
  responseS: 0.06,
};
/** So many neighbours tell what is usual. */
const LEAST_NEIGHBOURS = 6;

/** Seams of a map, the most unusual first; none while fewer than seven neighbouring notes are known. */
export function seams(notes: readonly NoteOnMap[]): Seam[] {
  return SEAM_QUANTITIES.flatMap((quantity) => {
    const steps = notes.slice(1).flatMap((upper, i) => {
      const lower = notes[i]!;
      const step = upper.midi - lower.midi === 1 ? difference(upper, lower, quantity) : undefined;
      return step ? [{ lower: lower.midi, upper: upper.midi, ...step }] : [];
    });
    if (steps.length < LEAST_NEIGHBOURS) return [];
    const values = steps.map((step) => step.value);
    const centre = median(values);
    const spread = Math.max(robustDeviation(values), LEAST[quantity] / UNUSUAL_Z);
    return steps.flatMap(({ value, uncertainty, ...pair }): Seam[] => {
      const z = Math.abs(value - centre) / spread;
      const sure = Math.abs(value) > SURE * uncertainty && Math.abs(value) >= LEAST[quantity];
      return z > UNUSUAL_Z && sure ? [{ ...pair, quantity, step: value, uncertainty, z }] : [];
    });
  }).sort((a, b) => b.z - a.z);
}

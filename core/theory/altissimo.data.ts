import type { InstrumentId } from './instruments.data';
import type { KeyId } from './keys.data';

/** A fingering that often gives a high note: something to try, not a promise. */
export interface TryFingering {
  readonly midi: number;
  readonly keys: readonly KeyId[];
  readonly sizes: readonly InstrumentId[];
}

const SMALL = ['sopranino', 'soprano', 'alto'] as const;
const LARGE = ['cMelody', 'tenor', 'baritone', 'baritoneLowA', 'bass'] as const;
const EVERY = [...SMALL, ...LARGE];

/**
 * A starter set above F6: shapes that lift the tube to its third or fourth partial by a vent high up. Which of them speaks
 * depends on horn, mouthpiece and player; the notebook finds out. Our choice of common ones.
 */
export const TRY_FINGERINGS: readonly TryFingering[] = [
  { midi: 90, keys: ['octave', 'frontF', 'left2', 'sideBFlat'], sizes: EVERY },
  { midi: 91, keys: ['octave', 'left1', 'left3', 'right1', 'sideBFlat'], sizes: SMALL },
  { midi: 91, keys: ['octave', 'frontF', 'left2', 'right1', 'right2', 'right3'], sizes: LARGE },
  { midi: 91, keys: ['octave', 'frontF', 'left2', 'left3', 'sideBFlat'], sizes: EVERY },
  { midi: 92, keys: ['octave', 'left1', 'left3', 'sideBFlat', 'sideC'], sizes: SMALL },
  { midi: 92, keys: ['octave', 'frontF', 'left2', 'gSharp', 'right1'], sizes: LARGE },
  { midi: 93, keys: ['octave', 'left2', 'left3'], sizes: SMALL },
  { midi: 93, keys: ['octave', 'frontF', 'left2', 'left3', 'right1'], sizes: LARGE },
  { midi: 94, keys: ['octave', 'left3', 'sideBFlat', 'sideC'], sizes: SMALL },
  { midi: 94, keys: ['octave', 'frontF', 'left2', 'left3', 'right1', 'right2'], sizes: LARGE },
  { midi: 95, keys: ['octave', 'left1', 'palmD'], sizes: SMALL },
  { midi: 95, keys: ['octave', 'left1', 'left2', 'palmD', 'sideBFlat'], sizes: LARGE },
  { midi: 96, keys: ['octave', 'left2', 'palmD', 'right1'], sizes: SMALL },
  { midi: 96, keys: ['octave', 'left1', 'left3', 'palmEFlat'], sizes: LARGE },
  { midi: 97, keys: ['octave', 'left2', 'palmEFlat', 'right2'], sizes: EVERY },
  { midi: 98, keys: ['octave', 'palmD', 'palmEFlat', 'left2', 'left3'], sizes: EVERY },
];

import type { KeyId } from './keys.data';

/** Another way to finger a keyed note that players use: something to try, not a promise. */
export interface AlternateFingering {
  readonly midi: number;
  readonly keys: readonly KeyId[];
  /** what it is for: another hand, a front key, a note made lower or higher, a softer colour */
  readonly use: 'otherKey' | 'front' | 'lower' | 'higher';
}

const LEFT = ['left1', 'left2', 'left3'] as const;
const ALL = [...LEFT, 'right1', 'right2', 'right3'] as const;

/** Of the lower register; an octave up the same with the octave key. */
const BOTH_REGISTERS: readonly AlternateFingering[] = [
  { midi: 66, keys: [...LEFT, 'right1', 'fSharpSide'], use: 'otherKey' },
  { midi: 70, keys: ['left1', 'bis'], use: 'otherKey' },
  { midi: 70, keys: ['left1', 'right1'], use: 'otherKey' },
  { midi: 72, keys: ['left1', 'sideC'], use: 'otherKey' },
];

/**
 * Alternate fingerings as they are common on all sizes: three ways to B♭ and two to F♯ and C besides the regular one, the
 * front notes, and keys that shade or vent a single note. Which of them is in tune depends on the horn. Our choice of common
 * ones.
 */
export const ALTERNATE_FINGERINGS: readonly AlternateFingering[] = [
  ...BOTH_REGISTERS,
  ...BOTH_REGISTERS.map((row): AlternateFingering => ({
    ...row,
    midi: row.midi + 12,
    keys: ['octave', ...row.keys],
  })),
  { midi: 73, keys: ['octave', 'left3'], use: 'lower' },
  { midi: 73, keys: ['sideC'], use: 'higher' },
  { midi: 74, keys: ['octave', ...ALL, 'lowB'], use: 'lower' },
  { midi: 74, keys: ['palmD'], use: 'higher' },
  { midi: 75, keys: ['octave', ...ALL, 'lowEFlat', 'lowB'], use: 'lower' },
  { midi: 81, keys: ['octave', 'left1', 'left2', 'right1', 'right2', 'right3'], use: 'lower' },
  { midi: 85, keys: ['octave', 'right1', 'right2', 'right3'], use: 'lower' },
  { midi: 88, keys: ['octave', 'frontF', 'left2', 'left3'], use: 'front' },
  { midi: 89, keys: ['octave', 'frontF', 'left2'], use: 'front' },
];

import { noteName } from '@inner-hum/core/theory';

/** Steps of a major scale, semitones. */
const SCALE = [0, 2, 4, 5, 7, 9, 11] as const;
/**
 * Shapes of a tune in steps of its scale from the target, plain enough to sing: each passes through the target, leans on it and ends
 * on it or a third beneath. Our own.
 */
const SHAPES: readonly (readonly number[])[] = [
  [0, 1, 2, 0, -1, 0],
  [-2, -1, 0, 2, 1, 0],
  [0, -2, -1, 1, 0],
  [2, 1, 0, -1, 0, 1, 0],
  [-4, -2, 0, 1, 0, -1, 0],
  [0, 0, 1, 2, 1, -1, 0],
  // At the ends of a range: all above the target, all beneath.
  [0, 1, 2, 4, 2, 1, 0],
  [0, -1, -2, -4, -2, -1, 0],
];
/** The target is one of these steps of the key of its tune. */
const AS_STEP = [0, 2, 4] as const;

/**
 * A tune of five to seven notes about a written note, as a passage is typed: within a range, in a key with the note, the last note long.
 *
 * @param turn which one of them: each is another shape or key
 * @param slurred whether all but its last note are in one slur
 */
export function tuneAbout(
  midi: number,
  turn: number,
  range: { readonly from: number; readonly to: number },
  slurred = true,
): string | undefined {
  for (let ahead = 0; ahead < SHAPES.length * AS_STEP.length; ahead++) {
    const shape = SHAPES[(turn + ahead) % SHAPES.length]!;
    const as = AS_STEP[Math.floor((turn + ahead) / SHAPES.length) % AS_STEP.length]!;
    const notes = shape.map((step) => midi + above(as + step) - above(as));
    if (notes.every((note) => note >= range.from && note <= range.to)) return written(notes, slurred);
  }
  return undefined;
}

function above(step: number): number {
  return 12 * Math.floor(step / SCALE.length) + SCALE[((step % SCALE.length) + SCALE.length) % SCALE.length]!;
}

/** The tune as it is typed, its end held. */
function written(notes: readonly number[], slurred: boolean): string {
  const names = notes.map((note) => noteName(note, 'english'));
  const before = names.slice(0, -1).join(' ');
  return `[mf] ${slurred ? `(${before})` : before} ${names.at(-1)!}:2`;
}

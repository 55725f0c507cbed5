import { tubeOf, type TubeGuess } from '@inner-hum/core/measure';
import { instrumentById, sourcesOf, type HornId } from '@inner-hum/core/theory';

/** The horn as it is built; one as is usual for its size when left out. */
interface Horn {
  readonly setup: { readonly instrumentId: HornId };
  readonly hornId?: HornId;
}

/** Whether a written note has another source on the horn than its regular fingering. */
export function hasOtherTubes(wish: Horn, written: number): boolean {
  return otherTubes(wish, written).length > 0;
}

/** The tube of a steady stretch of a tone; where the horn has no other for the note, nothing is asked of the sound. */
export function tubeUnder(
  steady: Float32Array,
  sampleRateHz: number,
  hz: number,
  wish: Horn,
  written: number,
): TubeGuess {
  const horn = instrumentById(wish.hornId ?? wish.setup.instrumentId);
  if (sourcesOf(horn, written).every(({ partialNumber }) => partialNumber === 1)) return { kind: 'regular' };
  return tubeOf(steady, sampleRateHz, hz, otherTubes(wish, written));
}

/**
 * Partials by which a written note could come from another tube than its regular fingering's. A note with the octave key is
 * the second partial of the same tube: these two can't be told apart by their tube, and are not tried.
 */
function otherTubes({ setup, hornId = setup.instrumentId }: Horn, written: number): number[] {
  const sources = sourcesOf(instrumentById(hornId), written).filter(({ octaveKey }) => !octaveKey);
  const keyed = !sources.some(({ partialNumber }) => partialNumber === 1);
  return sources.flatMap(({ partialNumber }) =>
    partialNumber === 1 || (keyed && partialNumber === 2) ? [] : [partialNumber],
  );
}

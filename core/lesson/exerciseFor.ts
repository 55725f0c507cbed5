import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { FAMILIES, usualExercise, type Family, type FieldValues, type WantedWork } from '@inner-hum/core/families';
import { zoneOf, type HornId } from '@inner-hum/core/theory';
import type { Need } from '../map/needs';
import type { Seam } from '../map/seams';

/** The exercise that works on what a note wants: the first family that says it does. */
export function exerciseFor(need: Pick<Need, 'midi' | 'reason' | 'band'>, instrumentId: HornId): ExerciseParameters {
  return firstOf((family) => family.teaching.planned?.meets?.(workOf(need)), instrumentId);
}

/** The exercise that works on a seam: across it, or on the starts of the note that answers late. */
export function exerciseForSeam({ lower, upper, quantity }: Seam, instrumentId: HornId): ExerciseParameters {
  if (quantity === 'responseS')
    return exerciseFor({ midi: zoneOf(lower) === 'low' ? lower : upper, reason: 'response' }, instrumentId);
  return firstOf((family) => family.teaching.planned?.seam?.(lower), instrumentId);
}

/** A need as a family is asked about it. */
function workOf({ midi, reason, band }: Pick<Need, 'midi' | 'reason' | 'band'>): WantedWork {
  return { midi, reason, ...(band && { band }) };
}

function firstOf(valuesOf: (family: Family) => FieldValues | undefined, instrumentId: HornId): ExerciseParameters {
  for (const family of FAMILIES as readonly Family[]) {
    const values = valuesOf(family);
    if (values) return { ...usualExercise(family, instrumentId), ...values };
  }
  throw new RangeError('no family works on that');
}

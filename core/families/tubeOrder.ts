import { choice } from '@inner-hum/core/exercise';

/** From which end a row over the tubes begins: the short ones are the easier, the long ones the fuller. */
export const tubeOrder = choice(['fromShort', 'fromLong'], 'fromShort');

/** Fundamentals, or whatever stands for each tube, given from the short one to the long one, in the order that was chosen. */
export function inTubeOrder<T>(fromShort: readonly T[], order: (typeof tubeOrder)['options'][number]): readonly T[] {
  return order === 'fromShort' ? fromShort : fromShort.toReversed();
}

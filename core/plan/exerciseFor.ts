import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { zoneOf, type InstrumentId } from '@inner-hum/core/theory';
import type { Need } from './needs';
import type { Seam } from './seams';

const BREAK = { from: 73, to: 75 } as const;

/** The exercise that works on what a note wants. */
export function exerciseFor(
  { midi, reason }: Pick<Need, 'midi' | 'reason'>,
  instrumentId: InstrumentId,
): ExerciseParameters {
  const on = (family: string, change: Readonly<Record<string, number | string>> = {}): ExerciseParameters => ({
    ...usualExercise(familyById(family), instrumentId),
    writtenMidi: midi,
    ...change,
  });
  const low = zoneOf(midi) === 'low';
  switch (reason) {
    case 'failing':
      if (low) return on('tongueOrAir');
      return midi >= BREAK.from && midi <= BREAK.to
        ? usualExercise(familyById('crossingBreak'), instrumentId)
        : on('countedBreaths', { beats: 4 });
    case 'response':
      return low ? on('airIntoTone') : on('countedBreaths', { beats: 4, dynamic: 'p' });
    case 'slope':
    case 'stale':
    case 'unmeasured':
      // A swell tells of all three loudnesses at once.
      return on('swell');
    case 'pitch':
    case 'steadiness':
      return on('hold', { beats: 8, repeats: 2 });
  }
}

/** The exercise that works on a seam: from the lower note to the upper at the peak of a swell, or their starts. */
export function exerciseForSeam({ lower, upper, quantity }: Seam, instrumentId: InstrumentId): ExerciseParameters {
  if (quantity === 'responseS')
    return exerciseFor({ midi: zoneOf(lower) === 'low' ? lower : upper, reason: 'response' }, instrumentId);
  return { ...usualExercise(familyById('relaySwell'), instrumentId), writtenMidi: lower, pairs: 1 };
}

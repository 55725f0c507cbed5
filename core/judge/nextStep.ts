import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { easierTurns, familyById, turned, type Room, type Turn } from '@inner-hum/core/families';
import type { Finding } from './finding';
import type { Decision, NextStep } from './verdict';

/** What bounds the next step besides the exercise itself. */
export interface StepBounds extends Room {
  /** whether it was made harder once today already */
  readonly harderToday: boolean;
  /** whether it has held often enough, on more than one day, to be made harder; left out where earlier takes are not known */
  readonly secure?: boolean;
}

const NO_BOUNDS: StepBounds = { goalNotes: [], harderToday: false };

/**
 * What comes next: the first turn of the family that has room, tempo first when the breath did not last. Harder by one
 * step a day, and not before it is secure: else it stays as it is.
 */
export function nextStep(
  decision: Decision,
  findings: readonly Finding[],
  now: ExerciseParameters,
  bounds: StepBounds = NO_BOUNDS,
): NextStep {
  if (decision === 'harder' && bounds.harderToday) return { change: 'tomorrow', parameters: {} };
  if (decision === 'harder' && bounds.secure === false) return { change: 'keep', parameters: {} };
  const { harder } = familyById(now.family).teaching;
  const easier = easierTurns(now);
  const ranOut = findings.some((finding) => finding.id === 'stoppedEarly');
  const order: readonly Turn[] =
    decision === 'easier' ? (ranOut ? ['fasterTempo', ...easier] : easier) : decision === 'harder' ? harder : [];
  for (const turn of order) {
    const made = turned(turn, now, bounds);
    if (made) return { change: made.change, parameters: made.values };
  }
  return { change: 'none', parameters: {} };
}

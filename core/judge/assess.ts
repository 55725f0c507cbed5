import { isFree } from '@inner-hum/core/families';
import { HOP_S } from '@inner-hum/core/signal';
import { gainControl, measureTake, type StepMeasures, type TakeContext } from '@inner-hum/core/measure';
import { tooMuchLost } from './lostFindings';
import { judgeTake } from './judgeTake';
import type { TakeCase } from './takeCase';
import type { Verdict } from './verdict';

/** What is known of a take before it is measured. */
export type Assignment = TakeContext & TakeCase;

/** Measures and verdict of a take from its frames: the one way from sound to judgement, live and from files. */
export function assess(
  frames: Parameters<typeof measureTake>[0],
  assignment: Assignment,
): { measures: StepMeasures[]; verdict: Verdict } {
  // Of what was torn to pieces nothing goes into the map, the holds or the trends.
  const heardS = frames.count * HOP_S - assignment.firstBeatS;
  const lost = isFree(assignment.score) ? undefined : tooMuchLost(assignment, heardS);
  if (lost) return { measures: [], verdict: lost };
  const measures = measureTake(frames, assignment);
  return {
    measures,
    verdict: judgeTake(measures, heardOn(assignment, frames)),
  };
}

/** What the device did to the sound, where there was one. The frames of free play are put together: they tell nothing of it. */
function heardOn(assignment: Assignment, frames: Parameters<typeof gainControl>[0]): Assignment {
  return assignment.device && !isFree(assignment.score)
    ? { ...assignment, device: { ...gainControl(frames), ...assignment.device } }
    : assignment;
}

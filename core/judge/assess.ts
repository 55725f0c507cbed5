import { EarLed, type Score } from '@inner-hum/core/exercise';
import { isFree } from '@inner-hum/core/families';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { gainControl, measureTake, type StepMeasures, type TakeContext } from '@inner-hum/core/measure';
import { tooMuchLost } from './lostFindings';
import { judgeTake } from './judgeTake';
import type { TakeCase } from './takeCase';
import type { Verdict } from './verdict';

/** What is known of a take before it is measured. */
export type Assignment = TakeContext & TakeCase;

/** What a take was found to be. */
interface Assessed {
  readonly measures: StepMeasures[];
  readonly verdict: Verdict;
  /** as it was played, where it went on by ear and not on the beat */
  readonly score?: Score;
}

/** Measures and verdict of a take from its frames: the one way from sound to judgement, live and from files. */
export function assess(frames: Parameters<typeof measureTake>[0], assignment: Assignment): Assessed {
  // Of what was torn to pieces nothing goes into the map, the holds or the trends.
  const heardS = frames.count * HOP_S - assignment.firstBeatS;
  const lost = isFree(assignment.score) ? undefined : tooMuchLost(assignment, heardS);
  if (lost) return { measures: [], verdict: lost };
  const score = ledByEar(frames, assignment);
  const taken = score ? { ...assignment, score, onBeat: false } : assignment;
  const measures = measureTake(frames, taken);
  return {
    measures,
    verdict: judgeTake(measures, heardOn(taken, frames)),
    ...(score && { score }),
  };
}

/** The score as it was led tone by tone; undefined where it followed the beat. The same again for a score that was led. */
function ledByEar({ count, f0Hz }: Frames, { score, a4Hz, firstBeatS }: Assignment): Score | undefined {
  if (score.clearS === undefined) return undefined;
  const ear = new EarLed(score, a4Hz, score.clearS);
  for (let i = Math.max(0, Math.round(firstBeatS / HOP_S)); i < count; i++) ear.hear(i * HOP_S, f0Hz[i]!);
  return ear.led(firstBeatS, count * HOP_S);
}

/** What the device did to the sound, where there was one. The frames of free play are put together: they tell nothing of it. */
function heardOn(assignment: Assignment, frames: Parameters<typeof gainControl>[0]): Assignment {
  return assignment.device && !isFree(assignment.score)
    ? { ...assignment, device: { ...gainControl(frames), ...assignment.device } }
    : assignment;
}

import { valueOf } from './measured';
import { median, robustDeviation } from './statistics';
import { spoke } from './spoke';
import type { StepMeasures } from './takeMeasures';

/** One restart of a series, in the order of the score. */
interface Restart {
  readonly stepIndex: number;
  readonly spoke: boolean;
  readonly responseS: number | undefined;
  readonly latenessS: number | undefined;
  /** partial that sounded first; undefined when nothing did */
  readonly partial: number | undefined;
}

/** Restarts of the same note, and what they have in common. */
export interface ResponseSeries {
  readonly restarts: readonly Restart[];
  /** share that spoke at once on the intended partial, 0–1 */
  readonly spokeShare: number;
  /** undefined when none has one */
  readonly medianResponseS: number | undefined;
  readonly responseSpreadS: number | undefined;
}

/** Response series of a take whose steps restart a note. An empty take gives an empty series. */
export function responseSeries(steps: readonly StepMeasures[], intendedPartial = 1): ResponseSeries {
  const restarts = steps.map((step, stepIndex): Restart => {
    if (step.kind === 'silent')
      return { stepIndex, spoke: false, responseS: undefined, latenessS: undefined, partial: undefined };
    const early = step.jumps.find((jump) => jump.atS - step.onsetS < 0.1);
    const partial = early?.toPartial ?? intendedPartial;
    return {
      stepIndex,
      spoke: spoke(step),
      responseS: valueOf(step.responseS),
      latenessS: valueOf(step.latenessS),
      partial,
    };
  });
  const responses = restarts.flatMap((entry) => entry.responseS ?? []);
  return {
    restarts,
    spokeShare: restarts.length ? restarts.filter((entry) => entry.spoke).length / restarts.length : 0,
    medianResponseS: responses.length ? median(responses) : undefined,
    responseSpreadS: responses.length ? robustDeviation(responses) : undefined,
  };
}

import type { ChangeId } from '@inner-hum/core/families';
import { finding, type Finding } from './finding';
import type { TryId } from './tries.data';

/** Which rules judge: raised when results of before would come out otherwise, so that they are judged again. */
export const JUDGE_RULES = 2;

export type Decision = 'again' | 'easier' | 'harder' | 'leave';

/** A concrete change of parameters for the next take. */
export interface NextStep {
  /** `tomorrow`: it holds, and was made harder once today; `keep`: it holds, but not yet often enough to be secure */
  readonly change: 'none' | 'tomorrow' | 'keep' | ChangeId;
  readonly parameters: Readonly<Record<string, number | string | boolean>>;
}

export interface Verdict {
  /** all that was found: what mattered most to the task first */
  readonly findings: readonly Finding[];
  readonly tries: readonly TryId[];
  readonly decision: Decision;
  readonly next: NextStep;
}

/** The verdict of a take that could not be judged: it says so and proposes nothing. */
export const NOT_JUDGED: Verdict = {
  findings: [finding('notJudged', 0, {})],
  tries: [],
  decision: 'again',
  next: { change: 'none', parameters: {} },
};

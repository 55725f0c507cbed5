import type { Topic } from '@inner-hum/core/families';
import type { Finding } from './finding';
import { rowOf, type FindingId } from './findings.data';
import type { Decision } from './verdict';

/** Tries in a row that break before the judge proposes to leave it for today. */
const BREAKS_BEFORE_LEAVING = 3;
/** What is this far over its limit is not secure yet, whatever the exercise is for. */
export const FAR_OVER = 1.5;

/** What comes of a take, by what was found of it and what was decided on those just before. */
export function decide(findings: readonly Finding[], before: readonly Decision[], task: readonly Topic[]): Decision {
  if (findings.some((entry) => entry.id === 'tiring')) return 'leave';
  // A hold that was too short to tell is no ground for a next step.
  if (findings.some((entry) => entry.id === 'tooShort')) return 'again';
  const worst = Math.max(0, ...findings.map((entry) => entry.weight));
  if (worst === 3) {
    const recent = before.slice(-(BREAKS_BEFORE_LEAVING - 1));
    const keepsBreaking =
      recent.length === BREAKS_BEFORE_LEAVING - 1 && recent.every((decision) => decision === 'easier');
    return keepsBreaking ? 'leave' : onlyMissed(findings) ? 'again' : 'easier';
  }
  const isSecure = ({ id, weight, severity = 1 }: Finding) => {
    const topic = rowOf(id).topic;
    const ofTask = topic !== undefined && task.includes(topic);
    return weight === 0 || (weight === 1 && id !== 'stoppedAfter' && !ofTask && severity < FAR_OVER);
  };
  return findings.every(isSecure) ? 'harder' : 'again';
}

/** What says nothing about how hard the exercise is: nothing heard, another note, a false start. */
const MISSED: readonly FindingId[] = [
  'nothingHeard',
  'otherNote',
  'octaveAbove',
  'octaveBelow',
  'hummedOther',
  'brokeOff',
];

function onlyMissed(findings: readonly Finding[]): boolean {
  return findings.filter((entry) => entry.weight === 3).every((entry) => MISSED.includes(entry.id));
}

import { topicsOf, type Family, type Topic } from '@inner-hum/core/families';
import type { StepMeasures } from '@inner-hum/core/measure';
import { FAR_OVER } from './decide';
import type { Finding } from './finding';
import { rowOf } from './findings.data';

/** What a finding weighs in the order of telling beside how far it is over its limit. */
const MOST_SEVERE = 10;
const OF_THE_TASK = 2;
const OF_THE_DEMAND = 1.5;

/** What broke first, then what is farthest over its limit, what the exercise is for counting double. */
export function byImportance(family: Family): (a: Finding, b: Finding) => number {
  const topics: readonly Topic[] = topicsOf(family);
  const importance = ({ id, weight, severity = 1 }: Finding) => {
    if (weight === 0) return 0;
    const topic = rowOf(id).topic;
    const ofTask = topic === undefined || topics.includes(topic) ? OF_THE_TASK : 1;
    const size = Math.min(MOST_SEVERE, severity) * ofTask * (weight >= 2 ? OF_THE_DEMAND : 1);
    return weight === 3 ? 100 + size : size;
  };
  return (a, b) => importance(b) - importance(a);
}

/** Whether a fault is told before what went well: it is what the exercise is for, far over its limit, or on most of several tones. */
export function mattersMost(
  { id, weight, steps = 1, severity = 1 }: Finding,
  task: readonly Topic[],
  all: readonly StepMeasures[],
) {
  if (weight === 0) return false;
  const topic = rowOf(id).topic;
  const sounded = all.filter((step) => step.kind === 'sounded').length;
  return (topic !== undefined && task.includes(topic)) || severity >= FAR_OVER || (steps > 1 && steps > sounded / 2);
}

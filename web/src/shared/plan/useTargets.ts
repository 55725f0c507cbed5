import { targetsOf, type Target } from '@inner-hum/core/lesson';
import { useMemo } from 'react';
import { usePlan, useRecent } from './usePlan';

/** What the player works on, how far each is, and what is there; undefined while it is read. */
export function useTargets(): readonly Target[] | undefined {
  const plan = usePlan(useRecent(), false);
  return useMemo(() => plan && targetsOf(plan.from), [plan]);
}

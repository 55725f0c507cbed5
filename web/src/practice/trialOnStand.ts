import type { Trial } from '@inner-hum/core/exercise';
import { probeOf, type Experiment } from '@inner-hum/core/experiments';
import { exerciseOf } from '../store/settings';
import type { Settings } from '../db/settings/settings';

/** The try that the Stand would play now: one was chosen, its experiment is there, and its probe is on the Stand still. */
export function trialOnStand(
  settings: Settings,
): { readonly experiment: Experiment; readonly trial: Trial } | undefined {
  const { trial, experiments, instrumentId } = settings;
  const experiment = trial && experiments.find(({ id }) => id === trial.experiment);
  if (!experiment || experiment.instrumentId !== instrumentId) return undefined;
  const [probe, now] = [probeOf(experiment), exerciseOf(settings)];
  return now.family === probe.family && now['phrase'] === probe['phrase'] ? { experiment, trial } : undefined;
}

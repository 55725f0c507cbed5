import type { Topic } from '@inner-hum/core/families';
import { finding, type Finding } from './finding';
import { rowOf } from './findings.data';
import { lostFinding } from './lostFindings';
import type { TakeCase } from './takeCase';

/** Whether a finding means anything in the sound that the device gave. */
export function canBeTold({ id }: Finding, device: TakeCase['device']): boolean {
  const { levels, colour } = untoldBy(device);
  const { needs } = rowOf(id);
  return !(levels && needs === 'levels') && !(colour && needs === 'highs');
}

/** Whether what an exercise is for could not be heard through the device: then nothing is secure. */
export function hidesTask(task: readonly Topic[], device: TakeCase['device']): boolean {
  const { levels, colour } = untoldBy(device);
  return (levels && task.includes('level')) || (colour && task.includes('colour'));
}

const untoldBy = (device: TakeCase['device']) => untoldOf(deviceFindings(device).map(({ id }) => id));

/** What the device did to the sound, told before anything else: it can be put right. */
export function deviceFindings(device: TakeCase['device']): Finding[] {
  return [
    ...lostFinding(device),
    ...(device?.gainRidesDb === undefined ? [] : [finding('levelsRide', 0, { db: device.gainRidesDb })]),
    ...(device?.gated ? [finding('levelsGated', 0, {})] : []),
    ...(device?.bandHz === undefined ? [] : [finding('bandLimited', 0, { khz: device.bandHz / 1000 })]),
    ...(device?.clipped ? [finding('clipped', 0, { count: device.clipped })] : []),
  ];
}

/** What a take tells nothing of, by what was found of its device. */
export function untoldOf(findings: readonly string[]): { readonly levels: boolean; readonly colour: boolean } {
  return {
    levels: findings.includes('levelsRide') || findings.includes('levelsGated'),
    colour: findings.includes('bandLimited'),
  };
}

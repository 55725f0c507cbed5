import type { Topic } from '@inner-hum/core/families';
import { finding, type Finding, type FindingId } from './finding';
import { lostFinding } from './lostFindings';
import { ruleOf } from './rules';
import type { TakeCase } from './takeCase';

/** What can't be told where the device moves the levels, besides all that is about the level. */
const NEEDS_LEVELS: readonly FindingId[] = [
  'even',
  'subtone',
  'slopeEverywhere',
  'slopeHere',
  'sharpWhenSoft',
  'flatWhenSoft',
  'airySoftEnd',
  'pairLouder',
  'pairSofter',
  'slurStep',
  'noSubtone',
  'fadeBack',
  'fadeShallow',
  'fades',
  'firstTraceAt',
  'startsAbove',
  'fromNothing',
];

/** What can't be told where the highs are missing. */
const NEEDS_HIGHS: readonly FindingId[] = ['colourApart', 'colourNear', 'colourOpens', 'colourStays', 'colourTravels'];

/** Whether a finding means anything in the sound that the device gave. */
export function canBeTold({ id }: Finding, device: TakeCase['device']): boolean {
  const { levels, colour } = untoldBy(device);
  if (levels && (NEEDS_LEVELS.includes(id) || ruleOf(id)?.topic === 'level')) return false;
  return !colour || !NEEDS_HIGHS.includes(id);
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
    ...(device?.gainRidesDb === undefined ? [] : [finding('levelsRide', 1, 0, { db: device.gainRidesDb })]),
    ...(device?.gated ? [finding('levelsGated', 1, 0, {})] : []),
    ...(device?.bandHz === undefined ? [] : [finding('bandLimited', 1, 0, { khz: device.bandHz / 1000 })]),
    ...(device?.clipped ? [finding('clipped', 1, 0, { count: device.clipped })] : []),
  ];
}

/** What a take tells nothing of, by what was found of its device. */
export function untoldOf(findings: readonly string[]): { readonly levels: boolean; readonly colour: boolean } {
  return {
    levels: findings.includes('levelsRide') || findings.includes('levelsGated'),
    colour: findings.includes('bandLimited'),
  };
}

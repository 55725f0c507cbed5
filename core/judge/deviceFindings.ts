import { finding, type Finding, type FindingId } from './finding';
import { ruleOf } from './rules';
import type { TakeCase } from './takeCase';

/** What can't be told where the device moves the levels, besides all that is about the level. */
const NEEDS_LEVELS: readonly FindingId[] = [
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

/** Whether a finding means anything in the sound that the device gave. */
export function canBeTold({ id }: Finding, device: TakeCase['device']): boolean {
  const untrue = device?.gainRidesDb !== undefined || device?.gated === true;
  return !untrue || !(NEEDS_LEVELS.includes(id) || ruleOf(id)?.topic === 'level');
}

/** What the device did to the sound, told before anything else: it can be put right. */
export function deviceFindings(device: TakeCase['device']): Finding[] {
  return [
    ...(device?.gainRidesDb === undefined ? [] : [finding('levelsRide', 1, 0, { db: device.gainRidesDb })]),
    ...(device?.gated ? [finding('levelsGated', 1, 0, {})] : []),
    ...(device?.clipped ? [finding('clipped', 1, 0, { count: device.clipped })] : []),
  ];
}

/** Findings that say that a take's levels are not to be compared with others. */
export const LEVELS_UNTRUE: readonly string[] = ['levelsRide', 'levelsGated'];

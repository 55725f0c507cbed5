export { CLEAN_HABITS, FAULTS, withFault, type FaultName, type Habits } from './habits';
export { SeededRandom } from './random';
export { playStandIn, type StandInSettings } from './standIn';

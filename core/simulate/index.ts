export { CLEAN_HABITS, FAULTS, withFault, type FaultName, type Habits, type NoteHabit } from './habits';
export { SeededRandom } from './random';
export { playStandIn } from './standIn';
export { type StandInSettings } from './playedTone';

export { CLEAN_HABITS, type Habits } from './habits';
export { SeededRandom } from './random';
export { playStandIn, type StandInSettings } from './standIn';

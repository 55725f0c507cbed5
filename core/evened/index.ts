export { farthest, nearness } from './nearness';
export { evenedTone, type Evened, type EvenedSettings } from './evenedTone';

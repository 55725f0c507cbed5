export { evenedTone, type Evened, type EvenedSettings } from './evenedTone';

import { expose } from 'comlink';
import { packFunctions } from './packFunctions';

expose(packFunctions);

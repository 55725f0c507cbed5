import { expose } from 'comlink';
import { backupFunctions } from './backupFunctions';

expose(backupFunctions);

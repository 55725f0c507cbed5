export { BACKUP_FORMAT, BACKUP_VERSION, readBackup, writeBackup, type BackupResult } from './backup';
export { framesCsv, measuresCsv } from './csv';
export { packedLength, packFrames, unpackFrames } from './packedFrames';
export type { TakeRecord, TakeSetup, TakeSound, TakeSource, WholeTake } from './take';
export { takeRecordSchema } from './takeSchema';
export { fromInt16, readWav, toInt16, writeWav, type WavResult, type WavSound } from './wav';
export { modernise } from './modernise';

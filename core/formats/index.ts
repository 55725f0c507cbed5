export {
  readBackup,
  writeBackup,
  type BackupResult,
  type KeptRecording,
  type RefusedFile,
  type UnreadTake,
} from './backup';
export { framesCsv, measuresCsv, tendencyCsv } from './csv';
export { readWav, writeWav } from './wav';
export { forHorn, LARGEST_SCORE, type ImportedPart, type ImportedParts } from './importedPart';
export { readMidi } from './midiIn';
export { readMusicXml } from './musicXmlIn';
export { packedTake, type PackedFile } from './takeFiles';
export { backupZipStream, isZip, readBackupZip, writeBackupZip } from './backupZip';
export { writeCalendar } from './calendar';
export { writeMidi } from './midiOut';
export { writeMusicXml } from './musicXmlOut';
export { readWeek, recordToGive, writeWeek, type StudentNote, type StudentWeek, type WeekResult } from './week';

export { INSTRUMENTS, type Instrument, type InstrumentId } from './instruments.data';
export {
  HORN_OPTIONS,
  hornIdOf,
  instrumentById,
  isHornId,
  sizeOf,
  type Horn,
  type HornId,
  type HornOption,
  type HornOptions,
} from './hornBuild';
export {
  ALTISSIMO_REACH_SEMITONES,
  soundingMidi,
  soundingRangeHz,
  writtenMidi,
  writtenToHz,
  zoneOf,
  type Zone,
} from './instrument';
export { A4_RANGE_HZ, centsBetweenHz, hzToMidi, midiToHz } from './pitch';
export { naturalOffsetCents, partialSemitones, partialTargetHz, soundingPartial, type PartialTuning } from './partials';
export {
  NOTE_NAME_SYSTEMS,
  noteName,
  parseNoteName,
  pitchClassName,
  spellMidi,
  type NoteNameSystem,
  type Spelling,
} from './noteNames';
export {
  ASSUMED_RULER,
  DYNAMICS,
  dynamicLevelDb,
  dynamicPosition,
  levelPosition,
  nearestDynamic,
  type Dynamic,
  type LevelRuler,
} from './dynamics';
export { canFinger, fingeringText, keysOf, regularFingering } from './fingerings';
export { ALTERNATE_FINGERINGS, type AlternateFingering } from './alternates.data';
export { TRY_FINGERINGS } from './altissimo.data';
export { KEYS, type HornKey, type KeyId } from './keys.data';
export {
  expectedSuccess,
  LATTICE_PARTIALS,
  lattice,
  overtoneOf,
  regularSource,
  sourceByKey,
  sourceKey,
  sourcesOf,
  type Source,
  type Tries,
} from './lattice';

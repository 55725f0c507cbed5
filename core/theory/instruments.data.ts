/** One size of saxophone. MIDI numbers are written pitch; sounding = written + `soundingOffsetSemitones`. */
export interface Instrument {
  readonly id: InstrumentId;
  readonly soundingOffsetSemitones: number;
  readonly lowestWrittenMidi: number;
  readonly highestKeyedWrittenMidi: number;
  /** where players of this size usually rest on the mouthpiece alone, sounding; left out where that varies too much to say */
  readonly mouthpieceSoundingMidi?: number;
}

export type InstrumentId =
  | 'sopranino'
  | 'soprano'
  | 'alto'
  | 'cMelody'
  | 'tenor'
  | 'baritone'
  | 'baritoneLowA'
  | 'bass';

const B_FLAT_3 = 58;
const A_3 = 57;
const D_5 = 74;
const G_5 = 79;
const A_5 = 81;
const C_6 = 84;
const F_6 = 89;
const F_SHARP_6 = 90;

/**
 * The seven sizes, the baritone in both builds. Offsets are those of the modern transposing parts (written in treble
 * clef). C melody and bass horns are usually old or large builds keyed to F6.
 */
export const INSTRUMENTS: readonly Instrument[] = [
  { id: 'sopranino', soundingOffsetSemitones: 3, lowestWrittenMidi: B_FLAT_3, highestKeyedWrittenMidi: F_6 },
  {
    id: 'soprano',
    soundingOffsetSemitones: -2,
    lowestWrittenMidi: B_FLAT_3,
    highestKeyedWrittenMidi: F_SHARP_6,
    mouthpieceSoundingMidi: C_6,
  },
  {
    id: 'alto',
    soundingOffsetSemitones: -9,
    lowestWrittenMidi: B_FLAT_3,
    highestKeyedWrittenMidi: F_SHARP_6,
    mouthpieceSoundingMidi: A_5,
  },
  { id: 'cMelody', soundingOffsetSemitones: -12, lowestWrittenMidi: B_FLAT_3, highestKeyedWrittenMidi: F_6 },
  {
    id: 'tenor',
    soundingOffsetSemitones: -14,
    lowestWrittenMidi: B_FLAT_3,
    highestKeyedWrittenMidi: F_SHARP_6,
    mouthpieceSoundingMidi: G_5,
  },
  {
    id: 'baritone',
    soundingOffsetSemitones: -21,
    lowestWrittenMidi: B_FLAT_3,
    highestKeyedWrittenMidi: F_SHARP_6,
    mouthpieceSoundingMidi: D_5,
  },
  {
    id: 'baritoneLowA',
    soundingOffsetSemitones: -21,
    lowestWrittenMidi: A_3,
    highestKeyedWrittenMidi: F_SHARP_6,
    mouthpieceSoundingMidi: D_5,
  },
  { id: 'bass', soundingOffsetSemitones: -26, lowestWrittenMidi: B_FLAT_3, highestKeyedWrittenMidi: F_6 },
];

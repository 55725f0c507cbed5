import type { Instrument } from './instruments.data';
import { midiToHz } from './pitch';

/** How far above the highest keyed note the rail and the pitch search go, semitones (an octave of altissimo). */
export const ALTISSIMO_REACH_SEMITONES = 12;

/** Sounding MIDI number of a written one. */
export function soundingMidi(instrument: Instrument, writtenMidi: number): number {
  return writtenMidi + instrument.soundingOffsetSemitones;
}

/** Written MIDI number of a sounding one. */
export function writtenMidi(instrument: Instrument, soundingMidiNumber: number): number {
  return soundingMidiNumber - instrument.soundingOffsetSemitones;
}

/** Sounding frequency of a written note, Hz. */
export function writtenToHz(instrument: Instrument, written: number, a4Hz: number): number {
  return midiToHz(soundingMidi(instrument, written), a4Hz);
}

/**
 * The band in which this horn can sound, Hz: from 60 cents under its lowest note (or an octave under the lowest
 * note's octave would be noise, so no lower) to the top of altissimo, never beyond 48–2800 Hz.
 */
export function soundingRangeHz(instrument: Instrument, a4Hz: number): { minHz: number; maxHz: number } {
  const low = midiToHz(soundingMidi(instrument, instrument.lowestWrittenMidi) - 0.6, a4Hz);
  const top = instrument.highestKeyedWrittenMidi + ALTISSIMO_REACH_SEMITONES;
  const high = midiToHz(soundingMidi(instrument, top) + 0.6, a4Hz);
  return { minHz: Math.max(48, low), maxHz: Math.min(2800, high) };
}

export type Zone = 'low' | 'middle' | 'palm' | 'altissimo';

/** Zone of a written note: low to D4, middle to C♯6, palm to F♯6, altissimo above. */
export function zoneOf(written: number): Zone {
  if (written <= 62) return 'low';
  if (written <= 85) return 'middle';
  return written <= 90 ? 'palm' : 'altissimo';
}

/** Standard pitch limits that players set, Hz. */
export const A4_RANGE_HZ = { min: 415, max: 466, usual: 440 } as const;

/**
 * Frequency of a MIDI note in 12-tone equal temperament, Hz. Fractions of a semitone are allowed.
 * @param midi MIDI note number, A4 = 69
 * @param a4Hz tuning reference, 415–466 Hz
 * @throws RangeError when `a4Hz` is outside the range players use
 */
export function midiToHz(midi: number, a4Hz: number = A4_RANGE_HZ.usual): number {
  checkA4(a4Hz);
  return a4Hz * 2 ** ((midi - 69) / 12);
}

/**
 * MIDI number (with fraction) of a frequency.
 * @throws RangeError when `hz` is not above 0 or `a4Hz` is out of range
 */
export function hzToMidi(hz: number, a4Hz: number = A4_RANGE_HZ.usual): number {
  checkA4(a4Hz);
  checkHz(hz);
  return 69 + 12 * Math.log2(hz / a4Hz);
}

/**
 * Interval from one frequency up to another, cents (1200 an octave); negative when the second is lower.
 * @throws RangeError when either frequency is not above 0
 */
export function centsBetweenHz(fromHz: number, toHz: number): number {
  checkHz(fromHz);
  checkHz(toHz);
  return 1200 * Math.log2(toHz / fromHz);
}

function checkA4(a4Hz: number): void {
  if (!(a4Hz >= A4_RANGE_HZ.min && a4Hz <= A4_RANGE_HZ.max))
    throw new RangeError(`a4Hz must be from ${A4_RANGE_HZ.min} to ${A4_RANGE_HZ.max}, got ${a4Hz}`);
}

function checkHz(hz: number): void {
  if (!(hz > 0 && Number.isFinite(hz))) throw new RangeError(`frequency must be > 0 Hz, got ${hz}`);
}

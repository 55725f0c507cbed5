/** Delays of the room's echoes at 44.1 kHz, samples; no two share a factor. */
const COMBS = [1687, 1601, 2053, 2251];
const ALL_PASSES = [347, 113];
const WET_DB = -14;

/**
 * Adds a room to a sound in place: four combs and two all-passes.
 * Source: M. R. Schroeder 1962, "Natural sounding artificial reverberation".
 * @param decayS time in which it falls by 60 dB, seconds; 0 changes nothing
 */
export function addRoom(sound: Float32Array, sampleRateHz: number, decayS: number): void {
  if (decayS <= 0) return;
  const wet = new Float64Array(sound.length);
  for (const comb of COMBS) {
    const delay = Math.round((comb * sampleRateHz) / 44100);
    const gain = 10 ** ((-3 * delay) / sampleRateHz / decayS);
    const line = new Float64Array(sound.length);
    for (let i = 0; i < sound.length; i++) {
      line[i] = sound[i]! + (i >= delay ? gain * line[i - delay]! : 0);
      wet[i]! += i >= delay ? (line[i - delay]! * Math.sqrt(1 - gain * gain)) / 2 : 0;
    }
  }
  for (const pass of ALL_PASSES) {
    const delay = Math.round((pass * sampleRateHz) / 44100);
    const before = new Float64Array(delay);
    for (let i = 0; i < wet.length; i++) {
      const held = before[i % delay]!;
      const now = wet[i]! + 0.7 * held;
      before[i % delay] = now;
      wet[i] = held - 0.7 * now;
    }
  }
  const gain = 10 ** (WET_DB / 20);
  for (let i = 0; i < sound.length; i++) sound[i]! += gain * wet[i]!;
}

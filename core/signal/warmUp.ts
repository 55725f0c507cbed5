import { Ear } from './ear';

const RATE_HZ = 44_100;
const BLOCK = 256;
/** Sounds of all kinds that the ear treats differently: low and high, and clear, noisy, airy and rough by how much noise there is. */
const TONES_HZ = [60, 140, 420, 1400] as const;
const NOISES = [0, 0.02, 0.1, 0.3] as const;
const EACH_S = 0.12;

/**
 * Has an ear hear a little made sound: what is heard for the first time is heard ten times more slowly, and the first block
 * of a take must not wait for that.
 */
export function warmUp(): void {
  const ear = new Ear({ sampleRateHz: RATE_HZ });
  const length = Math.round(EACH_S * RATE_HZ);
  const sound = new Float32Array(TONES_HZ.length * NOISES.length * length);
  let seed = 1;
  for (let i = 0; i < sound.length; i++) {
    const part = Math.floor(i / length);
    seed = (1_103_515_245 * seed + 12_345) % 2_147_483_648;
    const phase = (2 * Math.PI * TONES_HZ[Math.floor(part / NOISES.length)]! * i) / RATE_HZ;
    const tone = Math.sin(phase) + Math.sin(2 * phase) / 2 + Math.sin(3 * phase) / 3;
    sound[i] = 0.1 * tone + NOISES[part % NOISES.length]! * (seed / 1_073_741_824 - 1);
  }
  for (let at = 0; at + BLOCK <= sound.length; at += BLOCK) ear.push(sound.subarray(at, at + BLOCK), () => undefined);
}

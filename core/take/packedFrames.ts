import { emptyFrames, PARTIALS_KEPT, SILENCE_DB, type Frames } from '@inner-hum/core/signal';

/** Partials are kept for every fifth frame (50 ms): their outline moves slowly. */
const PARTIALS_EVERY = 5;
const LOWEST_HZ = 40;
const STEPS_PER_CENT = 8;
const BYTES_PER_FRAME = 8;

/**
 * Bytes that frames take when kept: 8 for each frame (pitch 2, level 2, confidence, breath, centroid and pitch error 1
 * each) and 20 for each fifth: 72 kB a minute.
 */
export function packedLength(count: number): number {
  return count * BYTES_PER_FRAME + Math.ceil(count / PARTIALS_EVERY) * PARTIALS_KEPT;
}

/**
 * Packs frames, little-endian, one row of each quantity after the other: pitch in eighths of a cent above 40 Hz plus 1
 * (0 = no tone), level in hundredths of a decibel, then bytes for confidence (1/255), breath (quarters of −dB),
 * centroid (tenths of a partial), pitch error (tenths of a cent), and partials (halves of −dB).
 */
export function packFrames(frames: Frames): Uint8Array<ArrayBuffer> {
  const { count } = frames;
  const bytes = new Uint8Array(packedLength(count));
  const view = new DataView(bytes.buffer);
  for (let i = 0; i < count; i++) {
    const hz = frames.f0Hz[i]!;
    view.setUint16(2 * i, hz > 0 ? 1 + Math.round(1200 * STEPS_PER_CENT * Math.log2(hz / LOWEST_HZ)) : 0, true);
    view.setInt16(2 * count + 2 * i, Math.round(100 * frames.levelDb[i]!), true);
    bytes[4 * count + i] = Math.round(255 * frames.confidence[i]!);
    bytes[5 * count + i] = byte(-4 * frames.breathDb[i]!);
    bytes[6 * count + i] = byte(10 * frames.centroidPartials[i]!);
    bytes[7 * count + i] = byte(10 * frames.pitchErrorCents[i]!);
  }
  const rows = Math.ceil(count / PARTIALS_EVERY);
  for (let row = 0; row < rows; row++)
    for (let k = 0; k < PARTIALS_KEPT; k++)
      bytes[BYTES_PER_FRAME * count + row * PARTIALS_KEPT + k] = byte(
        -2 * frames.partialsDb[row * PARTIALS_EVERY * PARTIALS_KEPT + k]!,
      );
  return bytes;
}

/**
 * Undoes {@link packFrames}; partials between the kept frames repeat the last kept ones.
 * @throws RangeError when the bytes are not `packedLength(count)` long
 */
export function unpackFrames(bytes: Uint8Array, count: number): Frames {
  if (bytes.length !== packedLength(count))
    throw new RangeError(`${count} frames need ${packedLength(count)} bytes, got ${bytes.length}`);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const frames = emptyFrames(count);
  for (let i = 0; i < count; i++) {
    const step = view.getUint16(2 * i, true);
    frames.f0Hz[i] = step === 0 ? 0 : LOWEST_HZ * 2 ** ((step - 1) / (1200 * STEPS_PER_CENT));
    frames.levelDb[i] = view.getInt16(2 * count + 2 * i, true) / 100;
    frames.confidence[i] = bytes[4 * count + i]! / 255;
    frames.breathDb[i] = bytes[5 * count + i]! / -4;
    frames.centroidPartials[i] = bytes[6 * count + i]! / 10;
    frames.pitchErrorCents[i] = bytes[7 * count + i]! / 10;
    const row = Math.floor(i / PARTIALS_EVERY);
    for (let k = 0; k < PARTIALS_KEPT; k++)
      frames.partialsDb[i * PARTIALS_KEPT + k] = Math.max(
        SILENCE_DB,
        bytes[BYTES_PER_FRAME * count + row * PARTIALS_KEPT + k]! / -2,
      );
  }
  return frames;
}

function byte(value: number): number {
  return Math.min(255, Math.max(0, Math.round(value)));
}

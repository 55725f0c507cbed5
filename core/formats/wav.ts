import wavefile from 'wavefile/dist/wavefile.js';

const { WaveFile } = wavefile;

interface WavSound {
  readonly sampleRateHz: number;
  /** mono, full scale 1; several channels are averaged */
  readonly samples: Float32Array<ArrayBuffer>;
}

export type WavResult =
  | { readonly kind: 'read'; readonly sound: WavSound }
  | { readonly kind: 'refused'; readonly detail: string };

const MOST_HZ = 768_000;
const MOST_CHANNELS = 64;

/** Reads a WAV of 8 to 64 bits, whole numbers or floating point, any rate and number of channels. */
export function readWav(bytes: Uint8Array): WavResult {
  try {
    const file = new WaveFile(bytes);
    const { numChannels, sampleRate } = file.fmt as { numChannels: number; sampleRate: number };
    if (!(sampleRate > 0 && sampleRate <= MOST_HZ && numChannels > 0 && numChannels <= MOST_CHANNELS))
      return { kind: 'refused', detail: `${numChannels} channels at ${sampleRate} Hz` };
    const depth = file.bitDepth;
    const scale = /^(32f|64)$/.test(depth) ? 1 : 2 ** (Number.parseInt(depth, 10) - 1);
    const offset = depth === '8' ? -128 : 0;
    const raw = file.getSamples(true) as unknown as Float64Array;
    const samples = new Float32Array(Math.floor(raw.length / numChannels));
    for (let i = 0; i < samples.length; i++) {
      let sum = 0;
      for (let channel = 0; channel < numChannels; channel++) sum += raw[i * numChannels + channel]! + offset;
      samples[i] = sum / (scale * numChannels);
    }
    return { kind: 'read', sound: { sampleRateHz: sampleRate, samples } };
  } catch (error) {
    return { kind: 'refused', detail: error instanceof Error ? error.message : String(error) };
  }
}

/** A 16-bit mono WAV file. */
export function writeWav(sampleRateHz: number, samples: Int16Array): Uint8Array<ArrayBuffer> {
  const file = new WaveFile();
  file.fromScratch(1, sampleRateHz, '16', samples);
  return new Uint8Array(file.toBuffer());
}

/** The sound of a file, mixed to one channel. */
export interface MonoSound {
  readonly sampleRateHz: number;
  readonly samples: Float32Array<ArrayBuffer>;
}

/** Longer than this no file is decoded, seconds: its sound would fill the memory. */
export const MOST_RECORDING_S = 1800;

/**
 * The sound of a file; `tooLong` where its own head says so, before it is decoded; undefined where neither the browser nor
 * this program can read it.
 */
export async function monoOf(file: File, mostS = MOST_RECORDING_S): Promise<MonoSound | 'tooLong' | undefined> {
  const lengthS = await lengthOf(file);
  if (lengthS !== undefined && lengthS > mostS) return 'tooLong';
  const decoded = await decode(file);
  if (decoded) return { sampleRateHz: decoded.sampleRate, samples: mixDown(decoded) };
  const { readWav } = await import('@inner-hum/core/formats');
  const wav = readWav(new Uint8Array(await file.arrayBuffer()));
  return wav.kind === 'read' ? wav.sound : undefined;
}

/** A browser that can't tell how long a file is within this is not waited for, milliseconds. */
const LENGTH_WITHIN_MS = 3000;

/** How long a recording says it is, seconds; undefined where the browser can't tell. */
function lengthOf(file: File): Promise<number | undefined> {
  const url = URL.createObjectURL(file);
  const audio = new Audio();
  return new Promise<number | undefined>((resolve) => {
    const known = () => resolve(Number.isFinite(audio.duration) ? audio.duration : undefined);
    audio.addEventListener('loadedmetadata', known, { once: true });
    audio.addEventListener('error', () => resolve(undefined), { once: true });
    setTimeout(() => resolve(undefined), LENGTH_WITHIN_MS);
    audio.preload = 'metadata';
    audio.src = url;
  }).finally(() => {
    audio.removeAttribute('src');
    URL.revokeObjectURL(url);
  });
}

async function decode(file: File): Promise<AudioBuffer | undefined> {
  const context = new OfflineAudioContext(1, 1, 44100);
  try {
    return await context.decodeAudioData(await file.arrayBuffer());
  } catch {
    return undefined;
  }
}

function mixDown(buffer: AudioBuffer): Float32Array<ArrayBuffer> {
  const out = new Float32Array(buffer.length);
  for (let channel = 0; channel < buffer.numberOfChannels; channel++) {
    const samples = buffer.getChannelData(channel);
    for (let i = 0; i < out.length; i++) out[i]! += samples[i]! / buffer.numberOfChannels;
  }
  return out;
}

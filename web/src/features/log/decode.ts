/** The sound of a file, mixed to one channel; undefined where the browser can't read it. */
export async function monoOf(
  file: File,
): Promise<{ sampleRateHz: number; samples: Float32Array<ArrayBuffer> } | undefined> {
  const decoded = await decode(file);
  return decoded && { sampleRateHz: decoded.sampleRate, samples: mixDown(decoded) };
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

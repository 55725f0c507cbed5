import { PitchDetector } from 'pitchy';
import { AMDF, Macleod, YIN } from 'pitchfinder';

/** A general-purpose tracker: pitch of the frame that starts at `from`, 0 for none. */
export interface Library {
  readonly name: string;
  readonly windowSamples: number;
  readonly pitch: (frame: Float32Array) => number;
}

/** The trackers compared, each at settings that did best on this bench's sound. */
export function libraries(sampleRateHz: number): Library[] {
  const pitchy = PitchDetector.forFloat32Array(4096);
  pitchy.minVolumeDecibels = -60;
  const yin = YIN({ sampleRate: sampleRateHz, threshold: 0.15, probabilityThreshold: 0.1 });
  const macleod = Macleod({ sampleRate: sampleRateHz, bufferSize: 4096, cutoff: 0.93 });
  const amdf = AMDF({ sampleRate: sampleRateHz, minFrequency: 48, maxFrequency: 2800 });
  return [
    {
      name: 'pitchy (McLeod)',
      windowSamples: 4096,
      pitch: (frame) => {
        const [hz, clarity] = pitchy.findPitch(withoutOffset(frame), sampleRateHz);
        return clarity > 0.85 && hz >= 48 && hz <= 2800 ? hz : 0;
      },
    },
    { name: 'pitchfinder YIN', windowSamples: 2048, pitch: (frame) => yin(fullLevel(withoutOffset(frame))) ?? 0 },
    {
      name: 'pitchfinder McLeod',
      windowSamples: 4096,
      pitch: (frame) => {
        const found = macleod(fullLevel(withoutOffset(frame)));
        return found.probability > 0.85 && found.freq > 0 ? found.freq : 0;
      },
    },
    { name: 'pitchfinder AMDF', windowSamples: 2048, pitch: (frame) => amdf(fullLevel(withoutOffset(frame))) ?? 0 },
  ];
}

function withoutOffset(frame: Float32Array): Float32Array {
  const mean = frame.reduce((sum, x) => sum + x, 0) / frame.length;
  return frame.map((x) => x - mean);
}

function fullLevel(frame: Float32Array): Float32Array {
  const peak = frame.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
  return peak > 1e-4 ? frame.map((x) => x / peak) : frame;
}

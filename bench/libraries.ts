import aubio from 'aubiojs';
import { YIN } from 'pitchfinder';
import { PitchDetector } from 'pitchy';

/** A general-purpose tracker: pitch of a window of sound, 0 for none. */
export interface Library {
  readonly name: string;
  readonly windowSamples: number;
  readonly pitch: (frame: Float32Array) => number;
}

/** The trackers compared, each at settings that did best on this bench's sound. */
export async function libraries(sampleRateHz: number): Promise<Library[]> {
  const pitchy = PitchDetector.forFloat32Array(4096);
  pitchy.minVolumeDecibels = -60;
  const yin = YIN({ sampleRate: sampleRateHz, threshold: 0.15, probabilityThreshold: 0.1 });
  const { Pitch } = await aubio();
  const yinFast = new Pitch('yinfast', 4096, 4096, sampleRateHz);
  const spectral = new Pitch('yinfft', 4096, 4096, sampleRateHz);
  const inRange = (hz: number) => (hz >= 48 && hz <= 2800 ? hz : 0);
  return [
    {
      name: 'pitchy (McLeod)',
      windowSamples: 4096,
      pitch: (frame) => {
        const [hz, clarity] = pitchy.findPitch(withoutOffset(frame), sampleRateHz);
        return clarity > 0.85 ? inRange(hz) : 0;
      },
    },
    { name: 'pitchfinder YIN', windowSamples: 2048, pitch: (frame) => yin(fullLevel(withoutOffset(frame))) ?? 0 },
    {
      name: 'aubiojs yinfast',
      windowSamples: 4096,
      pitch: (frame) => inRange(yinFast.do(audible(withoutOffset(frame)))),
    },
    {
      name: 'aubiojs yinfft',
      windowSamples: 4096,
      pitch: (frame) => inRange(spectral.do(audible(withoutOffset(frame)))),
    },
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

/** The frame, or silence when it is under −60 dBFS. */
function audible(frame: Float32Array): Float32Array {
  const power = frame.reduce((sum, x) => sum + x * x, 0) / frame.length;
  return power > 1e-6 ? frame : new Float32Array(frame.length);
}

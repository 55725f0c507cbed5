import { stretch } from './stretch';

interface Sound {
  readonly sampleRateHz: number;
  readonly samples: Float32Array<ArrayBuffer>;
}

/** Quieter than this a sound is not brought up, so that silence stays silence. */
const LEAST_RMS = 1e-3;
const SWITCH_S = 0.01;

/** Two sounds in a loop, started together and at one loudness; one of them is heard. */
export class AbPlayer {
  private readonly context = new AudioContext();
  private readonly gains: Readonly<Record<'a' | 'b', GainNode>>;
  private readonly nodes: AudioBufferSourceNode[] = [];

  constructor(a: Sound, b: Sound, part: { readonly fromS: number; readonly toS: number; readonly half: boolean }) {
    const target = Math.min(rms(a.samples), rms(b.samples));
    const plug = (sound: Sound) => {
      const cut = sound.samples.slice(part.fromS * sound.sampleRateHz, part.toS * sound.sampleRateHz);
      const samples = part.half ? stretch(cut, sound.sampleRateHz, 2) : cut;
      const buffer = this.context.createBuffer(1, Math.max(1, samples.length), sound.sampleRateHz);
      buffer.copyToChannel(samples, 0);
      const level = this.context.createGain();
      level.gain.value = target / Math.max(LEAST_RMS, rms(sound.samples));
      const heard = this.context.createGain();
      const node = this.context.createBufferSource();
      node.buffer = buffer;
      node.loop = true;
      node.connect(level).connect(heard).connect(this.context.destination);
      this.nodes.push(node);
      return heard;
    };
    this.gains = { a: plug(a), b: plug(b) };
  }

  async start(): Promise<void> {
    await this.context.resume();
    const at = this.context.currentTime + 0.05;
    for (const node of this.nodes) node.start(at);
  }

  hear(side: 'a' | 'b'): void {
    for (const id of ['a', 'b'] as const)
      this.gains[id].gain.setTargetAtTime(id === side ? 1 : 0, this.context.currentTime, SWITCH_S);
  }

  close(): void {
    void this.context.close();
  }
}

function rms(samples: Float32Array): number {
  let sum = 0;
  for (const sample of samples) sum += sample * sample;
  return Math.sqrt(sum / Math.max(1, samples.length));
}

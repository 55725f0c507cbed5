import { writeWav } from '@inner-hum/core/formats';
import { toInt16 } from '@inner-hum/core/take';
import { rms } from '../../practice/playback';

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
  private readonly starts: ((atS: number) => void)[] = [];
  private readonly elements: HTMLAudioElement[] = [];

  constructor(a: Sound, b: Sound, part: { readonly fromS: number; readonly toS: number; readonly half: boolean }) {
    const target = Math.min(rms(a.samples), rms(b.samples));
    const plug = (sound: Sound) => {
      const cut = sound.samples.slice(part.fromS * sound.sampleRateHz, part.toS * sound.sampleRateHz);
      const level = this.context.createGain();
      level.gain.value = target / Math.max(LEAST_RMS, rms(sound.samples));
      const heard = this.context.createGain();
      const looped = { ...sound, samples: cut };
      const node = part.half ? this.atHalfSpeed(looped) : this.asPlayed(looped);
      node.connect(level).connect(heard).connect(this.context.destination);
      return heard;
    };
    this.gains = { a: plug(a), b: plug(b) };
  }

  async start(): Promise<void> {
    await this.context.resume();
    const at = this.context.currentTime + 0.05;
    for (const begin of this.starts) begin(at);
  }

  hear(side: 'a' | 'b'): void {
    for (const id of ['a', 'b'] as const)
      this.gains[id].gain.setTargetAtTime(id === side ? 1 : 0, this.context.currentTime, SWITCH_S);
  }

  close(): void {
    void this.context.close();
    for (const element of this.elements) {
      element.pause();
      URL.revokeObjectURL(element.src);
    }
  }

  private asPlayed({ samples, sampleRateHz }: Sound): AudioNode {
    const buffer = this.context.createBuffer(1, Math.max(1, samples.length), sampleRateHz);
    buffer.copyToChannel(samples, 0);
    const node = this.context.createBufferSource();
    node.buffer = buffer;
    node.loop = true;
    this.starts.push((atS) => node.start(atS));
    return node;
  }

  /** By the browser's own way, which keeps the breath in a tone as it was (ADR 20). */
  private atHalfSpeed({ samples, sampleRateHz }: Sound): AudioNode {
    const wav = writeWav(sampleRateHz, toInt16(samples));
    const element = new Audio(URL.createObjectURL(new Blob([wav], { type: 'audio/wav' })));
    this.elements.push(element);
    element.preservesPitch = true;
    element.playbackRate = 0.5;
    element.loop = true;
    this.starts.push(() => {
      element.play().catch((error: unknown) => {
        // Stopped before it began to sound: that is what was wanted.
        if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
      });
    });
    return this.context.createMediaElementSource(element);
  }
}

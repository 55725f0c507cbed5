import type { Speaker, Turn } from './speaker';
import { playable } from '@inner-hum/core/families';
import { CLEAN_HABITS, playStandIn } from '@inner-hum/core/simulate';
import { fromInt16 } from '@inner-hum/core/take';
import type { WholeTake } from '@inner-hum/core/take';

/**
 * The sound of a take from its first frame on: as kept, or, for the stand-in player, played anew from its seed. Undefined
 * when neither is there.
 */
export function soundOf({
  record,
  sound,
}: WholeTake): { sampleRateHz: number; samples: Float32Array<ArrayBuffer> } | undefined {
  if (sound) return { sampleRateHz: sound.sampleRateHz, samples: fromInt16(sound.samples) };
  const { source, setup, score, firstBeatS } = record;
  if (source.kind !== 'standIn') return undefined;
  const { sampleRateHz = 44_100 } = source;
  // A take that was led by ear is kept as it was heard; played it was as it was written.
  const samples = playStandIn(score.clearS === undefined ? score : playable(record.parameters).score, {
    sampleRateHz,
    a4Hz: setup.a4Hz,
    ruler: setup.ruler,
    habits: { ...CLEAN_HABITS, ...source.habits },
    seed: source.seed,
    leadS: firstBeatS,
    tailS: 0.2,
  });
  return { sampleRateHz, samples };
}

interface Sound {
  readonly sampleRateHz: number;
  readonly samples: Float32Array<ArrayBuffer>;
}

/** Plays a sound from any place and tells where it is. Of all players one sounds at a time. */
export class Player implements Turn {
  private context: AudioContext | undefined;
  private node: AudioBufferSourceNode | undefined;
  private startedAtS = 0;
  private fromS = 0;
  /** which press was the newest: what was asked for before it does not begin any more */
  private newest = 0;

  constructor(
    private readonly speaker: Speaker,
    private readonly sound: Sound,
    /** told when it comes to its end, or gives way to another */
    private readonly onEnd: (gaveWay: boolean) => void,
  ) {}

  get lengthS(): number {
    return this.sound.samples.length / this.sound.sampleRateHz;
  }

  get placeS(): number {
    if (!this.node || !this.context) return this.fromS;
    return Math.min(this.lengthS, this.fromS + this.context.currentTime - this.startedAtS);
  }

  /** Plays from a place on, to the end or as far as `toS`. */
  async play(fromS: number, toS = Infinity): Promise<void> {
    this.pause();
    // It is this one's turn at once, though its context may take a while to wake.
    this.speaker.takeTurn(this);
    const press = this.newest;
    this.context ??= new AudioContext();
    try {
      await this.context.resume();
    } catch (error) {
      // One that is closed while it wakes fails in that; nobody waits for it any more.
      if (press === this.newest) throw error;
    }
    if (press !== this.newest) return;
    const buffer = this.context.createBuffer(1, this.sound.samples.length, this.sound.sampleRateHz);
    buffer.copyToChannel(this.sound.samples, 0);
    const node = this.context.createBufferSource();
    node.buffer = buffer;
    node.connect(this.context.destination);
    node.onended = () => {
      if (this.node !== node) return;
      this.pause();
      this.onEnd(false);
    };
    this.fromS = fromS >= this.lengthS - 0.05 ? 0 : fromS;
    this.startedAtS = this.context.currentTime;
    this.node = node;
    this.speaker.began(this);
    if (toS < Infinity) node.start(0, this.fromS, Math.max(0, toS - this.fromS));
    else node.start(0, this.fromS);
  }

  pause(): void {
    this.newest++;
    this.fromS = this.placeS;
    const node = this.node;
    this.node = undefined;
    this.speaker.isOver(this);
    node?.stop();
  }

  giveWay(): void {
    this.pause();
    this.onEnd(true);
  }

  close(): void {
    this.pause();
    void this.context?.close();
  }
}

/** No more than this is a sound brought up to be as loud as another. */
const MOST_GAIN = 8;

/** A sound as loud, between two places, as another one is there; seconds. */
export function asLoudAs<T extends Sound>(sound: T, other: Sound, fromS: number, toS: number): T {
  const part = ({ samples, sampleRateHz }: Sound) =>
    samples.subarray(Math.max(0, fromS * sampleRateHz), Math.max(0, toS * sampleRateHz));
  const gain = Math.min(MOST_GAIN, rms(part(other)) / Math.max(1e-6, rms(part(sound))));
  return { ...sound, samples: sound.samples.map((value) => Math.max(-1, Math.min(1, gain * value))) };
}

/** Loudness of a sound, root mean square. */
export function rms(samples: Float32Array): number {
  let sum = 0;
  for (const sample of samples) sum += sample * sample;
  return Math.sqrt(sum / Math.max(1, samples.length));
}

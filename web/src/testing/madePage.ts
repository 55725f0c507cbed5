import { LiveTrace } from '../input/liveTrace';
import type { AudioInput, SoundProblem } from '../input/audioInput';
import type { Ear } from '../input/ear';
import type { BlockMessage, LiveMessage } from '../input/protocol';
import { addDraftPiece } from '../db/drafts';
import { earFunctions } from '../practice/earFunctions';
import { PageSound } from '../practice/pageSound';

/** Frames of a block, and how often the made card hands one on, milliseconds. */
const BLOCK = 480;
const EVERY_MS = 10;

/** A page's sound for tests: the ear without its worker, a sound card on the wall clock, which a test makes. */
export function madePage(rateHz = 48_000): PageSound & { readonly card: MadeCard } {
  const functions = earFunctions(addDraftPiece);
  const ear = { ask: functions, replace: () => undefined, answers: () => Promise.resolve(true) };
  const page = new PageSound(ear as unknown as Ear);
  const card = new MadeCard(rateHz);
  const live = {
    postMessage: (message: LiveMessage) => card.input.trace.receive(message, card.input.context),
  };
  functions.connect(card.port as unknown as MessagePort, live as unknown as MessagePort);
  page.input = card.input;
  return Object.assign(page, { card });
}

/** What of a take's sound card tests set and see. */
export class MadeCard {
  /** sound at a context time, seconds */
  signal: (atS: number) => number = () => 0;
  stands = false;
  microphone: AudioInput['microphone'] = 'none';
  refusal: SoundProblem | undefined;
  /** when each sound that the page plays begins, context time */
  readonly plugged: number[] = [];
  readonly port: { onmessage?: (event: { data: BlockMessage }) => void } = {};
  readonly input: AudioInput;
  private nowS = 0;
  private readonly fromMs = performance.now();
  private sample = 0;
  private timer: ReturnType<typeof setInterval> | undefined;

  constructor(readonly rateHz: number) {
    const nowS = () => (this.nowS = this.stands ? this.nowS : (performance.now() - this.fromMs) / 1000);
    const context = {
      sampleRate: rateHz,
      baseLatency: 0,
      outputLatency: 0,
      get currentTime() {
        return nowS();
      },
      createBuffer: (_: number, length: number) => {
        const data = new Float32Array(length);
        return { getChannelData: () => data, copyToChannel: (samples: Float32Array) => data.set(samples) };
      },
    };
    const microphone = () => this.microphone;
    const input = {
      context,
      trace: new LiveTrace(),
      closed: false,
      get microphone() {
        return microphone();
      },
      wake: () => Promise.resolve(),
      close: () => Promise.resolve(),
      unplug: () => {
        this.microphone = 'none';
        this.signal = () => 0;
      },
      plugMicrophone: () => {
        if (this.refusal) return Promise.reject(this.refusal);
        this.microphone = 'live';
        return Promise.resolve('made');
      },
      plugSamples: (buffer: AudioBuffer, atS: number) => {
        const data = buffer.getChannelData(0);
        this.plugged.push(atS);
        this.signal = (time) => data[Math.round((time - atS) * rateHz)] ?? 0;
      },
    };
    this.input = input as unknown as AudioInput;
  }

  /** Hands on what has sounded, from now on, block by block; `stop` ends it. */
  run(): void {
    this.sample = Math.round(this.input.context.currentTime * this.rateHz);
    this.timer = setInterval(() => {
      const upTo = this.input.context.currentTime * this.rateHz;
      for (; this.sample + BLOCK <= upTo; this.sample += BLOCK) {
        const samples = Float32Array.from({ length: BLOCK }, (_, i) => this.signal((this.sample + i) / this.rateHz));
        this.port.onmessage?.({ data: { kind: 'block', firstSample: this.sample, samples, atMs: performance.now() } });
      }
    }, EVERY_MS);
  }

  stop(): void {
    clearInterval(this.timer);
  }
}

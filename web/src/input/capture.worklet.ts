import type { BlockMessage } from './protocol';

declare const currentFrame: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

const BLOCK = 256;

/** Hands the input on, mixed to one channel, in blocks on the context's clock, to the port it is given. */
class Capture extends AudioWorkletProcessor {
  private target: MessagePort | undefined;
  private block = new Float32Array(BLOCK);
  private filled = 0;
  private firstSample = 0;

  constructor() {
    super();
    this.port.onmessage = (event: MessageEvent<MessagePort>) => {
      this.target = event.data;
    };
  }

  process([input]: Float32Array[][]): boolean {
    const length = input?.[0]?.length ?? 0;
    if (!this.target || length === 0) return true;
    if (this.filled > 0 && this.firstSample + this.filled !== currentFrame) this.send();
    if (this.filled === 0) this.firstSample = currentFrame;
    for (let i = 0; i < length; i++) {
      let sum = 0;
      for (const channel of input!) sum += channel[i]!;
      this.block[this.filled + i] = sum / input!.length;
    }
    this.filled += length;
    if (this.filled >= BLOCK) this.send();
    return true;
  }

  private send(): void {
    const samples = this.block.slice(0, this.filled);
    const message: BlockMessage = { kind: 'block', firstSample: this.firstSample, samples, atMs: Date.now() };
    this.target!.postMessage(message, [samples.buffer]);
    this.filled = 0;
  }
}

registerProcessor('capture', Capture);

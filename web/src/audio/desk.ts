import { wrap, transfer, type Remote } from 'comlink';
import captureUrl from './capture.worklet.ts?worker&url';
import { LiveTrace } from './liveTrace';
import type { EarService, LiveMessage } from './protocol';
import type { ProblemId } from '../store/stand';

/** A problem with the sound that the player can do something about. */
export class SoundProblem extends Error {
  constructor(readonly id: ProblemId) {
    super(id);
  }
}

let service: Remote<EarService> | undefined;
let worker: Worker | undefined;

/** The ear's worker, started on first use. */
export function earService(): Remote<EarService> {
  worker ??= new Worker(new URL('./ear.worker.ts', import.meta.url), { type: 'module' });
  service ??= wrap<EarService>(worker);
  return service;
}

/**
 * The sound desk: one audio context, its capture worklet joined to the ear's worker, and whatever source is plugged in.
 * Make it in answer to a key or a click, else the browser keeps it silent.
 */
export class Desk {
  readonly trace = new LiveTrace();
  /** called when sound ends that should not have */
  onTrouble: ((problem: ProblemId) => void) | undefined;
  private stream: MediaStream | undefined;
  private source: AudioNode | undefined;
  private openDevice: string | undefined;

  private constructor(
    readonly context: AudioContext,
    private readonly capture: AudioWorkletNode,
  ) {
    context.addEventListener('statechange', () => {
      if (context.state !== 'running' && context.state !== 'closed') this.onTrouble?.('suspended');
    });
  }

  static async open(): Promise<Desk> {
    const context = new AudioContext({ latencyHint: 'interactive' });
    await context.audioWorklet.addModule(captureUrl);
    const capture = new AudioWorkletNode(context, 'capture', { numberOfOutputs: 0 });
    const desk = new Desk(context, capture);
    const sound = new MessageChannel();
    const live = new MessageChannel();
    capture.port.postMessage(sound.port1, [sound.port1]);
    live.port1.onmessage = (event: MessageEvent<LiveMessage>) => desk.trace.receive(event.data, context);
    const ear = earService();
    await ear.connect(transfer(sound.port2, [sound.port2]), transfer(live.port2, [live.port2]));
    return desk;
  }

  /** Wakes the context. @throws SoundProblem when the browser keeps it asleep */
  async wake(): Promise<void> {
    if (this.context.state === 'running') return;
    await Promise.race([this.context.resume(), new Promise((resolve) => setTimeout(resolve, 1500))]);
    if ((this.context.state as string) !== 'running') throw new SoundProblem('suspended');
  }

  /**
   * Plugs a microphone in, all of the browser's processing off; gives its name.
   * @throws SoundProblem when it is refused, missing or busy
   */
  async plugMicrophone(deviceId: string): Promise<string> {
    const live = this.stream?.getAudioTracks().some((track) => track.readyState === 'live');
    if (live && this.openDevice === deviceId) return this.stream!.getAudioTracks()[0]!.label;
    this.unplug();
    let stream: MediaStream;
    try {
      if (!navigator.mediaDevices) throw new DOMException('no media devices', 'NotFoundError');
      stream = await navigator.mediaDevices.getUserMedia({
        audio: {
          ...(deviceId && { deviceId: { exact: deviceId } }),
          echoCancellation: false,
          noiseSuppression: false,
          autoGainControl: false,
        },
      });
    } catch (error) {
      throw new SoundProblem(microphoneProblem(error));
    }
    const track = stream.getAudioTracks()[0]!;
    track.addEventListener('ended', () => {
      this.unplug();
      this.onTrouble?.('unplugged');
    });
    this.stream = stream;
    this.openDevice = deviceId;
    this.plug(this.context.createMediaStreamSource(stream));
    return track.label;
  }

  /** Plugs samples in and starts them at a context time; they are heard as well as captured. */
  plugSamples(buffer: AudioBuffer, atS: number, audible = true): void {
    this.unplug();
    const node = this.context.createBufferSource();
    node.buffer = buffer;
    this.plug(node);
    if (audible) node.connect(this.context.destination);
    node.start(Math.max(atS, this.context.currentTime), Math.max(0, this.context.currentTime - atS));
  }

  /** Plugs silence in, so that the ear's clock runs before samples start. */
  unplug(): void {
    this.source?.disconnect();
    if (this.source instanceof AudioBufferSourceNode) this.source.stop();
    this.stream?.getTracks().forEach((track) => track.stop());
    this.source = undefined;
    this.stream = undefined;
    this.openDevice = undefined;
  }

  private plug(node: AudioNode): void {
    this.source = node;
    node.connect(this.capture);
  }
}

function microphoneProblem(error: unknown): ProblemId {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'refused';
  if (name === 'NotFoundError' || name === 'OverconstrainedError') return 'missing';
  return name === 'NotReadableError' || name === 'AbortError' ? 'busy' : 'failed';
}

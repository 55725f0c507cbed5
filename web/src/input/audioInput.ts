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
/** Called when the worker has died by itself. */
let onDeath: (() => void) | undefined;

/** The ear's worker, started on first use. */
export function earService(): Remote<EarService> {
  if (!worker) {
    const fresh = new Worker(new URL('../practice/ear.worker.ts', import.meta.url), { type: 'module' });
    fresh.addEventListener('error', () => fresh === worker && onDeath?.());
    worker = fresh;
    service = wrap<EarService>(fresh);
  }
  return service!;
}

/** Ends the worker, whatever it is doing; the next use starts another. A desk joined to it must be opened anew. */
export function replaceEar(): void {
  worker?.terminate();
  worker = undefined;
  service = undefined;
}

/** Whether the worker answers within a time, milliseconds. */
export async function earAnswers(withinMs: number): Promise<boolean> {
  const late = new Promise<boolean>((resolve) => setTimeout(() => resolve(false), withinMs));
  return Promise.race([earService().ping(), late]).catch(() => false);
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
    onDeath = () => desk.onTrouble?.('earDead');
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

  /** Whether a microphone is plugged in, and whether it still gives sound: some end without saying so. */
  get microphone(): 'none' | 'live' | 'ended' {
    const track = this.stream?.getAudioTracks()[0];
    if (!track) return 'none';
    return track.readyState === 'live' ? 'live' : 'ended';
  }

  /** Lets everything go; the desk can't be used any more. */
  async close(): Promise<void> {
    this.unplug();
    this.onTrouble = undefined;
    if (this.context.state !== 'closed') await this.context.close();
  }

  /**
   * Plugs a microphone in, all of the browser's processing off; gives its name.
   * @param given up while the browser's question stands: a microphone that comes later is closed at once
   * @throws SoundProblem when it is refused, missing or busy
   */
  async plugMicrophone(deviceId: string, given?: AbortSignal): Promise<string> {
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
    if (given?.aborted) {
      stream.getTracks().forEach((one) => one.stop());
      throw new SoundProblem('failed');
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

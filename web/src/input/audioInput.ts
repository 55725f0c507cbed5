import { transfer } from 'comlink';
import captureUrl from './capture.worklet.ts?worker&url';
import type { Ear } from './ear';
import { LiveTrace } from './liveTrace';
import type { BlockMessage, LiveMessage } from './protocol';

/** What can be wrong with the sound. */
export type ProblemId =
  | 'refused'
  | 'missing'
  | 'insecure'
  | 'busy'
  | 'unplugged'
  | 'suspended'
  | 'noFile'
  | 'badFile'
  | 'failed'
  | 'earDead'
  /** before anything of the take could be kept */
  | 'earDeadAtOnce'
  | 'gaveWay';

/** A problem with the sound that the player can do something about. */
export class SoundProblem extends Error {
  constructor(readonly id: ProblemId) {
    super(id);
  }
}

/** A browser may take this long to wake its sound: Firefox takes most of a second, on a busy machine several. */
const WAKES_MS = 6000;

/**
 * Where sound comes in: one audio context, its capture worklet joined to the ear's worker, and whatever source is plugged in.
 * Make it in answer to a key or a click, else the browser keeps it silent.
 */
export class AudioInput {
  readonly trace = new LiveTrace();
  /** called when sound ends that should not have */
  onTrouble: ((problem: ProblemId) => void) | undefined;
  /** called when a microphone was opened or closed */
  onMicrophone: ((open: boolean) => void) | undefined;
  private stream: MediaStream | undefined;
  private source: AudioNode | undefined;
  private openDevice: string | undefined;

  private constructor(
    readonly context: AudioContext,
    private readonly capture: AudioNode,
  ) {
    context.addEventListener('statechange', () => {
      // A call, a lock screen, or a device that changes its rate: whoever needs the sound is told.
      if (context.state !== 'running') this.onTrouble?.('suspended');
    });
  }

  /** @param ear what it is joined to */
  static async open(ear: Ear): Promise<AudioInput> {
    const context = new AudioContext({ latencyHint: 'interactive' });
    const sound = new MessageChannel();
    const live = new MessageChannel();
    const input = new AudioInput(context, await captureTo(sound.port1, context));
    ear.onDeath = () => input.onTrouble?.('earDead');
    live.port1.onmessage = (event: MessageEvent<LiveMessage>) => input.trace.receive(event.data, context);
    await ear.ask.connect(transfer(sound.port2, [sound.port2]), transfer(live.port2, [live.port2]));
    return input;
  }

  /** Wakes the context. @throws SoundProblem when the browser keeps it asleep */
  async wake(): Promise<void> {
    if (this.context.state === 'running') return;
    await Promise.race([this.context.resume(), new Promise((resolve) => setTimeout(resolve, WAKES_MS))]);
    if ((this.context.state as string) !== 'running') throw new SoundProblem('suspended');
  }

  /** Whether the browser has closed it, as some do when the device changes its rate: it can't be woken any more. */
  get closed(): boolean {
    return this.context.state === 'closed';
  }

  /** Whether a microphone is plugged in, and whether it still gives sound: some end without saying so. */
  get microphone(): 'none' | 'live' | 'ended' {
    const track = this.stream?.getAudioTracks()[0];
    if (!track) return 'none';
    return track.readyState === 'live' ? 'live' : 'ended';
  }

  /** Lets everything go; the input can't be used any more. */
  async close(): Promise<void> {
    this.unplug();
    this.onTrouble = undefined;
    this.onMicrophone = undefined;
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
      if (!isSecureContext) throw new SoundProblem('insecure');
      const { mediaDevices } = navigator as Partial<Navigator>;
      if (!mediaDevices) throw new DOMException('no media devices', 'NotFoundError');
      stream = await mediaDevices.getUserMedia({
        audio: {
          ...(deviceId && { deviceId: { exact: deviceId } }),
          echoCancellation: false,
          noiseSuppression: false,
          autoGainControl: false,
        },
      });
    } catch (error) {
      throw error instanceof SoundProblem ? error : new SoundProblem(microphoneProblem(error));
    }
    if (given?.aborted) {
      stream.getTracks().forEach((getTrack) => getTrack.stop());
      throw new SoundProblem('failed');
    }
    const track = stream.getAudioTracks()[0]!;
    track.addEventListener('ended', () => {
      this.unplug();
      this.onTrouble?.('unplugged');
    });
    this.stream = stream;
    this.onMicrophone?.(true);
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
    if (this.stream) this.onMicrophone?.(false);
    this.source = undefined;
    this.stream = undefined;
    this.openDevice = undefined;
  }

  private plug(node: AudioNode): void {
    this.source = node;
    node.connect(this.capture);
  }
}

/** A node that hands what it hears to the port, in blocks on the context's clock. */
async function captureTo(port: MessagePort, context: AudioContext): Promise<AudioNode> {
  if (!isSecureContext) return captureOnPage(port, context);
  await context.audioWorklet.addModule(captureUrl);
  const capture = new AudioWorkletNode(context, 'capture', { numberOfOutputs: 0 });
  capture.port.postMessage(port, [port]);
  return capture;
}

/** Frames of a block that the page itself hands on. */
const PAGE_BLOCK = 1024;

/** The same where the browser gives no worklet, as on a page that came by plain http: the page's own thread hands it on. */
function captureOnPage(port: MessagePort, context: AudioContext): AudioNode {
  const capture = context.createScriptProcessor(PAGE_BLOCK, 1, 1);
  capture.onaudioprocess = ({ inputBuffer, playbackTime }) => {
    const samples = inputBuffer.getChannelData(0).slice();
    const firstSample = Math.round(playbackTime * context.sampleRate);
    const message: BlockMessage = { kind: 'block', firstSample, samples, atMs: Date.now() };
    port.postMessage(message, [samples.buffer]);
  };
  // It runs only while it leads somewhere; what it gives out is silence.
  capture.connect(context.destination);
  return capture;
}

function microphoneProblem(error: unknown): ProblemId {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'refused';
  if (name === 'NotFoundError' || name === 'OverconstrainedError') return 'missing';
  return name === 'NotReadableError' || name === 'AbortError' ? 'busy' : 'failed';
}

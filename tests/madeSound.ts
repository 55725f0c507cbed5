import type { Page } from '@playwright/test';
import { LIVE_FIELDS } from '../web/src/input/protocol';

/** What the made microphone hears, by the time since the ear began to listen, seconds; a little noise is always added. */
export interface MadeSound {
  /** JavaScript source, body of `(timeS: number) => number`: the sample at that time */
  readonly sampleAt: string;
  /** instead of it: 16-bit samples at the rate of the sound card, base64, then silence */
  readonly samples?: string;
  /** of the sound card */
  readonly rateHz?: number;
  /** what the question for the microphone comes to; `never` leaves it open */
  readonly microphone?: 'given' | 'refused' | 'missing' | 'never';
}

/**
 * Gives a page a sound card that is made: its clock runs as fast as the ear keeps up, whatever the machine, and its sound
 * goes block by block through the same port that the capture worklet uses. Everything else of the page is as it is.
 */
export async function withMadeSound(page: Page, sound: Partial<MadeSound> = {}): Promise<void> {
  await page.addInitScript(install, {
    sampleAt: 'return 0',
    samples: '',
    rateHz: 48_000,
    microphone: 'given' as const,
    fields: LIVE_FIELDS,
    ...sound,
  });
}

declare global {
  interface Window {
    /** the made microphone's track, once it was given */
    madeTrack: EventTarget & { readyState: string };
    /** with `free` the clock goes on whether the ear keeps up or not; `slow` lets it go at about a third of real time; `asleep` holds it, as a device that is gone does; `lose` lets it stand still for so long, seconds, while the wall clock goes on; `at` runs something when so much was heard, seconds */
    madeClock: {
      free: boolean;
      slow: boolean;
      asleep: boolean;
      lose(seconds: number): void;
      /** the state of all contexts, as the browser changes it: interrupted by a call, closed by another rate */
      state(to: string): void;
      /** the rate of contexts that are made from now on */
      rateHz: number;
      at(sinceHeardS: number, run: () => void): void;
    };
  }
}

/** Runs in the page, before any of its scripts. */
function install({ sampleAt, samples, rateHz, microphone, fields }: Required<MadeSound> & { fields: number }): void {
  /** of what is given, and of the card as it is now */
  const GIVEN_HZ = rateHz;
  let RATE_HZ = rateHz;
  /** of the capture worklet; as a whole second is heard in a tenth of one, four of them go at once */
  const BLOCK = 256;
  const LARGE_BLOCK = 1024;
  const LARGE_BLOCKS_A_TICK = 7;
  /** the clock waits while the ear is this far behind it */
  const BEHIND_S = 0.4;
  /** meanwhile it goes on by a block in so many ticks, twice a second: no sound card's clock stands still for a slow ear */
  const WAITING_TICKS = 32;
  const HOP_S = 0.01;
  const PICTURE_MS = 80;
  const heard = { listening: false, startedAtS: 0, upToS: 0 };
  const awaited: { readonly atS: number; readonly run: () => void }[] = [];
  const at = (atS: number, run: () => void) => void awaited.push({ atS, run });
  /** how far the made wall clock is ahead of the sound's, seconds; the microphone's sound goes on with it */
  let lostS = 0;
  const lose = (seconds: number) => void (lostS += seconds);
  const contexts = new Set<MadeContext>();
  const state = (to: string) => {
    for (const context of contexts) {
      context.state = to;
      context.dispatchEvent(new Event('statechange'));
    }
  };
  const clock = (window.madeClock = {
    free: false,
    slow: false,
    asleep: false,
    lose,
    state,
    get rateHz() {
      return RATE_HZ;
    },
    set rateHz(hz: number) {
      sample = Math.round((sample * hz) / RATE_HZ / BLOCK) * BLOCK;
      RATE_HZ = hz;
    },
    at,
  });

  // A slow screen: drawing without a graphics card would take a core of its own, and nothing here looks at single pictures.
  window.requestAnimationFrame = (run) => window.setTimeout(() => run(performance.now()), PICTURE_MS);
  window.cancelAnimationFrame = (id) => clearTimeout(id);

  // What goes to and from the ear's worker tells whether it listens and how far it is.
  const post = Worker.prototype.postMessage;
  Worker.prototype.postMessage = function (this: Worker, message: unknown, ...rest: never[]) {
    const path = (message as { path?: readonly string[] } | undefined)?.path?.join('.');
    if (path === 'begin') Object.assign(heard, { listening: true, startedAtS: -1 });
    if (path && ['finishTake', 'finishFree', 'finishFrames', 'finishLoop', 'stop'].includes(path))
      heard.listening = false;
    post.call(this, message, ...rest);
  } as typeof post;
  class Channel extends MessageChannel {
    constructor() {
      super();
      this.port1.addEventListener('message', ({ data }: MessageEvent<Record<string, never> | null>) => {
        if (!data) return;
        if (data['kind'] === 'started') heard.startedAtS = heard.upToS = Number(data['firstSample']) / RATE_HZ;
        const rows = data['rows'] as Float32Array | undefined;
        if (data['kind'] === 'frames' && rows) heard.upToS = heard.startedAtS + rows[rows.length - fields]! * HOP_S;
      });
    }
  }
  window.MessageChannel = Channel;

  /** Any node or parameter of the audio graph: it takes part in nothing. */
  const silent: unknown = new Proxy(function () {}, {
    get: (_, name) => (name === 'connect' ? () => silent : name === Symbol.toPrimitive ? () => 0 : silent),
    apply: () => silent,
    set: () => true,
  });

  class Source extends EventTarget {
    onended: (() => void) | null = null;
    buffer: AudioBuffer | null = null;
    loop = false;
    private startS = Infinity;
    private offsetS = 0;
    private captured = false;
    constructor(private readonly context: MadeContext) {
      super();
    }
    connect(to: unknown) {
      if (to instanceof Capture) this.captured = true;
      if (to instanceof Capture) to.sources.add(this);
      return to;
    }
    disconnect() {
      for (const capture of captures) capture.sources.delete(this);
    }
    start(atS = 0, offsetS = 0) {
      this.startS = Math.max(atS, this.context.currentTime);
      this.offsetS = offsetS;
      playing.add(this);
    }
    stop() {
      if (playing.delete(this)) setTimeout(() => this.onended?.(), 0);
    }
    addTo(samples: Float32Array, firstSample: number) {
      const sound = this.buffer?.getChannelData(0);
      if (!sound) return;
      const startSample = Math.round(this.startS * RATE_HZ);
      const offset = Math.round(this.offsetS * RATE_HZ) - startSample;
      const end = Math.min(samples.length, sound.length - offset - firstSample);
      for (let i = Math.max(0, startSample - firstSample); i < end; i++)
        samples[i]! += sound[firstSample + i + offset]!;
    }
    get endsS(): number {
      return this.startS + (this.buffer?.duration ?? 0) - this.offsetS;
    }
    tick(nowS: number) {
      if (!this.loop && nowS > this.endsS && !this.captured) this.stop();
    }
  }
  const given = samples && new Int16Array(Uint8Array.from(atob(samples), (char) => char.charCodeAt(0)).buffer);
  const soundAt = given
    ? (timeS: number) => (given[Math.round(timeS * GIVEN_HZ)] ?? 0) / 32768
    : (new Function('timeS', sampleAt) as (timeS: number) => number);
  let seed = 1;
  /** between -1 and 1, the same in every run */
  const random = () => (seed = Math.imul(seed, 1664525) + 1013904223) / 2 ** 31;
  class Microphone {
    constructor(private readonly track: { readyState: string }) {}
    connect(to: unknown) {
      if (to instanceof Capture) to.sources.add(this);
      return to;
    }
    disconnect() {
      for (const capture of captures) capture.sources.delete(this);
    }
    addTo(samples: Float32Array, firstSample: number) {
      for (let i = 0; i < samples.length; i++) {
        const sinceS = heard.startedAtS >= 0 ? (firstSample + i) / RATE_HZ - heard.startedAtS : -1;
        // A real input always carries noise.
        samples[i]! += (sinceS >= 0 ? soundAt(sinceS + lostS) : 0) + random() * 3e-4;
      }
    }
    get gone() {
      return this.track.readyState !== 'live';
    }
  }
  type Sounding = { addTo(samples: Float32Array, firstSample: number): void; readonly gone?: boolean };
  const playing = new Set<Source>();
  const captures = new Set<Capture>();

  class Capture {
    readonly sources = new Set<Sounding>();
    readonly port = { postMessage: (port: MessagePort) => (this.target = port) };
    target: MessagePort | undefined;
    constructor(private readonly context: MadeContext) {
      captures.add(this);
    }
    get live() {
      if (this.context.state !== 'running') return [];
      return [...this.sources].filter((source) => !source.gone);
    }
    block(firstSample: number, length: number) {
      if (!this.target) return;
      const samples = new Float32Array(length);
      for (const source of this.live) source.addTo(samples, firstSample);
      const atMs = 1e6 + 1000 * ((firstSample + length) / RATE_HZ + lostS);
      this.target.postMessage({ kind: 'block', firstSample, samples, atMs }, [samples.buffer]);
    }
  }

  let sample = 0;
  let ticks = 0;
  setInterval(() => {
    const capturing = [...captures].filter(({ live }) => live.length > 0);
    const waiting = heard.listening && !clock.free && capturing.length > 0;
    const starting = heard.startedAtS < 0;
    const behind = waiting && !starting && sample / RATE_HZ - heard.upToS > BEHIND_S;
    if (clock.asleep || (behind && ++ticks % WAITING_TICKS > 0)) return;
    // Until the ear has told where it starts, time goes slowly, so that its sound starts where the ear does.
    const slowly = clock.slow || behind || (waiting && starting);
    const length = slowly ? BLOCK : LARGE_BLOCK;
    for (let k = 0; k < (slowly ? 1 : LARGE_BLOCKS_A_TICK); k++, sample += length)
      for (const capture of capturing) capture.block(sample, length);
    for (const source of playing) source.tick(sample / RATE_HZ);
    if (!heard.listening || starting) return;
    const due = awaited.findIndex(({ atS }) => heard.startedAtS + atS <= sample / RATE_HZ);
    if (due >= 0) awaited.splice(due, 1)[0]!.run();
  }, 15);

  class MadeContext extends EventTarget {
    readonly sampleRate = RATE_HZ;
    constructor() {
      super();
      contexts.add(this);
    }
    readonly destination = silent;
    readonly baseLatency = 0;
    readonly outputLatency = 0;
    state = 'running';
    readonly audioWorklet = { addModule: () => Promise.resolve() };
    private readonly offline = new OfflineAudioContext(1, 1, RATE_HZ);
    get currentTime() {
      return sample / RATE_HZ;
    }
    resume = () => Promise.resolve(void (this.state === 'closed' || (this.state = 'running')));
    close = () => {
      contexts.delete(this);
      return Promise.resolve(void (this.state = 'closed'));
    };
    createBuffer = (channels: number, length: number, rate: number) =>
      this.offline.createBuffer(channels, length, rate);
    decodeAudioData = (bytes: ArrayBuffer) => this.offline.decodeAudioData(bytes);
    createBufferSource = () => new Source(this);
    createMediaStreamSource = (stream: { getAudioTracks(): { readyState: string }[] }) =>
      new Microphone(stream.getAudioTracks()[0]!);
    createOscillator = () => silent;
    createGain = () => silent;
    createPeriodicWave = () => silent;
  }
  Object.assign(window, { AudioContext: MadeContext, AudioWorkletNode: Capture, AudioBufferSourceNode: Source });

  const refusals = { refused: 'NotAllowedError', missing: 'NotFoundError' } as const;
  navigator.mediaDevices.getUserMedia = () => {
    if (microphone === 'never') return new Promise(() => undefined);
    if (microphone === 'refused' || microphone === 'missing')
      return Promise.reject(new DOMException('', refusals[microphone]));
    const track = Object.assign(new EventTarget(), { readyState: 'live', label: 'made', stop: () => undefined });
    track.stop = () => void (track.readyState = 'ended');
    window.madeTrack = track;
    return Promise.resolve({ getAudioTracks: () => [track], getTracks: () => [track] } as unknown as MediaStream);
  };
}

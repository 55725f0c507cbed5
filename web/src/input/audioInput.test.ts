// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AudioInput } from './audioInput';
import type { Ear } from './ear';

vi.mock('./capture.worklet.ts?worker&url', () => ({ default: 'capture.js' }));

class Context extends EventTarget {
  state = 'running';
  sampleRate = 48_000;
  currentTime = 1;
  destination = {};
  readonly audioWorklet = { addModule: () => Promise.resolve() };
  resume = () => Promise.resolve();
  close = () => Promise.resolve(void (this.state = 'closed'));
  createMediaStreamSource = () => ({ connect: vi.fn(), disconnect: vi.fn() });
  createScriptProcessor = () => ({ connect: vi.fn() });
}
class Track extends EventTarget {
  readyState = 'live';
  label = 'made microphone';
  stop = () => void (this.readyState = 'ended');
}

const ear = { ask: { connect: () => Promise.resolve() } } as unknown as Ear;
let tracks: Track[];
let asked: ReturnType<typeof vi.fn>;

/** A device that gives a microphone, or refuses it with an error of this name. */
function device(refusal?: string, whileAsked?: () => void) {
  asked = vi.fn(async () => {
    whileAsked?.();
    if (refusal) throw new DOMException('made', refusal);
    const track = new Track();
    tracks.push(track);
    return { getTracks: () => [track], getAudioTracks: () => [track] };
  });
  vi.stubGlobal('navigator', { mediaDevices: { getUserMedia: asked } });
}

beforeEach(() => {
  tracks = [];
  vi.stubGlobal('AudioContext', Context);
  vi.stubGlobal(
    'AudioWorkletNode',
    class {
      port = { postMessage: () => undefined };
    },
  );
  vi.stubGlobal('AudioBufferSourceNode', Track);
  vi.stubGlobal('isSecureContext', true);
});
afterEach(() => void vi.unstubAllGlobals());

describe('a microphone', () => {
  it('is asked for without any of the browser’s processing, and once', async () => {
    device();
    const input = await AudioInput.open(ear);
    const told: boolean[] = [];
    input.onMicrophone = (open) => told.push(open);
    expect(await input.plugMicrophone('a')).toBe('made microphone');
    await input.plugMicrophone('a');
    expect(asked).toHaveBeenCalledTimes(1);
    expect(asked).toHaveBeenCalledWith({
      audio: {
        deviceId: { exact: 'a' },
        ...{ echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      },
    });
    await input.plugMicrophone('b');
    expect(asked).toHaveBeenCalledTimes(2);
    expect(tracks.map(({ readyState }) => readyState)).toEqual(['ended', 'live']);
    input.unplug();
    expect(input.microphone).toBe('none');
    expect(told).toEqual([true, false, true, false]);
  });

  it.each([
    ['NotAllowedError', 'refused'],
    ['SecurityError', 'refused'],
    ['NotFoundError', 'missing'],
    ['OverconstrainedError', 'missing'],
    ['NotReadableError', 'busy'],
    ['AbortError', 'busy'],
    ['UnknownError', 'failed'],
  ])('%s is told as %s', async (name, id) => {
    device(name);
    const input = await AudioInput.open(ear);
    await expect(input.plugMicrophone('')).rejects.toMatchObject({ id });
    expect(input.microphone).toBe('none');
  });

  it('that comes after it was given up is closed at once', async () => {
    const given = new AbortController();
    device(undefined, () => given.abort());
    const input = await AudioInput.open(ear);
    await expect(input.plugMicrophone('', given.signal)).rejects.toMatchObject({ id: 'failed' });
    expect(tracks[0]!.readyState).toBe('ended');
  });

  it('that is pulled out is trouble, and one that ends without a word is seen', async () => {
    device();
    const input = await AudioInput.open(ear);
    const troubles: string[] = [];
    input.onTrouble = (problem) => troubles.push(problem);
    await input.plugMicrophone('');
    tracks[0]!.readyState = 'ended';
    expect(input.microphone).toBe('ended');
    tracks[0]!.dispatchEvent(new Event('ended'));
    expect(troubles).toEqual(['unplugged']);
  });

  it('on a page that came unprotected is said to be kept from it', async () => {
    device();
    vi.stubGlobal('isSecureContext', false);
    const input = await AudioInput.open(ear);
    await expect(input.plugMicrophone('')).rejects.toMatchObject({ id: 'insecure' });
    expect(asked).not.toHaveBeenCalled();
  });
});

describe('the audio clock', () => {
  it('that a call or a lock screen stops is trouble, until the input is closed', async () => {
    device();
    const input = await AudioInput.open(ear);
    const troubles: string[] = [];
    input.onTrouble = (problem) => troubles.push(problem);
    const context = input.context as unknown as Context;
    context.dispatchEvent(new Event('statechange'));
    expect(troubles).toEqual([]);
    context.state = 'interrupted';
    context.dispatchEvent(new Event('statechange'));
    expect(troubles).toEqual(['suspended']);
    await input.close();
    context.dispatchEvent(new Event('statechange'));
    expect(troubles).toEqual(['suspended']);
    expect(input.closed).toBe(true);
  });

  it('that does not wake is told, not waited for', async () => {
    vi.useFakeTimers();
    const input = await AudioInput.open(ear);
    const context = input.context as unknown as Context;
    context.state = 'suspended';
    context.resume = () => new Promise(() => undefined);
    const woken = expect(input.wake()).rejects.toMatchObject({ id: 'suspended' });
    await vi.advanceTimersByTimeAsync(6100);
    await woken;
    vi.useRealTimers();
  });
});

import { afterEach, describe, expect, it, vi } from 'vitest';
import { asLoudAs, Player, rms } from './playback';
import { Speaker } from './speaker';

const RATE_HZ = 1000;
const sound = (levelAt: (timeS: number) => number) => ({
  sampleRateHz: RATE_HZ,
  samples: Float32Array.from({ length: 4 * RATE_HZ }, (_, i) => levelAt(i / RATE_HZ) * Math.sin(i)),
});
const loudness = ({ samples }: { samples: Float32Array }, fromS: number, toS: number) =>
  rms(samples.subarray(fromS * RATE_HZ, toS * RATE_HZ));

it('one sound is as loud as another between two places, whatever they are elsewhere', () => {
  const soft = sound((t) => (t < 2 ? 0.05 : 0.4));
  const other = sound((t) => (t < 2 ? 0.2 : 0.01));
  expect(loudness(asLoudAs(soft, other, 0, 2), 0, 2)).toBeCloseTo(loudness(other, 0, 2), 4);
  expect(loudness(asLoudAs(soft, other, 2, 4), 2, 4)).toBeCloseTo(loudness(other, 2, 4), 4);
});

it('silence stays silence, and nothing is louder than full scale', () => {
  const silence = sound(() => 0);
  expect(
    rms(
      asLoudAs(
        silence,
        sound(() => 0.5),
        0,
        4,
      ).samples,
    ),
  ).toBe(0);
  const faint = asLoudAs(
    sound((t) => (t < 2 ? 0.001 : 0.9)),
    sound(() => 0.5),
    0,
    2,
  );
  expect(loudness(faint, 0, 2)).toBeLessThan(0.01);
  expect(Math.max(...faint.samples)).toBeLessThanOrEqual(1);
});

describe('players', () => {
  afterEach(() => vi.unstubAllGlobals());

  /** Contexts that wake when they are told to, and what sounds in them. */
  const speaker = new Speaker();
  function slowContexts() {
    const wakes: (() => void)[] = [];
    const sounding = new Set<object>();
    class Context {
      currentTime = 0;
      destination = {};
      private closed: (error: Error) => void = () => undefined;
      resume = () =>
        new Promise<void>((resolve, reject) => {
          wakes.push(resolve);
          this.closed = reject;
        });
      close = () => Promise.resolve(this.closed(new Error('closed before it could wake')));
      createBuffer = () => ({ copyToChannel: () => undefined });
      createBufferSource = () => {
        const node = {
          connect: () => undefined,
          start: () => void sounding.add(node),
          stop: () => void sounding.delete(node),
        };
        return node;
      };
    }
    vi.stubGlobal('AudioContext', Context);
    return { sounding, wake: () => wakes.splice(0).forEach((resolve) => resolve()) };
  }

  it('of two quick presses one sounds, and it can be stopped', async () => {
    const { sounding, wake } = slowContexts();
    const player = new Player(
      speaker,
      sound(() => 0.1),
      () => undefined,
    );
    const presses = [player.play(0), player.play(1)];
    wake();
    await Promise.all(presses);
    expect(sounding.size).toBe(1);
    player.pause();
    expect(sounding.size).toBe(0);
  });

  it('of two players the one pressed last sounds, whichever wakes first', async () => {
    const { sounding, wake } = slowContexts();
    const gaveWay: string[] = [];
    const [first, second] = ['first', 'second'].map(
      (name) =>
        new Player(
          speaker,
          sound(() => 0.1),
          () => gaveWay.push(name),
        ),
    );
    const presses = [first!.play(0), second!.play(0)];
    wake();
    await Promise.all(presses);
    expect(gaveWay).toEqual(['first']);
    expect(sounding.size).toBe(1);
    second!.pause();
    expect(sounding.size).toBe(0);
  });

  it('one that is closed while it wakes does not sound, and that is no failure', async () => {
    const { sounding, wake } = slowContexts();
    const player = new Player(
      speaker,
      sound(() => 0.1),
      () => undefined,
    );
    const press = player.play(0);
    player.close();
    wake();
    await press;
    expect(sounding.size).toBe(0);
  });

  it('one whose sound can’t wake fails', async () => {
    vi.stubGlobal(
      'AudioContext',
      class {
        resume = () => Promise.reject(new Error('no sound'));
      },
    );
    const player = new Player(
      speaker,
      sound(() => 0.1),
      () => undefined,
    );
    await expect(player.play(0)).rejects.toThrow('no sound');
  });
});

import { describe, expect, it } from 'vitest';
import { LIVE_FIELDS, NOT_YOURS, type BlockMessage, type LiveMessage, type RecorderSettings } from '../input/protocol';
import { earFunctions } from './earFunctions';

/** An ear with its two ends; `play` gives it a tone of so many seconds on the context's clock. */
function madeEar(rateHz: number, putAway: Parameters<typeof earFunctions>[0] = async () => undefined) {
  const told: LiveMessage[] = [];
  const sound: { onmessage?: (event: { data: BlockMessage }) => void } = {};
  const live = { postMessage: (message: LiveMessage) => told.push(message) };
  const ear = earFunctions(putAway);
  ear.connect(sound as unknown as MessagePort, live as unknown as MessagePort);
  let sample = 0;
  const at = (i: number) => 0.1 * Math.sin((2 * Math.PI * 220 * i) / rateHz);
  const play = (seconds: number) => {
    for (const endAt = sample + seconds * rateHz; sample < endAt; sample += 256) {
      const samples = Float32Array.from({ length: 256 }, (_, i) => at(sample + i));
      sound.onmessage?.({ data: { kind: 'block', firstSample: sample, samples, atMs: (1000 * sample) / rateHz } });
    }
  };
  const skip = (seconds: number) => void (sample += Math.round(seconds * rateHz));
  const common = { sampleRateHz: rateHz, minHz: 100, maxHz: 1000, zerosAreLoss: true };
  const listens: RecorderSettings = { ...common, retainS: 2 };
  const takes: RecorderSettings = { ...common, draftTakeId: 'a' };
  return { ear, told, play, skip, listens, takes };
}
const refused = expect.objectContaining({ name: NOT_YOURS }) as Error;

describe.each([44_100, 48_000])('recordings at %i Hz', (rateHz) => {
  it('are ended by who began them', () => {
    const { ear, play, listens } = madeEar(rateHz);
    const first = ear.begin(listens);
    play(0.5);
    const second = ear.begin(listens);
    play(0.5);
    ear.stop(first);
    expect(() => ear.finishFrames(first)).toThrow(refused);
    expect(() => ear.pickedUp(first)).toThrow(refused);
    play(0.5);
    expect(ear.pickedUp(second)).toEqual({ humHz: undefined, bandHz: undefined });
    ear.stop(second);
    expect(() => ear.finishLoop(second, [])).toThrow(refused);
  });

  it('a check does not take the place of a take, a take that of a check', () => {
    const { ear, play, listens, takes } = madeEar(rateHz);
    const check = ear.begin(listens);
    const take = ear.begin(takes);
    expect(() => ear.begin(listens)).toThrow(refused);
    play(0.3);
    expect(() => ear.finishFrames(check)).toThrow(refused);
    expect(ear.finishFrames(take).count).toBeGreaterThan(25);
    ear.begin(listens);
  });

  it('goes on hearing when it keeps but two seconds', () => {
    const { ear, told, play, listens } = madeEar(rateHz);
    ear.begin(listens);
    play(10);
    const last = told.at(-1) as Extract<LiveMessage, { kind: 'frames' }>;
    const row = last.rows.subarray(-LIVE_FIELDS);
    expect(row[0]).toBeGreaterThan(980);
    expect(Math.abs(1200 * Math.log2(row[1]! / 220))).toBeLessThan(1);
    expect(last.lost).toEqual([]);
  });

  it('tells where sound was lost while it goes on', () => {
    const { ear, told, play, skip, takes } = madeEar(rateHz);
    ear.begin(takes);
    play(1);
    skip(0.25);
    play(1);
    const { lost } = told.at(-1) as Extract<LiveMessage, { kind: 'frames' }>;
    expect(lost).toEqual([
      { atS: expect.closeTo(1, 1) as number, lastsS: expect.closeTo(0.25, 2) as number, how: 'hole' },
    ]);
  });

  it('puts the sound of a take away piece by piece, each once, also after one that failed', async () => {
    const pieces: number[] = [];
    let fails = 1;
    const { ear, told, play, takes } = madeEar(rateHz, async (takeId, samples) => {
      expect(takeId).toBe('a');
      if (fails-- > 0) throw new Error('no room left');
      pieces.push(samples.length);
    });
    ear.begin(takes);
    for (let i = 0; i < 8; i++) {
      play(0.25);
      await new Promise((resolve) => setTimeout(resolve, 0));
    }
    expect(told).toContainEqual({ kind: 'draftLost', reason: 'no room left' });
    const kept = pieces.reduce((sum, length) => sum + length, 0) / rateHz;
    // Of a take whose page is killed less than a second is lost.
    expect(kept).toBeGreaterThan(1.2);
    expect(kept).toBeLessThanOrEqual(2.05);
  });
});

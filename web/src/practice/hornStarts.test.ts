// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { SWELL_DEFAULTS } from '@inner-hum/core/families';
import { midiToHz } from '@inner-hum/core/theory';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FIRST_SETTINGS } from '../db/settings/settings';
import { Recording } from '../input/recording';
import { store } from '../store';
import { settingsLoaded } from '../store/settings';
import { untilPlayed } from './hornStarts';
import { madePage } from '../testing/madePage';

const next = { ...SWELL_DEFAULTS, instrumentId: 'alto', writtenMidi: 67 } as const;
const again = { ...next, writtenMidi: 71 };
/** An alto sounds nine semitones lower than it is written. */
const toneOf = (writtenMidi: number) => (atS: number) => 0.1 * Math.sin(2 * Math.PI * midiToHz(writtenMidi - 9) * atS);

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'performance'] });
  store.dispatch(settingsLoaded({ ...FIRST_SETTINGS, exercise: next, instrumentId: 'alto' }));
});
afterEach(() => void vi.useRealTimers());

describe.each([44_100, 48_000])('the horn starts the next take, at %i Hz', (rateHz) => {
  const listening = (microphone: 'live' | 'none' = 'live') => {
    const page = madePage(rateHz);
    page.card.microphone = microphone;
    page.card.run();
    const stop = new AbortController();
    let heard: number | 'nothing' | undefined;
    void untilPlayed(page, [next, again], stop.signal).then((at) => (heard = at ?? 'nothing'));
    const play = async (seconds: number, signal: (atS: number) => number = () => 0) => {
      page.card.signal = signal;
      await vi.advanceTimersByTimeAsync(1000 * seconds);
    };
    return { page, stop, play, heard: () => heard };
  };

  it.each([
    [next.writtenMidi, 0],
    [again.writtenMidi, 1],
  ])('note %i is the exercise at %i', async (note, at) => {
    const { play, heard } = listening();
    await play(0.6);
    await play(0.5, toneOf(note));
    expect(heard()).toBeUndefined();
    await play(0.5, toneOf(note));
    expect(heard()).toBe(at);
  });

  it('is heard after a long pause as after a short one', async () => {
    const { play, heard } = listening();
    await play(20);
    await play(1, toneOf(next.writtenMidi));
    expect(heard()).toBe(0);
  });

  it('another note, and the sound of the page itself, are not answered', async () => {
    const { page, stop, play, heard } = listening();
    await play(0.6);
    await play(1, toneOf(next.writtenMidi + 2));
    const playback = {};
    page.speaker.began(playback);
    await play(0.6);
    await play(1, toneOf(next.writtenMidi));
    expect(heard()).toBeUndefined();
    page.speaker.isOver(playback);
    await play(0.6);
    stop.abort();
    await play(0.2);
    expect(heard()).toBe('nothing');
  });

  it('without a microphone nothing is waited for', async () => {
    const { play, heard } = listening('none');
    await play(0.1);
    expect(heard()).toBe('nothing');
  });

  it('a take that begins meanwhile has the ear', async () => {
    const { page, play, heard } = listening();
    await play(0.6);
    const range = { minHz: 100, maxHz: 1000, sampleRateHz: rateHz, zerosAreLoss: true };
    const take = await Recording.begin(page.ear, { ...range, draftTakeId: 'a' });
    // What is played now is the take's, whatever else still listens.
    await play(0.5, toneOf(440));
    await expect(take.finishFrames()).resolves.toMatchObject({ count: expect.any(Number) as number });
    expect(heard()).toBeUndefined();
  });
});

// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById, SWELL_DEFAULTS, usualExercise } from '@inner-hum/core/families';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { database } from '../db/database';
import { draftIds } from '../db/drafts';
import { wholeTake } from '../db/takes';
import { FIRST_SETTINGS } from '../db/settings/settings';
import { SoundProblem } from '../input/audioInput';
import { store } from '../store';
import { cameToNothing, isBusy, problemMet, stopAsked, troubleMet } from '../store/practice';
import { settingsChanged, settingsLoaded } from '../store/settings';
import { madePage } from '../testing/madePage';
import { playTake, type TakeOutcome } from './runTake';

/** Four beats of half a second, after four to count in. */
const exercise = { ...SWELL_DEFAULTS, instrumentId: 'alto', beats: 4, tempoBpm: 120 } as const;
const practice = () => store.getState().practice;

/** Lets time pass, in steps, until the outcome is there; at most so many seconds. */
async function within<T>(seconds: number, asked: Promise<T>): Promise<T> {
  let outcome: { readonly value: T } | undefined;
  void asked.then((value) => (outcome = { value }));
  for (let passed = 0; !outcome && passed < seconds; passed += 0.1) await vi.advanceTimersByTimeAsync(100);
  if (!outcome) throw new Error(`nothing within ${seconds} s; the take is ${practice().phase}`);
  return outcome.value;
}
const phaseIs = (phase: string) =>
  within(
    20,
    (async () => {
      while (practice().phase !== phase) await new Promise((resolve) => setTimeout(resolve, 5));
    })(),
  );

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'performance', 'Date'] });
  store.dispatch(
    settingsLoaded({ ...FIRST_SETTINGS, exercise, source: 'standIn', habit: 'clean', clickOn: false, startOn: 'beat' }),
  );
});
afterEach(async () => {
  if (isBusy(practice())) store.dispatch(cameToNothing(null));
  store.dispatch(problemMet(null));
  vi.useRealTimers();
  await Promise.all(database.tables.map((table) => table.clear()));
});

describe.each([44_100, 48_000])('a take at %i Hz', (rateHz) => {
  it('of the stand-in is heard, judged and kept, and leaves no draft', async () => {
    const page = madePage(rateHz);
    page.card.run();
    const outcome = await within(20, playTake(page));
    page.card.stop();
    expect(outcome).toMatchObject({ kind: 'kept', ending: 'score', record: { cut: false } });
    const { record } = outcome as Extract<TakeOutcome, { kind: 'kept' }>;
    expect(record.verdict.findings.map((finding) => finding.id)).toEqual(['even']);
    expect((await wholeTake(record.id))?.record.measures).toHaveLength(1);
    expect(await draftIds()).toEqual([]);
    expect(practice()).toMatchObject({ phase: 'verdict', problem: null });
    expect(page.timing).toBeUndefined();
  });
});

it('a last tone without a set end is waited for through the rests before it', async () => {
  const held: ExerciseParameters = {
    ...usualExercise(familyById('crossingBreak'), 'alto'),
    ...{ beats: 1, holdBeats: 2, restBeats: 4, lastNote: 'asItHolds', tempoBpm: 120 },
  };
  store.dispatch(settingsLoaded({ ...store.getState().settings, exercise: held }));
  const page = madePage();
  page.card.run();
  const outcome = await within(40, playTake(page));
  page.card.stop();
  const { record } = outcome as Extract<TakeOutcome, { kind: 'kept' }>;
  expect(record.measures.map(({ kind }) => kind)).toEqual(Array(5).fill('sounded'));
  expect(record.verdict.findings.map(({ id }) => id)).toContain('held');
});

describe('a take that ends otherwise', () => {
  const microphone = () => {
    store.dispatch(settingsLoaded({ ...store.getState().settings, source: 'microphone' }));
    const page = madePage();
    page.card.run();
    return page;
  };

  it('stopped in its count-in leaves nothing', async () => {
    const page = madePage();
    page.card.run();
    const taken = playTake(page);
    await phaseIs('countIn');
    store.dispatch(stopAsked());
    expect(await within(5, taken)).toEqual({ kind: 'nothingPlayed', ending: 'stopped' });
    expect(await draftIds()).toEqual([]);
  });

  it('stopped after its third beat is kept, cut', async () => {
    const page = madePage();
    page.card.run();
    const taken = playTake(page);
    await phaseIs('running');
    await vi.advanceTimersByTimeAsync(1600);
    store.dispatch(stopAsked());
    expect(await within(10, taken)).toMatchObject({ kind: 'kept', ending: 'stopped', record: { cut: true } });
  });

  it.each([
    ['at once: nothing is kept, and that is said', 100, 'earDeadAtOnce', 0],
    ['later on: what had been put away is kept, and that is said', 1700, 'earDead', 1],
  ])('an ear that dies %s', async (_, afterMs, problem, kept) => {
    const page = madePage();
    page.card.run();
    const taken = playTake(page);
    await phaseIs('running');
    await vi.advanceTimersByTimeAsync(afterMs);
    store.dispatch(troubleMet('earDead'));
    expect(await within(10, taken)).toMatchObject({ kind: 'notKept' });
    expect(practice().problem).toBe(problem);
    expect(await database.takes.count()).toBe(kept);
    expect(await draftIds()).toEqual([]);
  });

  it('a microphone that is refused is told, and nothing is kept', async () => {
    const page = microphone();
    page.card.refusal = new SoundProblem('refused');
    expect(await within(5, playTake(page))).toMatchObject({ kind: 'notKept' });
    expect(practice()).toMatchObject({ phase: 'idle', problem: 'refused' });
    expect(await draftIds()).toEqual([]);
  });

  it('a clock that stops is told, and what was heard is kept', async () => {
    const page = microphone();
    const taken = playTake(page);
    page.card.signal = (atS) => 0.1 * Math.sin(2 * Math.PI * 233.08 * atS);
    await phaseIs('running');
    await vi.advanceTimersByTimeAsync(1500);
    page.card.stands = true;
    expect(await within(20, taken)).toMatchObject({ kind: 'kept', record: { cut: true } });
    expect(practice().problem).toBe('suspended');
  });

  it('one that can not be stored is held, and offered again', async () => {
    const fails = () => {
      throw new Error('made to fail');
    };
    database.takes.hook('creating', fails);
    const page = madePage();
    page.card.run();
    expect(await within(20, playTake(page))).toMatchObject({ kind: 'notKept' });
    database.takes.hook('creating').unsubscribe(fails);
    expect(page.unstored.size).toBe(1);
    const [unkept] = store.getState().drafts.unkept;
    expect(page.unstored.has(unkept!.takeId)).toBe(true);
    expect(unkept).toMatchObject({ why: 'failed', detail: 'made to fail' });
  });

  it('given up while the sound opens, is not waited for', async () => {
    const page = madePage();
    page.card.input.wake = () => new Promise(() => undefined);
    const taken = playTake(page);
    await vi.advanceTimersByTimeAsync(50);
    store.dispatch(stopAsked());
    expect(await within(2, taken)).toMatchObject({ kind: 'notKept' });
    expect(practice()).toMatchObject({ phase: 'idle', problem: null });
  });
});

describe('a take whose first tone is beat one', () => {
  const toned = () => {
    store.dispatch(settingsLoaded({ ...store.getState().settings, source: 'microphone', startOn: 'sound' }));
    const page = madePage();
    page.card.run();
    return page;
  };

  it('begins with it, however late', async () => {
    const page = toned();
    const taken = playTake(page);
    await phaseIs('waiting');
    await vi.advanceTimersByTimeAsync(5000);
    expect(practice().phase).toBe('waiting');
    const fromS = page.card.input.context.currentTime;
    page.card.signal = (atS) => (atS < fromS ? 0 : 0.1 * Math.sin(2 * Math.PI * 233.08 * atS));
    await phaseIs('running');
    expect(page.timing!.firstBeatAtS).toBeCloseTo(fromS, 1);
    expect(await within(20, taken)).toMatchObject({ kind: 'kept', ending: 'score' });
  });

  describe.each([true, false])('with the metronome on: %s', (clickOn) => {
    beforeEach(() => void store.dispatch(settingsChanged({ clickOn })));

    it('is given up when no tone comes', async () => {
      const page = toned();
      const taken = playTake(page);
      await phaseIs('waiting');
      expect(await within(70, taken)).toEqual({ kind: 'nothingPlayed', ending: 'silence' });
      expect(await draftIds()).toEqual([]);
    });

    it('stopped before a tone has come leaves nothing, and the next one begins', async () => {
      const page = toned();
      const taken = playTake(page);
      await phaseIs('waiting');
      store.dispatch(stopAsked());
      expect(await within(5, taken)).toEqual({ kind: 'nothingPlayed', ending: 'stopped' });
      const next = playTake(page);
      await phaseIs('waiting');
      store.dispatch(stopAsked());
      await within(5, next);
    });
  });
});

describe('a take that goes on by ear', () => {
  const ladder = {
    ...usualExercise(familyById('overtoneLadder'), 'alto'),
    ...{ top: 2, repeats: 1, goesOn: 'clear1' },
  };
  /** D♭3, what the lowest note of most altos sounds. */
  const ONE_HZ = 138.59;
  const led = (exercise: ExerciseParameters) => {
    store.dispatch(
      settingsLoaded({ ...store.getState().settings, exercise, source: 'microphone', startOn: 'beat', clickOn: true }),
    );
    const page = madePage();
    page.card.run();
    return page;
  };

  it('waits for each tone as long as it takes, and keeps how long that was', async () => {
    const page = led(ladder);
    const taken = playTake(page);
    // However the player likes to begin: there is nothing to count in.
    await phaseIs('waiting');
    const fromS = page.card.input.context.currentTime + 0.2;
    const partialAt = (s: number) => (s < 1.4 ? 1 : s < 4.4 ? 3 : 2);
    page.card.signal = (atS) => (atS < fromS ? 0 : 0.1 * Math.sin(2 * Math.PI * ONE_HZ * partialAt(atS - fromS) * atS));
    await phaseIs('running');
    await vi.advanceTimersByTimeAsync(3000);
    expect(page.led!.tones).toHaveLength(1);
    expect(page.led!.step).toMatchObject({ partialNumber: 2 });
    const outcome = await within(20, taken);
    expect(outcome).toMatchObject({ kind: 'kept', ending: 'score', record: { cut: false, onBeat: false } });
    const { record } = outcome as Extract<TakeOutcome, { kind: 'kept' }>;
    expect(record.score.steps).toHaveLength(2);
    expect(record.score.steps[1]!.foundAfterS).toBeGreaterThan(3);
    expect(record.score.steps[1]!.foundAfterS).toBeLessThan(3.7);
    expect(record.verdict.findings.map(({ id }) => id)).toContain('cleared');
    expect(page.led).toBeUndefined();
  });

  it('stopped before all are clear is kept as far as it came', async () => {
    const page = led(ladder);
    const taken = playTake(page);
    await phaseIs('waiting');
    page.card.signal = (atS) => 0.1 * Math.sin(2 * Math.PI * ONE_HZ * atS);
    await phaseIs('running');
    await vi.advanceTimersByTimeAsync(5000);
    store.dispatch(stopAsked());
    const outcome = await within(10, taken);
    expect(outcome).toMatchObject({ kind: 'kept', ending: 'stopped', record: { cut: true } });
    const { record } = outcome as Extract<TakeOutcome, { kind: 'kept' }>;
    expect(record.score.steps.map(({ partialNumber }) => partialNumber)).toEqual([1, 2]);
    expect((await wholeTake(record.id))?.record.score).toEqual(record.score);
  });
});

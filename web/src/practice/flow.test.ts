import { familyById, ownExerciseKey, usualExercise } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { dayOf } from '../base/days';
import { FIRST_SETTINGS } from '../db/settings/settings';
import { store } from '../store';
import { freePlayAsked, goOnAsked, isPausing, pauseEnded, cameToNothing, stopAsked } from '../store/practice';
import { settingsChanged, settingsLoaded } from '../store/settings';
import { leave, startFlow, startQueue } from './flow';
import { madePage } from '../testing/madePage';
import { blockQueue } from './queue';
import { playTake, type TakeOutcome } from './runTake';

vi.mock('./runTake', () => ({ playTake: vi.fn() }));
const page = madePage();
const played = vi.mocked(playTake);

const swell = usualExercise(familyById('swell'), 'alto');
const others = [swell, { ...swell, writtenMidi: 69 }, { ...swell, writtenMidi: 71 }];
const practice = () => store.getState().practice;
const exercise = () => store.getState().settings.exercise;
const kept = (decision: Decision, ending: TakeOutcome['ending'] = 'score', findings: object[] = []): TakeOutcome => ({
  kind: 'kept',
  ending,
  record: {
    parameters: exercise(),
    verdict: { decision, findings, next: { change: 'fasterTempo', parameters: { tempoBpm: 66 } } },
  } as unknown as TakeRecord,
});
const outcomes = (...made: (() => TakeOutcome)[]) => {
  for (const entry of made) played.mockImplementationOnce(async () => entry());
};
const stopped = (): TakeOutcome => ({ kind: 'nothingPlayed', ending: 'stopped' });
const pausing = () => vi.waitFor(() => expect(isPausing(practice())).toBe(true));

beforeEach(() => {
  vi.useFakeTimers();
  played.mockReset();
  store.dispatch(settingsLoaded({ ...FIRST_SETTINGS, exercise: swell, block: others }));
  store.dispatch(cameToNothing(null));
  store.dispatch(pauseEnded());
});
afterEach(() => void vi.useRealTimers());

describe('one take', () => {
  it('is one, when nothing is to follow by itself', async () => {
    outcomes(() => kept('again'));
    await startFlow(page);
    expect(played).toHaveBeenCalledTimes(1);
    expect(isPausing(practice())).toBe(false);
  });
  it('after a silence waits for the player and is played again', async () => {
    outcomes(() => ({ kind: 'nothingPlayed', ending: 'silence' }), stopped);
    const flow = startFlow(page);
    await pausing();
    expect(practice().pause?.before).toBe('player');
    await vi.advanceTimersByTimeAsync(600_000);
    expect(played).toHaveBeenCalledTimes(1);
    store.dispatch(goOnAsked());
    await flow;
    expect(played).toHaveBeenCalledTimes(2);
  });
});

describe('takes that follow by themselves', () => {
  beforeEach(() => void store.dispatch(settingsChanged({ goesOn: true })));
  it('play the next step after the pause, until the judge says leave it', async () => {
    outcomes(
      () => kept('again'),
      () => kept('leave'),
    );
    const flow = startFlow(page);
    await pausing();
    await vi.runAllTimersAsync();
    await flow;
    expect(played).toHaveBeenCalledTimes(2);
    expect(exercise().tempoBpm).toBe(66);
  });
  it.each<[string, () => TakeOutcome]>([
    ['the player stopped', () => kept('again', 'stopped')],
    ['nothing was heard', () => kept('again', 'score', [{ id: 'nothingHeard' }])],
    ['there is no take', () => ({ kind: 'notKept', ending: 'trouble' })],
  ])('end where %s', async (_, outcome) => {
    outcomes(outcome);
    await startFlow(page);
    expect(played).toHaveBeenCalledTimes(1);
  });
  it('end when free play begins in the pause, and do not come back', async () => {
    outcomes(() => kept('again'));
    const flow = startFlow(page);
    await pausing();
    store.dispatch(freePlayAsked());
    await flow;
    await vi.runAllTimersAsync();
    expect(played).toHaveBeenCalledTimes(1);
    expect(practice().phase).toBe('opening');
  });
  it('are not begun twice: a second start in the pause plays nothing', async () => {
    outcomes(() => kept('again'), stopped);
    const flow = startFlow(page);
    await pausing();
    await startFlow(page);
    expect(played).toHaveBeenCalledTimes(1);
    store.dispatch(stopAsked());
    await flow;
  });
});

describe('a block', () => {
  const run = async () => {
    const queue = startQueue(page, blockQueue());
    for (let turn = 0; turn < 6; turn++) await vi.runAllTimersAsync();
    return queue;
  };
  it('plays one after the other and is over', async () => {
    const notes: unknown[] = [];
    played.mockImplementation(async () => (notes.push(exercise()['writtenMidi']), kept('again')));
    await run();
    expect(notes).toEqual(others.map((other) => other.writtenMidi));
    expect(practice().block).toBeNull();
  });
  it('leaves out what was left for today, and goes on when one is left in its take', async () => {
    store.dispatch(settingsChanged({ left: { [ownExerciseKey(others[0]!)]: dayOf(new Date()) } }));
    const notes: unknown[] = [];
    played.mockImplementation(async () => {
      notes.push(exercise()['writtenMidi']);
      leave();
      return { kind: 'nothingPlayed', ending: 'left' };
    });
    await run();
    expect(notes).toEqual([69, 71]);
  });
  it('ends with a stop, in a take or in the pause', async () => {
    outcomes(stopped);
    await run();
    expect(played).toHaveBeenCalledTimes(1);
    outcomes(() => kept('again'));
    const queue = startQueue(page, blockQueue());
    await pausing();
    store.dispatch(stopAsked());
    await queue;
    expect(played).toHaveBeenCalledTimes(2);
    expect(practice().block).toBeNull();
  });
  it('after a silence asks, and tries the same again', async () => {
    const notes: unknown[] = [];
    played.mockImplementation(async () => {
      notes.push(exercise()['writtenMidi']);
      return notes.length === 1 ? { kind: 'nothingPlayed', ending: 'silence' } : stopped();
    });
    const queue = startQueue(page, blockQueue());
    await pausing();
    store.dispatch(goOnAsked());
    await queue;
    expect(notes).toEqual([67, 67]);
  });
});

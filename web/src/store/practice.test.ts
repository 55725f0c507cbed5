import { type ExerciseParameters } from '@inner-hum/core/exercise';
import { FAMILIES, familyById, ownExerciseKey, usualExercise } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import type { Action } from '@reduxjs/toolkit';
import { describe, expect, it } from 'vitest';
import {
  awayFrom,
  blockMoved,
  cameToNothing,
  ended,
  freePlayAsked,
  goOnAsked,
  isBusy,
  isPausing,
  judged,
  leaveAsked,
  microphoneIs,
  moved,
  pauseBegan,
  pauseEnded,
  practiceReducer,
  problemMet,
  standLeft,
  stopAsked,
  takeAsked,
  troubleMet,
  verdictLeft,
  type PracticeState,
} from './practice';

const swell = usualExercise(familyById('swell'), 'alto');
const first = practiceReducer(undefined, { type: 'none' });
const onto = (state: PracticeState, ...events: Action[]) => events.reduce(practiceReducer, state);
const from = (...events: Action[]) => onto(first, ...events);
const take = (parameters: ExerciseParameters, decision: Decision) =>
  ({
    parameters,
    verdict: { decision, findings: [], next: { change: 'none', parameters: {} } },
  }) as unknown as TakeRecord;
const after = (...takes: TakeRecord[]) => takes.reduce((state, next) => practiceReducer(state, judged(next)), first);

describe('leaving the Stand', () => {
  it.each<[string, Action[], boolean]>([
    ['while it opens gives it up', [takeAsked()], true],
    ['while it runs stops it', [takeAsked(), moved('countIn'), moved('running')], false],
    ['while it is judged lets it be kept', [takeAsked(), moved('countIn'), moved('running'), moved('judging')], false],
  ])('%s', (_, events, givenUp) => expect(from(...events, standLeft())).toMatchObject({ ending: 'stopped', givenUp }));
  it('with nothing running ends what would follow', () =>
    expect(from(pauseBegan('next'), standLeft()).pause?.answer).toBe('end'));
});

it('free play and a take are told apart, and each is a run of its own', () => {
  expect(from(freePlayAsked())).toMatchObject({ freely: true, run: 1 });
  expect(from(freePlayAsked(), cameToNothing(null), takeAsked())).toMatchObject({ freely: false, run: 2 });
});

it('whether a microphone is open is known', () => {
  expect(first.microphoneOpen).toBe(false);
  expect(from(microphoneIs(true)).microphoneOpen).toBe(true);
});

describe('decisions of a sitting', () => {
  it('add up over tries at one thing, easier or harder', () => {
    const state = after(take(swell, 'again'), take({ ...swell, beats: 12, softest: 'pp', tempoBpm: 72 }, 'harder'));
    expect(state.decisions).toEqual(['again', 'harder']);
    expect(state.phase).toBe('verdict');
  });
  it.each([
    ['note', { writtenMidi: 69 }],
    ['shape', { shape: 'grow' }],
    ['horn', { instrumentId: 'tenor' }],
  ])('begin anew with another %s', (_, change) => {
    const state = after(take(swell, 'again'), take({ ...swell, ...change } as ExerciseParameters, 'easier'));
    expect(state.decisions).toEqual(['easier']);
  });
  it('every family’s key holds its name and its horn', () => {
    for (const family of FAMILIES) {
      const key = ownExerciseKey(usualExercise(family, 'tenor'));
      expect(key.startsWith(`tenor ${family.id}`)).toBe(true);
      expect(key).not.toContain('undefined');
    }
  });
});

const kept = judged(take(swell, 'again'));
const opening = from(takeAsked());
const countIn = onto(opening, moved('countIn'));
const waiting = onto(opening, moved('waiting'));
const running = onto(countIn, moved('running'));
const judging = onto(running, ended('score'), moved('judging'));
const verdict = onto(judging, kept);
const free = from(freePlayAsked(), moved('free'));
const block = { index: 0, count: 3, next: swell };
const states = { first, opening, countIn, waiting, running, judging, verdict, free };
type Name = keyof typeof states;

describe('a take from its start to its verdict', () => {
  it('goes by count-in, score and judge', () =>
    expect([opening, countIn, running, judging, verdict].map((state) => state.phase)).toEqual([
      'opening',
      'countIn',
      'running',
      'judging',
      'verdict',
    ]));
  it('may wait for a first tone', () => expect(onto(waiting, moved('running')).phase).toBe('running'));
  it('begins without what was wrong before', () =>
    expect(onto({ ...verdict, problem: 'busy', ending: 'trouble', givenUp: true, earDied: true }, takeAsked())).toEqual(
      {
        ...verdict,
        phase: 'opening',
        run: verdict.run + 1,
        ending: null,
      },
    ));
  it.each<Name>(['opening', 'countIn', 'waiting', 'running', 'judging', 'free'])('is not begun twice: %s', (name) => {
    expect(onto(states[name], takeAsked())).toBe(states[name]);
    expect(onto(states[name], freePlayAsked())).toBe(states[name]);
  });
  it.each<[Name, Parameters<typeof moved>[0]]>([
    ['first', 'running'],
    ['verdict', 'countIn'],
    ['verdict', 'judging'],
    ['free', 'running'],
    ['running', 'countIn'],
    ['judging', 'running'],
  ])('what arrives late changes nothing: %s is not moved to %s', (name, to) =>
    expect(onto(states[name], moved(to))).toBe(states[name]),
  );
  it('its verdict is put away for another exercise, nothing else is', () => {
    expect(onto(verdict, verdictLeft()).phase).toBe('idle');
    expect(onto(running, verdictLeft())).toBe(running);
  });
});

describe('what ends it', () => {
  it.each<Name>(['countIn', 'waiting', 'running', 'free'])('the player stops: %s', (name) => {
    const { ending, givenUp, phase } = onto(states[name], stopAsked());
    expect([ending, givenUp, phase]).toEqual(['stopped', false, states[name].phase]);
  });
  it.each<Name>(['opening', 'judging'])('the player stops what may never answer: %s is given up', (name) =>
    expect(onto(states[name], stopAsked())).toMatchObject({ ending: 'stopped', givenUp: true }),
  );
  it('Space twice while it opens gives up once', () =>
    expect(onto(opening, stopAsked(), stopAsked())).toEqual(onto(opening, stopAsked())));
  it('a stop where nothing runs changes nothing', () => expect(onto(first, stopAsked())).toBe(first));
  it('of two ends by itself the first counts, and the player above both', () => {
    expect(onto(running, ended('silence'), ended('score')).ending).toBe('silence');
    expect(onto(running, ended('score'), stopAsked()).ending).toBe('stopped');
    expect(onto(first, ended('silence'))).toBe(first);
  });
  it('leaving it for today', () =>
    expect(onto(running, leaveAsked())).toMatchObject({ ending: 'left', givenUp: false }));
  it('stopped before anything was heard, it comes to nothing and says nothing', () =>
    expect(onto(countIn, stopAsked(), cameToNothing(null))).toMatchObject({ phase: 'idle', problem: null }));
});

describe('trouble', () => {
  it('a lost microphone ends the tone and is told', () =>
    expect(onto(running, troubleMet('unplugged'))).toMatchObject({ ending: 'trouble', problem: 'unplugged' }));
  it('a microphone lost while it is judged takes nothing from the verdict', () => {
    const state = onto(judging, troubleMet('unplugged'));
    expect(state).toMatchObject({ ending: 'score', givenUp: false, phase: 'judging' });
    expect(onto(state, kept).phase).toBe('verdict');
  });
  it('an ear that dies while it judges is not waited for', () =>
    expect(onto(judging, troubleMet('earDead'))).toMatchObject({ givenUp: true, earDied: true }));
  it('an ear that died stays dead whatever else is told', () =>
    expect(onto(running, troubleMet('earDead'), troubleMet('unplugged'))).toMatchObject({ earDied: true }));
  it('where nothing runs it is no trouble', () => expect(onto(verdict, troubleMet('suspended'))).toBe(verdict));
  it('a start that failed says why, and what was told before stays told', () => {
    expect(onto(opening, cameToNothing('refused'))).toMatchObject({ phase: 'idle', problem: 'refused' });
    expect(onto(running, troubleMet('suspended'), cameToNothing(null)).problem).toBe('suspended');
    expect(onto(opening, cameToNothing('refused'), problemMet(null)).problem).toBeNull();
  });
});

describe('the pause between two takes', () => {
  const pausing = onto(verdict, pauseBegan('next'));
  it('is none while something runs', () => expect(onto(running, pauseBegan('next'))).toBe(running));
  it('goes on or ends, once', () => {
    expect(isPausing(pausing)).toBe(true);
    const goes = onto(pausing, goOnAsked());
    expect(goes.pause).toEqual({ before: 'next', answer: 'goOn' });
    expect(onto(goes, stopAsked())).toBe(goes);
    expect(onto(pausing, stopAsked()).pause?.answer).toBe('end');
    expect(isPausing(onto(goes, pauseEnded()))).toBe(false);
  });
  it('no other take begins in it: the next start is its answer', () =>
    expect(onto(pausing, takeAsked())).toBe(pausing));
  it('free play ends it', () =>
    expect(onto(pausing, freePlayAsked())).toMatchObject({ phase: 'opening', pause: { answer: 'end' } }));
  it('leaving goes on in a block and ends without one', () => {
    expect(onto(pausing, leaveAsked()).pause?.answer).toBe('end');
    expect(onto(pausing, blockMoved(block), leaveAsked()).pause?.answer).toBe('goOn');
  });
  it('after a silence waits for the player', () => {
    const silent = onto(running, ended('silence'), cameToNothing(null), pauseBegan('player'));
    expect(silent.pause?.before).toBe('player');
    expect(onto(silent, goOnAsked(), pauseEnded(), takeAsked()).phase).toBe('opening');
  });
  it('without one there is nothing to answer', () => expect(onto(verdict, goOnAsked(), leaveAsked())).toBe(verdict));
});

it('busy are all phases but two', () =>
  expect(Object.entries(states).flatMap(([name, state]) => (isBusy(state) ? [] : [name]))).toEqual([
    'first',
    'verdict',
  ]));

it.each([
  [awayFrom(swell), { away: swell }],
  [blockMoved(block), { block }],
])('%o changes that alone', (action, changed) => expect(from(action)).toEqual({ ...first, ...changed }));

// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { dynamic, note, number, series } from '@inner-hum/core/exercise';
import { exerciseScore, FAMILIES, isExercise, usualExercise, type Family } from '@inner-hum/core/families';
import { defineFamily } from '../../../../core/families/family';
import { planSession } from '@inner-hum/core/lesson';
import { CLEAN_HABITS, withFault } from '@inner-hum/core/simulate';
import { fireEvent, screen } from '@testing-library/react';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { play } from '../../../../bench/play';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { i18next } from '../../text/i18n';
import { ExerciseControls } from './ExerciseControls';

/** A family that does not exist: its folder, one entry in the list, and its words are all that there is of it. */
const doorbell = defineFamily({
  id: 'doorbell',
  stage: 'lowEnd',
  tempoBpm: 72,
  fields: { writtenMidi: note(71), rings: number(1, 6, 2), beats: number(2, 8, 3), dynamic: dynamic('mf') },
  tones: ({ writtenMidi, rings, beats, dynamic: loudness }) =>
    series(rings, (i) => ({
      note: writtenMidi - 4 * (i % 2),
      beats,
      dynamics: [loudness],
      attack: 'breath',
      rest: 3,
    })),
  teaching: {
    about: ['pitch'],
    mainNote: 'writtenMidi',
    unjudged: ['timing'],
    aims: ['stamina'],
    amount: 'rings',
    within: { rings: [1, 3], dynamic: ['p', 'f'] },
    easier: ['fewer', 'startLouder'],
    harder: ['more', 'softer'],
    planned: { from: 'new' },
  },
});

beforeAll(() => {
  (FAMILIES as unknown as Family[]).unshift(doorbell);
  i18next.addResourceBundle(
    'en',
    'translation',
    {
      families: { doorbell: { name: 'Doorbell', what: 'Two notes, as at a door.' } },
      fields: { rings: 'Rings' },
    },
    true,
  );
});
afterAll(() => void (FAMILIES as unknown as Family[]).shift());
freshEachTime();

const usual = () => usualExercise(doorbell, 'tenor');

describe('a made-up family', () => {
  it('has a score, and its exercise is one that files and settings take', () => {
    expect(exerciseScore(usual()).steps.map((step) => step.soundedMidi)).toEqual([71, 67]);
    expect(isExercise(usual())).toBe(true);
    expect(isExercise({ ...usual(), rings: 'two' })).toBe(false);
  });
  it('is judged, but not in what it leaves out, and goes on by its own limits', () => {
    const judged = (exercise = usual(), habits = CLEAN_HABITS) => play(exercise, 1, habits).verdict;
    expect(judged().next).toMatchObject({ change: 'more', parameters: { rings: 3 } });
    expect(judged({ ...usual(), rings: 3 }).next).toMatchObject({ change: 'softer', parameters: { dynamic: 'mp' } });
    expect(judged(usual(), withFault('late')).findings.map(({ id }) => id)).not.toContain('late');
    const broken = judged(usual(), withFault('jump'));
    expect(broken.findings[0]?.id).toBe('jump');
    expect(broken.next).toMatchObject({ change: 'fewer', parameters: { rings: 1 } });
  });
  it('comes up in a session', () => {
    const blocks = planSession({
      instrumentId: 'tenor',
      minutes: 60,
      level: 'home',
      style: 'sweep',
      notes: [],
      sources: new Map(),
      recent: [],
      everPlayed: new Set(['doorbell']),
      goals: [],
      quiet: false,
      nowMs: 0,
      day: '2026-01-20',
    });
    expect(blocks.map(({ exercise }) => exercise.family)).toContain('doorbell');
  });
  it('has its controls on the page', () => {
    store.dispatch(settingsChanged({ instrumentId: 'tenor', exercise: usual() }));
    inApp(<ExerciseControls withFamily />);
    expect(screen.getByRole<HTMLSelectElement>('combobox', { name: 'Exercise' }).value).toBe('doorbell');
    fireEvent.change(screen.getByRole('spinbutton', { name: 'Rings' }), { target: { value: '4' } });
    expect(settings().exercise).toMatchObject({ family: 'doorbell', rings: 4 });
  });
});

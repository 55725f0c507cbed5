// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import type { PlanFor, SessionBlock } from '@inner-hum/core/lesson';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { addDays, format } from 'date-fns';
import { describe, expect, it, vi } from 'vitest';
import { store } from '../../store';
import { hornChosen, settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { Goals } from './Goals';
import { SessionList } from './SessionList';
import { WeekView } from './WeekView';
import { Welcome } from './Welcome';
import { dayOf } from '../../base/days';

freshEachTime();

const block = (family: string, tries: number, reason: SessionBlock['reason']): SessionBlock => ({
  exercise: usualExercise(familyById(family), 'alto'),
  tries,
  restS: 20,
  reason,
});
const SESSION = [
  block('hold', 2, { kind: 'steadiness', midi: 67, value: 6.4 }),
  block('swell', 1, { kind: 'kept', midi: 67 }),
];

describe('the session', () => {
  const shown = () => {
    const changed = vi.fn<(blocks: readonly SessionBlock[]) => void>();
    inApp(<SessionList blocks={SESSION} onChange={changed} />);
    return { changed, rows: screen.getAllByRole('listitem') };
  };
  it('says of each block what, how often and why', () => {
    const [first, second] = shown().rows;
    expect(first!.textContent).toContain('G4 · Hold');
    expect(first!.textContent).toContain('2 times');
    expect(first!.textContent).toContain('6.4');
    expect(second!.textContent).toContain('Keeps G4 secure.');
  });
  it('takes one try more or less', () => {
    const { changed, rows } = shown();
    const [fewer, more] = within(rows[0]!).getAllByRole('button').slice(-2);
    fireEvent.click(more!);
    expect(changed.mock.lastCall![0].map((sessionBlock) => sessionBlock.tries)).toEqual([3, 1]);
    fireEvent.click(fewer!);
    expect(changed.mock.lastCall![0].map((sessionBlock) => sessionBlock.tries)).toEqual([1, 1]);
  });
  it('loses a block with its last try', () => {
    const { changed, rows } = shown();
    fireEvent.click(within(rows[1]!).getAllByRole('button').at(-2)!);
    expect(changed.mock.lastCall![0].map((sessionBlock) => sessionBlock.exercise.family)).toEqual(['hold']);
  });
  it('every button says what it does, and to what', () => {
    for (const row of shown().rows)
      for (const button of within(row).getAllByRole('button')) expect(button.getAttribute('aria-label')).toMatch(/G4/);
  });
});

describe('goals', () => {
  const inDays = (days: number) => dayOf(addDays(new Date(), days));
  it('without one say what a goal does', () => {
    inApp(<Goals from={undefined} />);
    expect(screen.getByText(/None yet/)).toBeTruthy();
  });
  it('are added with note and day, and plan the session anew', () => {
    store.dispatch(
      settingsChanged({
        session: { day: 'x', instrumentId: 'alto', minutes: 15, blocks: SESSION, done: 0, change: null },
      }),
    );
    inApp(<Goals from={undefined} />);
    fireEvent.change(screen.getByLabelText('What'), { target: { value: 'longTone' } });
    fireEvent.change(screen.getByLabelText('Note'), { target: { value: '62' } });
    fireEvent.change(screen.getByLabelText('By'), { target: { value: inDays(10) } });
    fireEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(settings().goals).toEqual([
      { kind: 'longTone', midi: 62, by: inDays(10), instrumentId: 'alto', since: inDays(0) },
    ]);
    expect(settings().session).toBeNull();
    expect(screen.getByText(new RegExp(`A long tone D4, by ${format(addDays(new Date(), 10), 'd MMM')}`))).toBeTruthy();
  });
  it('without a day are not added', () => {
    inApp(<Goals from={undefined} />);
    fireEvent.change(screen.getByLabelText('By'), { target: { value: '' } });
    expect(screen.getByRole('button', { name: 'Add' }).hasAttribute('disabled')).toBe(true);
  });
  it('of another horn are neither shown nor lost', () => {
    const goals = (['alto', 'tenor'] as const).map(
      (instrumentId) => ({ kind: 'highNote', instrumentId, midi: 89, by: inDays(5) }) as const,
    );
    store.dispatch(settingsChanged({ goals }));
    inApp(<Goals from={undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
    expect(settings().goals).toEqual([goals[1]]);
  });
  it('quiet hours are usual ones at first, then the player’s', () => {
    inApp(<Goals from={undefined} />);
    fireEvent.click(screen.getByLabelText(/Quiet hours/));
    expect(settings().quietHours).toEqual({ from: '21:30', to: '08:00' });
    fireEvent.change(screen.getByLabelText('From'), { target: { value: '20:00' } });
    fireEvent.change(screen.getByLabelText('To'), { target: { value: '' } });
    expect(settings().quietHours).toEqual({ from: '20:00', to: '08:00' });
    fireEvent.click(screen.getByLabelText(/Quiet hours/));
    expect(settings().quietHours).toBeNull();
  });
});

describe('the week', () => {
  const from: PlanFor = {
    instrumentId: 'alto',
    minutes: 15,
    style: 'sweep',
    level: 'home',
    notes: [],
    sources: new Map(),
    recent: [],
    goals: [],
    quiet: false,
    nowMs: Date.now(),
    day: dayOf(new Date()),
  };
  const opened = () => {
    const shown = inApp(<WeekView from={from} />);
    const details = shown.container.querySelector('details')!;
    details.open = true;
    fireEvent(details, new Event('toggle'));
    return shown;
  };
  it('is planned when it is opened, begins today, and a weekday keeps its minutes', async () => {
    const { container } = opened();
    await waitFor(() => expect(container.textContent).toMatch(/·/));
    const days = screen.getAllByRole('combobox');
    expect(days).toHaveLength(7);
    const today = format(new Date(), 'EEEE');
    expect(days[0]!.getAttribute('aria-label')).toBe(`Minutes on ${today}`);
    fireEvent.change(days[0]!, { target: { value: '45' } });
    expect(settings().weekMinutes[(new Date().getDay() + 6) % 7]).toBe(45);
    expect(settings().weekMinutes.filter((weekMinute) => weekMinute === 45)).toHaveLength(1);
  });
  it('a day of rest has nothing to do', async () => {
    store.dispatch(settingsChanged({ weekMinutes: [0, 0, 0, 0, 0, 0, 0] }));
    const { container } = opened();
    expect(screen.getAllByRole('combobox')).toHaveLength(7);
    await new Promise((done) => setTimeout(done, 300));
    expect(container.textContent).not.toMatch(/·/);
  });
});

describe('the first minutes', () => {
  it('ask for horn, level, names and sound, then open the first swell', () => {
    inApp(<Welcome />);
    fireEvent.change(screen.getByLabelText('Which horn do you play?'), { target: { value: 'tenor' } });
    const [, , level, names, sound] = screen.getAllByRole('combobox', { hidden: true });
    fireEvent.change(level!, { target: { value: 'new' } });
    fireEvent.change(names!, { target: { value: 'german' } });
    fireEvent.change(sound!, { target: { value: 'standIn' } });
    fireEvent.click(screen.getByRole('button', { name: 'To the first swell' }));
    expect(settings()).toMatchObject({
      instrumentId: 'tenor',
      level: 'new',
      noteNames: 'german',
      source: 'standIn',
      welcomedOn: dayOf(new Date()),
      exercise: { family: 'swell', instrumentId: 'tenor' },
    });
    expect(screen.getByTestId('address').textContent).toBe('/stand');
  });
  it('can be passed over', () => {
    store.dispatch(hornChosen('alto'));
    inApp(<Welcome />);
    fireEvent.click(screen.getByRole('button', { name: 'Look around' }));
    expect(settings().welcomedOn).toBe(dayOf(new Date()));
    expect(screen.getByTestId('address').textContent).toBe('/');
  });
});

// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import type { Reason, SessionBlock, Target } from '@inner-hum/core/lesson';
import { fireEvent, screen } from '@testing-library/react';
import { noteName as named } from '@inner-hum/core/theory';
import { expect, it, vi } from 'vitest';
import { freshEachTime, inApp } from '../../testing/inApp';
import { minutesSaid, SessionList } from './SessionList';
import { RESTING } from '@inner-hum/core/lesson/testTarget';
import { i18next } from '../../text/i18n';
import { targetText } from '../../text/targetText';
import { TargetList } from './TargetList';

freshEachTime();

const block = (family: string, reason: Reason, restS = 20): SessionBlock => ({
  exercise: usualExercise(familyById(family), 'alto'),
  tries: 3,
  betweenS: 10,
  restS,
  reason,
});
const sharp: Reason = { kind: 'pitch', midi: 74, value: 18, target: { day: 3, inside: 2 } };
const BLOCKS = [
  block('tuneUp', { kind: 'tune', midi: 71 }),
  block('hold', sharp),
  block('zigzagDescent', sharp),
  block('octaveSlurs', { kind: 'music', midi: 62 }),
];

const change = vi.fn<(blocks: readonly SessionBlock[]) => void>();
const Targets = (given: { readonly blocks: readonly SessionBlock[]; readonly targets?: readonly Target[] }) => (
  <TargetList targets={[]} day="2026-03-20" onChange={change} {...given} />
);

it('a target is told once, with how far it is; its exercises say whose they are', () => {
  inApp(
    <>
      <Targets blocks={BLOCKS} />
      <SessionList blocks={BLOCKS} onChange={() => undefined} />
    </>,
  );
  expect(screen.getAllByText('D5 is 18 cents sharp. Day 3 on it, 2 first tries inside.')).toHaveLength(1);
  expect(screen.getAllByText('For D5.')).toHaveLength(2);
});

it('without a target there is no list of them', () => {
  inApp(
    <>
      <Targets blocks={BLOCKS.slice(0, 1)} />
      <SessionList blocks={BLOCKS.slice(0, 1)} onChange={() => undefined} />
    </>,
  );
  expect(screen.getByText(/Tune first/)).toBeTruthy();
  expect(screen.queryByTestId('targets')).toBeNull();
});

it('the minutes of the stages add up to those of the session', () => {
  inApp(<SessionList blocks={BLOCKS} onChange={() => undefined} />);
  const shown = screen.getAllByText(/^\d+ min$/).map(({ textContent }) => parseInt(textContent ?? '', 10));
  expect(shown.length).toBe(4);
  expect(shown.reduce((sum, minutes) => sum + minutes, 0)).toBe(minutesSaid(BLOCKS));
});

it('a target is left out today with all of its exercises', () => {
  inApp(<Targets blocks={BLOCKS} />);
  fireEvent.click(screen.getByRole('button', { name: 'Leave out D5 today' }));
  expect(change.mock.lastCall![0].map(({ exercise }) => exercise.family)).toEqual(['tuneUp', 'octaveSlurs']);
});

it('what was put to rest lately is told with its why, what is secure with its next check', () => {
  inApp(<Targets blocks={[]} targets={[RESTING, { ...RESTING, key: 'old', stateSince: '2026-03-10' }]} />);
  expect(screen.getAllByText(/C4, speaking at once/).map(({ textContent }) => textContent)).toEqual([
    'C4, speaking at once: no change in 6 lessons. Resting until 1 Apr. Have someone look for a leak near this note.',
  ]);
  const said = (change: Partial<Target>) =>
    targetText(i18next.t, (midi) => named(midi, 'english'), { ...RESTING, ...change });
  expect(said({ state: 'secure', returns: 1 })).toBe('C4, speaking at once: secure since 18 Mar. Next check 25 Mar.');
  expect(said({ state: 'secure', returns: 4 })).toBe('C4, speaking at once: secure since 18 Mar.');
  expect(said({ state: 'waits' })).toBe('C4, speaking at once: waiting until the reed is settled.');
  expect(said({ state: 'open', isOut: false })).toBe(
    'C4, speaking at once: inside the limit now. Day 7 on it, no first try inside yet.',
  );
});

// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import type { Reason, SessionBlock } from '@inner-hum/core/lesson';
import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { freshEachTime, inApp } from '../../testing/inApp';
import { minutesSaid, SessionList } from './SessionList';
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

it('a target is told once, with how far it is; its exercises say whose they are', () => {
  inApp(
    <>
      <TargetList blocks={BLOCKS} />
      <SessionList blocks={BLOCKS} onChange={() => undefined} />
    </>,
  );
  expect(screen.getAllByText('D5 is 18 cents sharp. Day 3 on it, 2 first tries inside.')).toHaveLength(1);
  expect(screen.getAllByText('For D5.')).toHaveLength(2);
});

it('without a target there is no list of them', () => {
  inApp(
    <>
      <TargetList blocks={BLOCKS.slice(0, 1)} />
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

// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { Suspense } from 'react';
import { afterEach, expect, it } from 'vitest';
import { Boundary } from '../shared/page/Boundary';
import { late } from './late';

afterEach(cleanup);
const Place = () => <p>the place</p>;
const inWaiting = (Part: ReturnType<typeof late>) => (
  <Suspense fallback={<p>it comes</p>}>
    <Part />
  </Suspense>
);

it('shows what waits for it until its file is here', async () => {
  let come: (file: { default: typeof Place }) => void = () => undefined;
  const Part = late(() => new Promise<{ default: typeof Place }>((resolve) => (come = resolve)));
  await act(async () => void render(inWaiting(Part)));
  expect(screen.getByText('it comes')).toBeTruthy();
  await act(async () => come({ default: Place }));
  expect(await screen.findByText('the place')).toBeTruthy();
});

it('what was fetched before is there at once, and stays as it is', async () => {
  const Part = late(() => Promise.resolve({ default: Place }));
  await Part.fetch();
  // Without act: what is looked at is the first picture.
  const { container, rerender } = render(inWaiting(Part));
  expect(container.textContent).toBe('the place');
  const there = screen.getByText('the place');
  rerender(inWaiting(Part));
  expect(screen.getByText('the place')).toBe(there);
});

it('what could not be fetched is fetched anew when it is tried again', async () => {
  let tries = 0;
  const Part = late(async () => {
    if (tries++ === 0) throw new Error('no network');
    return { default: Place };
  });
  const place = () => (
    <Boundary broken={(_, again) => <button onClick={again}>again</button>}>{inWaiting(Part)}</Boundary>
  );
  render(place());
  fireEvent.click(await screen.findByText('again'));
  expect(await screen.findByText('the place')).toBeTruthy();
  expect(tries).toBe(2);
});

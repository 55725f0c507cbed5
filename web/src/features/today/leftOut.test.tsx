// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { fireEvent, screen, within } from '@testing-library/react';
import { format, subDays } from 'date-fns';
import { expect, it, vi } from 'vitest';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import Today from './Today';

freshEachTime();
// What is compared by a worker is not looked at here.
vi.stubGlobal(
  'Worker',
  class extends EventTarget {
    postMessage() {}
    terminate() {}
  },
);

const TODAY = format(new Date(), 'yyyy-MM-dd');
const ago = (days: number) => format(subDays(new Date(), days), 'yyyy-MM-dd');
const outOf = (family: string, days: readonly string[]) =>
  store.dispatch(settingsChanged({ level: 'home', askedOn: ago(9), minutes: 20, leftOut: [{ family, days }] }));
const title = async (name: RegExp) => (await screen.findAllByText(name))[0]!.closest('li')!;
const takeOut = async (name: RegExp) => {
  for (let tries = 0; tries < 12 && screen.queryAllByText(name).length > 0; tries++)
    fireEvent.click(within(await title(name)).getByRole('button', { name: /^Less of/ }));
};

it('what is taken out by hand is noted for its day, and asked about on the third', async () => {
  outOf('airIntoTone', [ago(3), ago(1)]);
  inApp(<Today />);
  await title(/Air into tone/);
  expect(screen.queryByTestId('why-left')).toBeNull();
  await takeOut(/C4 · Air into tone/);
  expect(settings().leftOut).toEqual([{ family: 'airIntoTone', days: [ago(3), ago(1), TODAY] }]);
  expect((await screen.findByTestId('why-left')).textContent).toContain(
    'You have taken Air into tone out on three days.',
  );
});

it('what is too hard goes for a while, is told, and can be had back', async () => {
  outOf('airIntoTone', [ago(5), ago(3), ago(1)]);
  inApp(<Today />);
  await title(/Air into tone/);
  fireEvent.click(await screen.findByRole('button', { name: 'It is too hard for now' }));
  expect(screen.queryByTestId('why-left')).toBeNull();
  const told = await screen.findByTestId('not-planned');
  expect(told.textContent).toContain('Air into tone comes back when two weeks are over.');
  expect(screen.getAllByRole('listitem').filter((row) => /C4 · Air into tone/.test(row.textContent))).toEqual([]);
  fireEvent.click(within(told).getByRole('button', { name: 'Plan it again' }));
  expect(settings().leftOut).toEqual([]);
  await title(/C4 · Air into tone/);
});

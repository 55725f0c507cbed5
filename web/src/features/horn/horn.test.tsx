// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { cellsFrom, tonesAfter, type Digest } from '@inner-hum/core/history';
import { digest, seen, wholeHorn } from '@inner-hum/core/history/testDigests';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { subDays } from 'date-fns';
import { describe, expect, it, vi } from 'vitest';
import { database } from '../../db/database';
import type { TakeFilter } from '../../db/search';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { CompareView } from './CompareView';
import { OverBreak } from './OverBreak';
import HornPage from './HornPage';
import { LeakView } from './LeakView';
import { dayOf } from '../../base/days';

const asked = vi.fn<(first: TakeFilter, second: TakeFilter) => Promise<never[]>>(() => Promise.resolve([]));
vi.mock('../../db/compareService', () => ({ compareService: () => ({ compare: asked }) }));

freshEachTime();

async function keep(...digests: readonly Digest[]) {
  await database.digests.bulkPut([...digests]);
  await database.cells.bulkPut([...cellsFrom(digests).values()]);
  await database.tones.bulkPut([...tonesAfter(digests).values()]);
}

describe('comparing', () => {
  it('without takes says what it needs and begins it', async () => {
    inApp(<CompareView />);
    fireEvent.click(await screen.findByText('Measure the horn once'));
    expect(settings().exercise.family).toBe('survey');
    expect(screen.getByTestId('address').textContent).toBe('/stand');
    expect(asked).not.toHaveBeenCalled();
  });
  it('two reeds when there are two, else the last fortnight', async () => {
    await keep(digest('a', 1, [seen()], { reed: 'first' }), digest('b', 2, [seen()], { reed: 'second' }));
    inApp(<CompareView />);
    await waitFor(() => expect(asked).toHaveBeenCalled());
    expect(asked.mock.lastCall).toEqual([
      { tags: ['size:alto', 'reed:first'], since: '' },
      { tags: ['size:alto', 'reed:second'], since: '' },
    ]);
    const edge = dayOf(subDays(new Date(), 14));
    fireEvent.change(screen.getByLabelText('This'), { target: { value: 'period:lately' } });
    fireEvent.change(screen.getByLabelText('against this'), { target: { value: 'period:before' } });
    await waitFor(() =>
      expect(asked.mock.lastCall).toEqual([
        { tags: ['size:alto'], since: edge },
        { tags: ['size:alto'], since: '', before: edge },
      ]),
    );
  });
  it('one side against itself is not compared', async () => {
    await keep(digest('a', 1, [seen()]));
    inApp(<CompareView />);
    fireEvent.change(await screen.findByLabelText('against this'), { target: { value: 'period:before' } });
    expect(await screen.findByText('Choose two different sides.')).toBeTruthy();
  });
  it('too few takes say so', async () => {
    await keep(digest('a', 1, [seen()]));
    inApp(<CompareView />);
    expect(await screen.findByText(/Too little on one side/)).toBeTruthy();
  });
});

describe('leaks', () => {
  const start = (spoke: boolean, attack: 'tongue' | 'breath', midi = 58) => seen({ midi, spoke, attack });
  const lately = (id: string, daysAgo: number, spoke: boolean, reed: string) => {
    const startedAtMs = subDays(new Date(), daysAgo).getTime();
    const starts = [start(spoke, 'tongue'), start(spoke, 'breath'), start(true, 'tongue', 72)];
    return digest(
      id,
      1,
      [...starts, ...starts],
      { reed },
      { startedAtMs, day: dayOf(subDays(new Date(), daysAgo)), tags: ['size:alto'] },
    );
  };
  it('low notes that fail both ways, on days and reeds, speak for the horn', async () => {
    await keep(...[1, 2, 3, 4].map((day) => lately(`t${day}`, day, false, day % 2 ? 'first' : 'second')));
    inApp(<LeakView />);
    expect(await screen.findByText(/^Have the horn checked/)).toBeTruthy();
  });
  it('what lies before the chosen weeks does not count', async () => {
    await keep(...[40, 41, 42, 43].map((day) => lately(`t${day}`, day, false, 'first')));
    inApp(<LeakView />);
    expect(await screen.findByText(/Too few attacks/)).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox'), { target: { value: '8' } });
    await waitFor(() => expect(screen.queryByText(/Too few attacks/)).toBeNull());
  });
  it('the test for it opens on the Stand', async () => {
    await keep(lately('a', 1, true, 'first'));
    inApp(<LeakView />);
    fireEvent.click((await screen.findAllByRole('button'))[0]!);
    expect(settings().exercise.family).toBe('tongueOrAir');
  });
});

describe('one note of the horn', () => {
  it('tells its values with their errors, and what it wants', async () => {
    const values = (midi: number) => ({ pitchCentreCents: midi === 61 ? 19 : 1 });
    await keep(...[1, 2, 3].map((day) => digest(`t${day}`, day, wholeHorn(values, Date.now() - day * 86_400_000))));
    inApp(<HornPage />, '/note/61');
    expect(await screen.findByRole('heading', { level: 2, name: 'C♯4' })).toBeTruthy();
    expect(await screen.findByText(/C♯4: .*\+19/)).toBeTruthy();
  });
  it('tells other fingerings by themselves', async () => {
    const told = (cents: number, change = {}) => seen({ midi: 66, values: { pitchCentreCents: cents }, ...change });
    await keep(
      digest('a', 1, [told(2)]),
      digest('b', 2, [told(11, { fingering: 'left1 left2 left3 right1 fSharpSide', trial: true })]),
    );
    inApp(<HornPage />, '/note/66');
    expect(await screen.findByText(/^F♯4: .*\+2/)).toBeTruthy();
    expect(screen.getByText(/^F♯4 by .* \+ .*: .*\+11/)).toBeTruthy();
  });
  it('never played says so', async () => {
    inApp(<HornPage />, '/note/61');
    expect(await screen.findByText(/No take|not measured|Not measured/)).toBeTruthy();
  });
});

it('counts quietly what broke over the break, of late and before', async () => {
  const slurs = (id: string, daysAgo: number, ...spoke: readonly boolean[]) => {
    const at = subDays(new Date(), daysAgo);
    const take = { ...digest(id, 1, []), startedAtMs: at.getTime(), day: dayOf(at), tags: ['size:alto'] };
    const over = spoke.flatMap((right, i) => [
      seen({ atMs: take.startedAtMs + 2 * i, midi: 72, attack: 'slurred', spoke: true }),
      seen({ atMs: take.startedAtMs + 2 * i + 1, midi: 74, attack: 'slurred', spoke: right }),
    ]);
    return { ...take, seen: over };
  };
  await keep(slurs('a', 20, false, false), slurs('b', 2, true, false));
  inApp(<OverBreak />);
  expect((await screen.findByTestId('over-break')).textContent).toBe(
    'Over the break, 1 of 3 slurs broke in the last fortnight; 2 of 3 in the one before.',
  );
});

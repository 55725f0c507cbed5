// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import type { WholeTake } from '@inner-hum/core/take';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { keepTake, mergeTakes } from '../../db/takes';
import { NoticeBar } from '../../shared/page/Notice';
import { freshEachTime, inApp } from '../../testing/inApp';
import { silentTake } from '../../testing/takes';
import LogPage from './LogPage';

freshEachTime();
const storage = { estimate: () => Promise.resolve({}), persisted: () => Promise.resolve(true) };
beforeAll(() => void vi.stubGlobal('navigator', { ...navigator, storage }));

function take(id: string, startedAt: string, note = ''): WholeTake {
  const { record, frames } = silentTake(id, 1);
  const setup = { ...record.setup, reed: `reed ${id}` };
  const findings = [{ id: 'nothingHeard', weight: 3, stepIndex: 0, values: {} }] as const;
  return { frames, record: { ...record, startedAt, setup, note, verdict: { ...record.verdict, findings } } };
}
const links = async () => {
  await screen.findByText(/takes?$/);
  const all = screen.queryAllByRole('link').map((element) => element.getAttribute('href'));
  return all.filter((address) => address !== '/log/give' && address !== '/log/shelf');
};

describe('the Log', () => {
  it('empty says what fills it and leads there', async () => {
    inApp(<LogPage />, '/log');
    expect((await screen.findByText('Play the first one')).closest('a')!.getAttribute('href')).toBe('/stand');
    // Settings and recordings to learn from are worth keeping before the first take.
    expect(screen.getByText('Save a backup').hasAttribute('disabled')).toBe(false);
    expect(screen.queryByText('Show the trend')).toBeNull();
  });
  it('has takes newest first under their days, with what was found', async () => {
    await mergeTakes([
      take('a', '2026-03-01T18:00:00.000Z'),
      take('c', '2026-03-02T18:00:00.000Z', 'with the new reed'),
      take('b', '2026-03-02T17:00:00.000Z'),
    ]);
    inApp(<LogPage />, '/log');
    expect(await links()).toEqual(['/take/c', '/take/b', '/take/a']);
    expect(screen.getAllByRole('heading', { level: 2 }).map((element) => element.textContent)).toEqual([
      expect.stringMatching(/^Monday, 2 March 20262 takes · \d+ min · Swell$/),
      expect.stringMatching(/^Sunday, 1 March 20261 take · \d+ min · Swell$/),
    ]);
    expect(screen.getByText('with the new reed')).toBeTruthy();
    expect(screen.getAllByText('No tone was heard.')).toHaveLength(3);
  });
  it('has the newest days open, all where something is looked for, and each opens at a press', async () => {
    await mergeTakes(['01', '02', '03', '04'].map((day) => take(day, `2026-03-${day}T18:00:00.000Z`)));
    const { unmount } = inApp(<LogPage />, '/log');
    expect(await links()).toEqual(['/take/04', '/take/03']);
    fireEvent.click(screen.getByRole('button', { name: /1 March/ }));
    expect(await links()).toContain('/take/01');
    fireEvent.click(screen.getByRole('button', { name: /4 March/ }));
    expect(await links()).toEqual(['/take/03', '/take/01']);
    unmount();
    inApp(<LogPage />, '/log?family=swell');
    expect(await links()).toHaveLength(4);
  });
  it('marks the best take of a day and the one with most to do', async () => {
    const better = take('b', '2026-03-01T18:00:00.000Z');
    await mergeTakes([
      take('a', '2026-03-01T17:00:00.000Z'),
      { ...better, record: { ...better.record, verdict: { ...better.record.verdict, decision: 'harder' } } },
    ]);
    inApp(<LogPage />, '/log');
    await links();
    const [first, second] = screen.getAllByRole('listitem');
    expect(first!.textContent).toContain('Best of the day');
    expect(second!.textContent).toContain('Most to do');
  });
  it('heads a take of many notes with its lowest and highest', async () => {
    const whole = take('a', '2026-03-01T18:00:00.000Z');
    const parameters = usualExercise(familyById('survey'), 'alto');
    const score = exerciseScore(parameters);
    const measures = score.steps.map(() => ({ kind: 'silent' }) as const);
    await keepTake({ ...whole, record: { ...whole.record, parameters, score, measures } });
    inApp(<LogPage />, '/log');
    expect(await screen.findByText('B♭3–F♯6')).toBeTruthy();
  });
  it('shows a page at a time', async () => {
    await mergeTakes(
      Array.from({ length: 33 }, (_, i) => take(`t${i}`, new Date(Date.UTC(2026, 2, 1, 12, i)).toISOString())),
    );
    inApp(<LogPage />, '/log');
    await waitFor(async () => expect(await links()).toHaveLength(30));
    fireEvent.click(screen.getByText(/earlier days/i));
    await waitFor(async () => expect(await links()).toHaveLength(33));
  });
  it.each([
    ['/log?note=60', []],
    ['/log?family=swell', ['/take/b', '/take/a']],
    ['/log?gear=reed:reed a', ['/take/a']],
    ['/log?finding=nothingHeard&since=2026-03-02', ['/take/b']],
    ['/log?size=alto', []],
  ])('%s shows what fits, and backups stay possible', async (address, wanted) => {
    await mergeTakes([take('a', '2026-03-01T18:00:00.000Z'), take('b', '2026-03-02T18:00:00.000Z')]);
    inApp(<LogPage />, address);
    expect(await links()).toEqual(wanted);
    if (wanted.length === 0) expect(screen.getByText('No take fits this filter.')).toBeTruthy();
    expect(screen.getByText('Save a backup').hasAttribute('disabled')).toBe(false);
  });
  it('a filter is kept in the address and taken off again', async () => {
    await keepTake(take('a', '2026-03-01T18:00:00.000Z'));
    inApp(<LogPage />, '/log');
    await links();
    fireEvent.change(screen.getByLabelText('Exercise'), { target: { value: 'hold' } });
    expect(screen.getByTestId('address').textContent).toBe('/log?family=hold');
    fireEvent.click(await screen.findByText('Show all'));
    expect(screen.getByTestId('address').textContent).toBe('/log');
  });
  it('a deleted take can be had back', async () => {
    await mergeTakes([take('a', '2026-03-01T18:00:00.000Z'), take('b', '2026-03-02T18:00:00.000Z')]);
    inApp(
      <>
        <LogPage />
        <NoticeBar />
      </>,
      '/log',
    );
    await links();
    fireEvent.click(screen.getAllByText('Delete')[0]!);
    const undo = await screen.findByText('Undo');
    await waitFor(async () => expect(await links()).toEqual(['/take/a']));
    fireEvent.click(undo);
    await waitFor(async () => expect(await links()).toEqual(['/take/b', '/take/a']));
  });
  it('a trend of what was not measured says so', async () => {
    await keepTake(take('a', '2026-03-01T18:00:00.000Z'));
    inApp(<LogPage />, '/log');
    await links();
    fireEvent.click(screen.getByText('Show the trend'));
    expect(await screen.findByText('Nothing of this was measured in these takes.')).toBeTruthy();
    expect(within(screen.getByLabelText('Trend of')).getAllByRole('option')).toHaveLength(12);
    fireEvent.click(screen.getByText('Hide the trend'));
    expect(screen.queryByLabelText('Trend of')).toBeNull();
  });
});

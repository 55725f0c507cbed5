// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { database } from './db/database';
import { addDraftPiece, beginDraft, draftIds } from './db/drafts';
import { binnedTakes, keepTake } from './db/takes';
import { SetAsideList } from './features/setup/SetAsideList';
import { Bin } from './features/log/Bin';
import { store } from './store';
import { leftUnkept, recoveryAt } from './store/drafts';
import { noticed, noticeDismissed } from './store/notices';
import { settingsChanged } from './store/settings';
import { cameToNothing, takeAsked } from './store/practice';
import { freshEachTime, inApp, settings } from './testing/inApp';
import { silentTake } from './testing/takes';
import { Boundary, PlaceBoundary, TakeBoundary } from './shared/page/Boundary';
import { DraftOffers } from './features/frame/DraftOffers';
import { NotPossible } from './shared/exercise/NotPossible';
import { NoticeBar } from './shared/page/Notice';
import { entry } from './store/lists';
import { deleteEntries, deleteTake } from './store/undo';

freshEachTime();
beforeEach(() => {
  while (store.getState().notices.current) store.dispatch(noticeDismissed());
  store.dispatch(cameToNothing(null));
});
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const takeIds = async () => (await database.takes.toCollection().primaryKeys()).sort();

/** Makes the next call of a table's method fail. */
function failNext(method: 'clear' | 'get'): void {
  vi.spyOn(database.bin, method).mockImplementationOnce(() => {
    throw new Error('made to fail');
  });
}

describe('deleting', () => {
  it('takes and parts of settings come back one after the other, the latest first', async () => {
    inApp(<NoticeBar />);
    await keepTake(silentTake('a', 1));
    await keepTake(silentTake('b', 2));
    store.dispatch(settingsChanged({ favourites: ['hold'] }));
    await act(() => deleteTake('a'));
    await act(() => deleteTake('b'));
    act(() => deleteEntries([entry.removed('favourites', 'hold')], { key: 'goals.removed' }));
    expect(await takeIds()).toEqual([]);
    press('Undo (3)');
    await waitFor(() => expect(settings().favourites).toEqual(['hold']));
    press('Undo (2)');
    await waitFor(async () => expect(await takeIds()).toEqual(['b']));
    await screen.findByRole('button', { name: 'Undo' });
    press('Undo');
    await waitFor(async () => expect(await takeIds()).toEqual(['a', 'b']));
    expect(screen.queryByRole('button', { name: /Undo/ })).toBeNull();
  });

  it('another sentence stands before the undo and gives it back when it is closed', async () => {
    inApp(<NoticeBar />);
    await keepTake(silentTake('a', 1));
    await act(() => deleteTake('a'));
    act(() => void store.dispatch(noticed({ key: 'stand.left' })));
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull();
    press('Close');
    press('Undo');
    await waitFor(async () => expect(await takeIds()).toEqual(['a']));
    expect(screen.queryByRole('button', { name: 'Close' })).toBeNull();
  });

  it('an undo that fails is told and can be tried again', async () => {
    inApp(<NoticeBar />);
    await keepTake(silentTake('a', 1));
    await act(() => deleteTake('a'));
    failNext('get');
    press('Undo');
    await screen.findByText(/could not be undone: made to fail/);
    expect(await binnedTakes()).toHaveLength(1);
  });

  it('the bin names what is in it, gives it back, and is emptied for good', async () => {
    inApp(<Bin />);
    await keepTake(silentTake('a', 1));
    await keepTake(silentTake('b', 2));
    await database.takes.put({ id: 'x', startedAt: 'never' } as never);
    for (const id of ['a', 'b', 'x']) await act(() => deleteTake(id));
    await screen.findByText('3 takes deleted in the last 30 days');
    expect(screen.getByText(/1 Mar 2026.* · G4/)).toBeTruthy();
    expect(screen.getByText(/can’t be read/)).toBeTruthy();
    fireEvent.click(screen.getAllByRole('button', { name: 'Have it back' }).at(-1)!);
    await screen.findByText('2 takes deleted in the last 30 days');
    expect(await takeIds()).toHaveLength(1);
    press('Remove them for good');
    await waitFor(() => expect(screen.queryByTestId('bin')).toBeNull());
  });

  it('a bin that can’t be emptied says so', async () => {
    inApp(
      <>
        <Bin />
        <NoticeBar />
      </>,
    );
    await keepTake(silentTake('a', 1));
    await act(() => deleteTake('a'));
    await screen.findByTestId('bin');
    failNext('clear');
    press('Remove them for good');
    await screen.findByText(/could not be deleted: made to fail/);
    expect(await binnedTakes()).toHaveLength(1);
  });
});

describe('drafts that are no takes yet', () => {
  const leave = async (takeId: string) => {
    const { record } = silentTake(takeId, 1);
    await beginDraft({ takeId, sampleRateHz: 44100, plan: { ...record, firstBeatS: 1 } });
    await addDraftPiece(takeId, Int16Array.from([1, 2, 3]));
    const startedAt = '2026-03-01T18:00:00.000Z';
    act(
      () => void store.dispatch(leftUnkept({ takeId, startedAt, seconds: 8, why: 'failed', detail: 'made to fail' })),
    );
  };

  it('are offered with what happened, and kept as sound or removed as the player says', async () => {
    inApp(<DraftOffers />);
    await leave('a');
    await leave('b');
    expect(screen.getAllByText(/1 Mar, .* \(8 s\) could not be kept: made to fail/)).toHaveLength(2);
    fireEvent.click(screen.getAllByRole('button', { name: 'Keep the sound as it is' })[0]!);
    await waitFor(async () => expect(await takeIds()).toEqual(['a']));
    press('Remove it');
    await waitFor(async () => expect(await draftIds()).toEqual([]));
    expect(screen.queryByTestId('draft-offer')).toBeNull();
  });

  it('wait while something runs; progress is shown', async () => {
    inApp(<DraftOffers />);
    await leave('a');
    act(() => void store.dispatch(recoveryAt(0.42)));
    expect(screen.getByTestId('recovering').textContent).toContain('42 %');
    act(() => void store.dispatch(takeAsked()));
    expect(screen.queryByTestId('draft-offer')).toBeNull();
    act(() => {
      store.dispatch(cameToNothing(null));
      store.dispatch(recoveryAt(null));
    });
    expect(screen.getByTestId('draft-offer')).toBeTruthy();
  });
});

describe('an exercise that can’t be played as chosen', () => {
  it('says why and what plays instead; one press takes that over', () => {
    const tooFast = { ...usualExercise(familyById('swell'), 'alto'), writtenMidi: 200 };
    store.dispatch(settingsChanged({ exercise: tooFast }));
    inApp(<NotPossible />);
    expect(screen.getByTestId('not-possible').textContent).toMatch(
      /^Not possible as chosen: .*Nearest that plays: Note /,
    );
    expect(settings().exercise).toEqual(tooFast);
    press('Use that');
    expect(screen.queryByTestId('not-possible')).toBeNull();
    expect(settings().exercise).not.toEqual(tooFast);
  });
});

describe('what breaks', () => {
  let broken = true;
  const Breaks = () => {
    if (broken) throw new Error('made to fail');
    return <p>whole</p>;
  };
  beforeEach(() => {
    broken = true;
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
  });

  it('in a place is told there, and another try or another place goes on', () => {
    const { rerender } = inApp(
      <PlaceBoundary path="/log">
        <Breaks />
      </PlaceBoundary>,
    );
    expect(screen.getByTestId('broken-place').textContent).toContain('made to fail');
    broken = false;
    press('Try again');
    expect(screen.getByText('whole')).toBeTruthy();
    broken = true;
    rerender(<Boundary broken={() => 'broken'} about="a" children={<Breaks />} />);
    expect(screen.getByText('broken')).toBeTruthy();
    broken = false;
    rerender(<Boundary broken={() => 'broken'} about="b" children={<Breaks />} />);
    expect(screen.getByText('whole')).toBeTruthy();
  });

  it('in a take is that take alone, which can be removed', async () => {
    await database.takes.put({ id: 'x', startedAt: 'never' } as never);
    inApp(
      <TakeBoundary id="x">
        <Breaks />
      </TakeBoundary>,
    );
    expect(screen.getByTestId('damaged').textContent).toContain('can’t be read');
    press('Remove it');
    await waitFor(async () => expect(await takeIds()).toEqual([]));
    expect((await binnedTakes())[0]?.record).toEqual({ id: 'x', startedAt: 'never' });
  });
});

it('settings that were put aside are listed as they were, and go when the player says so', async () => {
  inApp(<SetAsideList />);
  const part = { path: 'goals[2]', reason: 'kind must be one of …', value: { kind: 'x' } };
  await database.settings.put({ name: 'settingsAside', value: [part] });
  await screen.findByText('goals[2]');
  expect(screen.getByTestId('set-aside').textContent).toContain('{"kind":"x"}');
  press('Remove them');
  await waitFor(() => expect(screen.queryByTestId('set-aside')).toBeNull());
});

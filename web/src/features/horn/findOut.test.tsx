// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { drawOrder, probeOf, type Experiment } from '@inner-hum/core/experiments';
import { trialTag } from '@inner-hum/core/history';
import { digest, seen } from '@inner-hum/core/history/testDigests';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { database } from '../../db/database';
import { trialOnStand } from '../../practice/trialOnStand';
import { store } from '../../store';
import { entry } from '../../store/lists';
import { listsChanged, settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { ExperimentPage } from './ExperimentPage';
import { FindOut } from './FindOut';

const answer = vi.fn(() =>
  Promise.resolve({ answer: { state: 'begins', rounds: 0, differences: [], drifts: [] }, blind: [] as object[] }),
);
vi.mock('../../db/compareService', () => ({ compareService: () => ({ experiment: answer }) }));

freshEachTime();

const experiment: Experiment = {
  id: 'lip',
  question: 'Is it steadier with less mouthpiece?',
  variants: ['as usual', 'less mouthpiece'],
  kind: 'ways',
  instrumentId: 'alto',
  notes: [62, 74],
  dynamics: ['p'],
  about: ['pitchSteadinessCents'],
  order: drawOrder('ways', 2, () => 0),
  startedOn: '2026-01-01',
  picks: [],
};

const keptTry = (round: number, variant: number, at: number) =>
  database.digests.put({
    ...digest(`t${at}`, at, [seen()]),
    trial: { experiment: 'lip', round, variant, part: 0 },
    tags: [trialTag('lip')],
  });

function open() {
  store.dispatch(listsChanged([entry.added('experiments', experiment)]));
  inApp(
    <Routes>
      <Route path="horn/compare/:id" element={<ExperimentPage />} />
    </Routes>,
    '/horn/compare/lip',
  );
}

describe('asking', () => {
  it('says what is missing, draws an order and goes to the question', async () => {
    inApp(<FindOut />);
    fireEvent.click(screen.getByText('Ask a question'));
    const start = screen.getByRole<HTMLButtonElement>('button', { name: 'Draw the order and begin' });
    expect(start.disabled).toBe(true);
    const type = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    type('Your question', 'Is it steadier?');
    type('Way A', 'as usual');
    type('Way B', 'as usual');
    expect(start.disabled).toBe(true);
    type('Way B', 'less mouthpiece');
    fireEvent.click(screen.getByLabelText('Response'));
    fireEvent.click(start);
    await waitFor(() => expect(settings().experiments).toHaveLength(1));
    const [asked] = settings().experiments;
    expect(asked).toMatchObject({
      variants: ['as usual', 'less mouthpiece'],
      notes: [62, 69, 76, 83],
      about: ['pitchSteadinessCents', 'responseS'],
    });
    expect(screen.getByTestId('address').textContent).toBe(`/horn/compare/${asked!.id}`);
  });
});

describe('a question', () => {
  it('puts its next try on the Stand; another exercise there is no try of it', async () => {
    open();
    fireEvent.click(await screen.findByRole('button', { name: 'To the Stand' }));
    expect(screen.getByTestId('address').textContent).toBe('/stand');
    const on = trialOnStand(settings());
    expect(on?.trial).toEqual({ experiment: 'lip', round: 0, variant: experiment.order[0]![0], part: 0 });
    expect(settings().exercise['phrase']).toBe(probeOf(experiment)['phrase']);
    store.dispatch(settingsChanged({ exercise: { ...settings().exercise, phrase: 'G4' } }));
    expect(trialOnStand(settings())).toBeUndefined();
  });
  it('which of a pair is which is not shown; the choice is kept as the way that was heard', async () => {
    await keptTry(0, 0, 1);
    await keptTry(0, 1, 2);
    vi.spyOn(Math, 'random').mockReturnValue(0.9);
    open();
    const ear = await screen.findByTestId('by-ear');
    for (const way of experiment.variants) expect(ear.textContent).not.toContain(way);
    fireEvent.click(screen.getByRole('button', { name: 'A sounds better' }));
    const heard = experiment.order[0]!.toReversed();
    // Drawn the other way round: A is the one that was played second.
    expect(settings().experiments[0]!.picks).toMatchObject([{ round: 0, chosen: heard[0] }]);
    expect(await screen.findByText('All pairs of the rounds that are played have been heard.')).toBeTruthy();
  });
  it('tells what differs in the player’s own words, and how sure the ear was', async () => {
    const about = { quantity: 'pitchSteadinessCents', dynamic: 'p', variants: [0, 1] };
    answer.mockResolvedValueOnce({
      answer: {
        ...{ state: 'decided', rounds: 6 },
        differences: [{ ...about, answer: 'differs', difference: -4, from: -7, to: -1 }] as never[],
        drifts: [],
      },
      blind: [{ pair: [0, 1], heard: 9, chosen: 9, forB: 7, byChance: 0.18 }],
    });
    open();
    expect(
      await screen.findByText(
        'Steadiness, soft: “less mouthpiece” is 4.0 cents steadier than “as usual” (1.0 to 7.0).',
      ),
    ).toBeTruthy();
    expect(screen.getByText(/“less mouthpiece” in 7 of 9 choices.*in 18 of 100/)).toBeTruthy();
  });
  it('is removed with an undo; its takes stay', async () => {
    await keptTry(0, 0, 1);
    open();
    fireEvent.click(await screen.findByRole('button', { name: 'Remove the question' }));
    expect(settings().experiments).toEqual([]);
    expect(await database.digests.count()).toBe(1);
  });
});

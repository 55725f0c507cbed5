// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { absent, measured } from '@inner-hum/core/measure';
import { cellsFrom } from '@inner-hum/core/history';
import { digest, seen } from '@inner-hum/core/history/testDigests';
import type { TakeRecord } from '@inner-hum/core/take';
import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { database } from '../../db/database';
import { freshEachTime, inApp } from '../../testing/inApp';
import { toldTake } from '../../testing/takes';
import { EdgeLine } from './EdgeLine';

freshEachTime();

/** A take of one tone that was held so far below p, and perhaps broke there. */
function held(underPDb: number, broke = false): TakeRecord {
  const { record } = toldTake('now', 5, 0);
  const [first] = record.measures;
  const own = {
    heldUnderPDb: measured(underPDb, 1),
    brokeUnderPDb: broke ? measured(underPDb, 1) : absent('noBreak'),
  };
  return { ...record, measures: [{ ...first!, ...own } as never] };
}

async function breaksAt(underPDb: number) {
  const { soundedMidi: midi } = toldTake('now', 5, 0).record.score.steps[0]!;
  const broke = Array.from({ length: 3 }, () => seen({ midi, band: 'soft', values: { brokeUnderPDb: underPDb } }));
  await database.cells.bulkPut([...cellsFrom([digest('a', 1, broke)]).values()]);
}

it('a tone near the level at which it usually breaks is told, above it and below', async () => {
  await breaksAt(8);
  const { unmount } = inApp(<EdgeLine take={held(5)} />);
  expect((await screen.findByTestId('edge')).textContent).toMatch(/stood 3 dB above the level .*3 breaks/);
  unmount();
  inApp(<EdgeLine take={held(10)} />);
  expect((await screen.findByTestId('edge')).textContent).toMatch(/held 2 dB below the level/);
});

it('one that stood far from it, or broke, says nothing of its edge', async () => {
  await breaksAt(8);
  // The third shows that there is something to tell of by now.
  inApp(
    <>
      <div data-testid="far">
        <EdgeLine take={held(0)} />
      </div>
      <div data-testid="broke">
        <EdgeLine take={held(7, true)} />
      </div>
      <EdgeLine take={held(7)} />
    </>,
  );
  await screen.findByTestId('edge');
  expect([screen.getByTestId('far').textContent, screen.getByTestId('broke').textContent]).toEqual(['', '']);
});

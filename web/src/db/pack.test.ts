import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';
import { silentTake } from '../testing/takes';
import { database } from './database';
import { eachPacked } from './packFunctions';
import { mergeTakes } from './takes';

afterEach(() => vi.unstubAllGlobals());

/** A worker that never loads. */
class Broken extends EventTarget {
  postMessage(): void {
    queueMicrotask(() => this.dispatchEvent(new Event('error')));
  }
  terminate(): void {
    // There is nothing to end.
  }
}

it.each([
  ['alone', undefined],
  ['when the second worker does not load', Broken],
])('takes come packed in their order, %s', async (_, worker) => {
  vi.stubGlobal('Worker', worker);
  await Promise.all(database.tables.map((table) => table.clear()));
  const ids = Array.from({ length: 95 }, (_, i) => `take-${i}`);
  await mergeTakes(ids.map((id) => silentTake(id, 1)));
  const names: string[] = [];
  await eachPacked(ids, (files) => names.push(...files.map(({ filename }) => filename)));
  expect(names).toEqual(ids.flatMap((id) => [`takes/${id}.json`, `frames/${id}.bin`, `sound/${id}.wav`]));
});

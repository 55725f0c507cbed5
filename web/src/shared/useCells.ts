import type { Cell, Digest } from '@inner-hum/core/plan';
import { useLiveQuery } from 'dexie-react-hooks';
import { database } from '../db/database';
import { useAppSelector } from '../store';

/** All cells of the present horn; undefined while they are read. */
export function useCells(): readonly Cell[] | undefined {
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  return useLiveQuery(() => database.cells.where('instrumentId').equals(instrumentId).toArray(), [instrumentId]);
}

/** Digests of all takes that carry a tag, in no order; undefined while they are read. */
export function useTagged(tag: string): readonly Digest[] | undefined {
  return useLiveQuery(() => database.digests.where('tags').equals(tag).toArray(), [tag]);
}

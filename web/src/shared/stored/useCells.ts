import { type Cell, type Digest } from '@inner-hum/core/history';
import { hornMap } from '@inner-hum/core/map';
import { weakMapMemoize } from '@reduxjs/toolkit';
import { database } from '../../db/database';
import { useAppSelector } from '../../store';
import { useKept } from './useKept';
import { useKeyed } from './useKeyed';

/** All cells of the present horn; undefined while they are read. */
export function useCells(): readonly Cell[] | undefined {
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  return useKept('cells', instrumentId, () => database.cells.where('instrumentId').equals(instrumentId).toArray());
}

/** The map that cells make, once for all who read the same ones. */
export const mapOf = weakMapMemoize((cells: readonly Cell[]) => hornMap(cells));

/** All cells of the player's other horns; undefined while they are read. */
export function useCellsElsewhere(): readonly Cell[] | undefined {
  const instrumentId = useAppSelector((state) => state.settings.instrumentId);
  return useKept('cells elsewhere', instrumentId, () =>
    database.cells.where('instrumentId').notEqual(instrumentId).toArray(),
  );
}

/** Digests of all takes that carry a tag, in no order; undefined while they are read. */
export function useTagged(tag: string): readonly Digest[] | undefined {
  return useKeyed(tag, () => database.digests.where('tags').equals(tag).toArray());
}

import { type Cell, type SetupNames } from '@inner-hum/core/history';
import { otherFingerings, type NoteOnMap } from '@inner-hum/core/map';
import { useMemo, useState } from 'react';
import { setupText } from '../../text/setupText';
import { mapOf, useCells } from '../../shared/stored/useCells';

/** A set-up that can be looked at alone; '' is all of them together. */
export interface SetupChoice {
  readonly key: string;
  readonly text: string;
}

/** The map of the present horn, over all set-ups or one; undefined while it is read. */
export function useHornMap(): {
  readonly notes: readonly NoteOnMap[] | undefined;
  /** notes by fingerings other than the one that they are played with */
  readonly others: readonly NoteOnMap[];
  readonly setups: readonly SetupChoice[];
  readonly chosen: string;
  readonly choose: (key: string) => void;
} {
  const cells = useCells();
  const [chosen, choose] = useState('');
  const setups = useMemo(() => setupsIn(cells ?? []), [cells]);
  const shown = useMemo(
    () => (chosen === '' ? cells : cells?.filter((cell) => cell.setupKey === chosen)),
    [cells, chosen],
  );
  const notes = useMemo(() => shown && mapOf(shown), [shown]);
  const others = useMemo(() => otherFingerings(shown ?? []), [shown]);
  return { notes, others, setups, chosen, choose };
}

function setupsIn(cells: readonly Cell[]): SetupChoice[] {
  const found = new Map<string, SetupNames>(cells.map((cell) => [cell.setupKey, cell.setup]));
  return [...found].map(([key, setup]) => ({ key, text: setupText(setup) }));
}

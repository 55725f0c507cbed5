/** One entry of a list that the player keeps: an own exercise, a goal, a routine, a remark. */
export interface EntryRow {
  readonly id?: number;
  /** the setting that it belongs to */
  readonly list: string;
  /** among the entries of its list, ascending */
  readonly place: number;
  readonly value: unknown;
}

/** Settings that are lists of what the player made: each entry is a row of its own, so that two pages can change them. */
export const LISTS = ['own', 'goals', 'routines', 'remarks', 'experiments'] as const;
export type StoredList = (typeof LISTS)[number];

export const isList = (name: string): name is StoredList => (LISTS as readonly string[]).includes(name);

/** The stored row without its lists, and their entries; what is no list stays where it is, to be set aside when read. */
export function listsApart(stored: unknown): { readonly value: unknown; readonly lists: readonly EntryRow[] } {
  if (typeof stored !== 'object' || stored === null || Array.isArray(stored)) return { value: stored, lists: [] };
  const apart = Object.entries(stored).filter(
    (part): part is [StoredList, unknown[]] => isList(part[0]) && Array.isArray(part[1]),
  );
  const rest = Object.fromEntries(Object.entries(stored).filter(([name]) => !apart.some(([list]) => list === name)));
  const lists = apart.flatMap(([list, values]) => values.map((value, place) => ({ list, place, value })));
  return { value: rest, lists };
}

/** The stored row with its lists put together from their entries. */
export function listsTogether(stored: unknown, rows: readonly EntryRow[]): unknown {
  if (rows.length === 0) return stored;
  const sorted = [...rows].sort((a, b) => a.place - b.place || (a.id ?? 0) - (b.id ?? 0));
  const lists: Record<string, unknown[]> = {};
  for (const { list, value } of sorted) (lists[list] ??= []).push(value);
  return { ...(typeof stored === 'object' ? stored : undefined), ...lists };
}

/**
 * What has to be done with the rows of a list so that it becomes `after` for one who knew it as `before`: rows that only
 * another page knows stay.
 */
export function entryChanges(
  list: StoredList,
  rows: readonly EntryRow[],
  before: readonly unknown[] | undefined,
  after: readonly unknown[],
): { readonly gone: readonly number[]; readonly put: readonly EntryRow[] } {
  const text = (value: unknown) => JSON.stringify(value);
  const left = new Map<string, EntryRow[]>();
  for (const row of rows) left.set(text(row.value), [...(left.get(text(row.value)) ?? []), row]);
  const put = after.flatMap((value, place): EntryRow[] => {
    const row = left.get(text(value))?.shift();
    if (!row) return [{ list, place, value }];
    return row.place === place ? [] : [{ ...row, place }];
  });
  const known = before && new Set(before.map(text));
  const gone = [...left.values()].flat().filter((row) => !known || known.has(text(row.value)));
  return { gone: gone.map((row) => row.id!), put };
}

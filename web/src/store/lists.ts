import type { Settings } from '../db/settings/settings';

/** Settings that are lists, of which each entry comes, changes and goes for itself. */
type ListName = 'own' | 'goals' | 'routines' | 'remarks' | 'experiments' | 'block' | 'favourites' | 'fingerings';
type EntryOf<Name extends ListName> = Settings[Name][number];

interface Change<Name extends ListName> {
  readonly list: Name;
  /** what was there; left out when something comes that was not */
  readonly from?: EntryOf<Name>;
  /** what comes; left out when something goes */
  readonly to?: EntryOf<Name>;
  /** the place of what comes; the end when left out */
  readonly at?: number;
}
/** What becomes of one entry of a list. It names the entry itself, so that whatever else changed meanwhile stays. */
export type ListChange = { [Name in ListName]: Change<Name> }[ListName];

const added = <Name extends ListName>(list: Name, to: EntryOf<Name>) => ({ list, to }) as unknown as ListChange;
const changed = <Name extends ListName>(list: Name, from: EntryOf<Name>, to: EntryOf<Name>) =>
  ({ list, from, to }) as unknown as ListChange;
const removed = <Name extends ListName>(list: Name, from: EntryOf<Name>) => ({ list, from }) as unknown as ListChange;
export const entry = { added, changed, removed };

/** Settings after some changes, one after the other. What was named and is not there any more changes nothing. */
export function withChanges(settings: Settings, changes: readonly ListChange[]): Settings {
  return changes.reduce<Settings>((now, change) => {
    const list: readonly unknown[] = now[change.list];
    const place = change.from === undefined ? -1 : placeOf(list, change.from);
    if (change.from !== undefined && place < 0) return now;
    const rest = place < 0 ? list : list.toSpliced(place, 1);
    const at = change.at ?? (place < 0 ? rest.length : place);
    const after = change.to === undefined ? rest : rest.toSpliced(Math.min(at, rest.length), 0, change.to);
    return { ...now, [change.list]: after };
  }, settings);
}

/** What undoes changes that are made to these settings now, and nothing but them. */
export function inverseOf(settings: Settings, changes: readonly ListChange[]): ListChange[] {
  let now = settings;
  const inverses = changes.map(({ list, from, to, ...change }) => {
    const at = from === undefined ? undefined : placeOf(now[list], from);
    now = withChanges(now, [{ list, from, to, ...change } as ListChange]);
    return {
      list,
      ...(to !== undefined && { from: to }),
      ...(from !== undefined && { to: from }),
      ...(at !== undefined && at >= 0 && { at }),
    } as unknown as ListChange;
  });
  return inverses.reverse();
}

/** Where an entry like this one is, the same one first; −1 when there is none. */
function placeOf(list: readonly unknown[], entry: unknown): number {
  const same = list.indexOf(entry);
  if (same >= 0) return same;
  const text = JSON.stringify(entry);
  return list.findIndex((other) => JSON.stringify(other) === text);
}

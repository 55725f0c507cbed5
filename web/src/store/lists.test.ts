import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FIRST_SETTINGS, type Settings } from '../db/settings/settings';
import { entry, inverseOf, withChanges, type ListChange } from './lists';

const marked = (...favourites: string[]): Settings => ({ ...FIRST_SETTINGS, favourites });

describe('entries of lists', () => {
  it('come, change and go for themselves', () => {
    const changes = [
      entry.added('favourites', 'c'),
      entry.changed('favourites', 'a', 'A'),
      entry.removed('favourites', 'b'),
    ];
    expect(withChanges(marked('a', 'b'), changes).favourites).toEqual(['A', 'c']);
  });

  it('what is not there any more is neither changed nor removed', () => {
    const before = marked('a');
    expect(withChanges(before, [entry.changed('favourites', 'x', 'y'), entry.removed('favourites', 'z')])).toEqual(
      before,
    );
  });

  it('an entry is found by what it holds, when another page wrote it', () => {
    const goal = { kind: 'longTone', midi: 62, by: '2026-12-01', instrumentId: 'alto' } as const;
    const settings = { ...FIRST_SETTINGS, goals: [{ ...goal }] };
    expect(withChanges(settings, [entry.removed('goals', goal)]).goals).toEqual([]);
  });

  it('undoing takes back what was done and leaves what came since', () => {
    const before = marked('a', 'b', 'c');
    const undo = inverseOf(before, [entry.removed('favourites', 'b')]);
    const since = withChanges(withChanges(before, [entry.removed('favourites', 'b')]), [
      entry.added('favourites', 'd'),
    ]);
    expect(withChanges(since, undo).favourites).toEqual(['a', 'b', 'c', 'd']);
  });

  it('whatever was changed is as it was after its inverse', () => {
    const names = fc.constantFrom('a', 'b', 'c', 'd', 'e');
    const change = fc.oneof(
      names.map((name) => entry.added('favourites', `${name}!`)),
      fc.tuple(names, names).map(([from, to]) => entry.changed('favourites', from, `${to}?`)),
      names.map((name) => entry.removed('favourites', name)),
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(names),
        fc.uniqueArray(change, { selector: (made) => JSON.stringify(made) }),
        (list, changes) => {
          const before = marked(...list);
          // Each names what is there when its turn comes, as the page does.
          let now = before;
          const real: ListChange[] = [];
          for (const made of changes) {
            if (made.from !== undefined && !now.favourites.includes(made.from as string)) continue;
            if (made.to !== undefined && now.favourites.includes(made.to as string)) continue;
            real.push(made);
            now = withChanges(now, [made]);
          }
          expect(withChanges(now, inverseOf(before, real)).favourites).toEqual(before.favourites);
        },
      ),
    );
  });
});

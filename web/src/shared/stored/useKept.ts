import { liveQuery, type Subscription } from 'dexie';
import { useSyncExternalStore } from 'react';

/** What a query found last, and who is told when it finds something else. */
class Kept<Found> {
  private readonly readers = new Set<() => void>();
  private readonly running: Subscription;
  private found: Found | undefined;
  private failed: { readonly error: unknown } | undefined;

  constructor(
    readonly name: string,
    readonly key: string,
    query: () => Promise<Found>,
  ) {
    this.running = liveQuery(query).subscribe({
      next: (found) => this.tell(() => (this.found = found)),
      error: (error) => this.tell(() => (this.failed = { error })),
    });
  }

  readonly subscribe = (reader: () => void): (() => void) => {
    this.readers.add(reader);
    return () => this.readers.delete(reader);
  };

  /** @throws what the query failed with */
  readonly now = (): Found | undefined => {
    if (this.failed) throw this.failed.error;
    return this.found;
  };

  get isRead(): boolean {
    return this.readers.size > 0;
  }

  get hasFailed(): boolean {
    return this.failed !== undefined;
  }

  end(): void {
    this.running.unsubscribe();
  }

  private tell(change: () => void): void {
    change();
    for (const reader of this.readers) reader();
  }
}

const kept = new Set<Kept<unknown>>();

/**
 * What a query of the database finds, kept up to date from its first reader on for as long as the page stands: who comes
 * back to a place has it at once. Undefined while it is read the first time.
 *
 * @param name of what is asked for; of each the answer under the last key alone is kept
 * @param key what the query hangs on: under another one the old answer is no answer
 * @throws in the place that reads it, what the query failed with; once nobody reads it, it is asked anew
 */
export function useKept<Found>(name: string, key: string, query: () => Promise<Found>): Found | undefined {
  const { subscribe, now } = keptUnder(name, key, query);
  return useSyncExternalStore(subscribe, now);
}

function keptUnder<Found>(name: string, key: string, query: () => Promise<Found>): Kept<Found> {
  for (const one of kept) {
    if (one.name !== name || (one.key === key && !one.hasFailed) || one.isRead) continue;
    one.end();
    kept.delete(one);
  }
  const last = [...kept].find((one) => one.name === name && one.key === key) as Kept<Found> | undefined;
  if (last) return last;
  const first = new Kept(name, key, query);
  kept.add(first);
  return first;
}

/** Forgets all that is kept; for tests, each of which has a database of its own. */
export function forgetKept(): void {
  for (const one of kept) one.end();
  kept.clear();
}

import { useLiveQuery } from 'dexie-react-hooks';

/**
 * What a query of the database finds, kept up to date; undefined while it is read. What was found under another key is
 * not shown under this one: where notes, takes or horns change, the old answer is no answer.
 */
export function useKeyed<Found>(key: string, query: () => Promise<Found>): Found | undefined {
  const found = useLiveQuery(async () => ({ key, value: await query() }), [key]);
  return found?.key === key ? found.value : undefined;
}

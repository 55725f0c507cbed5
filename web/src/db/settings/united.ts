import type { Part } from './parts';
import { SETTINGS_PARTS, type Settings } from './settings';

type Parts = Readonly<Record<string, Part>>;
type Values = Readonly<Record<string, unknown>>;

/**
 * What a backup adds to settings that are in use: the entries of every list and record that are not here yet, and nothing
 * else. Which these are follows from the table of the settings, so that none can be forgotten.
 */
export function united(own: Settings, other: Settings, parts: Parts = SETTINGS_PARTS): Partial<Settings> {
  const collected = Object.entries(parts).filter(([, { by, ofNow }]) => by !== 'whole' && !ofNow);
  const [mine, theirs] = [own as unknown as Values, other as unknown as Values];
  return Object.fromEntries(
    collected.map(([name, { by }]) => [
      name,
      by === 'list'
        ? withNew((mine[name] ?? []) as readonly unknown[], (theirs[name] ?? []) as readonly unknown[])
        : { ...(theirs[name] as object), ...(mine[name] as object) },
    ]),
  );
}

function withNew(mine: readonly unknown[], theirs: readonly unknown[]): readonly unknown[] {
  const here = new Set(mine.map(identityOf));
  return [...mine, ...theirs.filter((entry) => !here.has(identityOf(entry)))];
}

/** The name of an entry where it has one, else all of it. */
function identityOf(entry: unknown): string {
  const { id } = (entry ?? {}) as { readonly id?: unknown };
  return typeof id === 'string' ? id : JSON.stringify(entry);
}

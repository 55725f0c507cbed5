/*
 * Bounds of what a file may hold, so that nothing that is accepted can stop a place: far beyond anything a player does.
 */

/** How deep lists and objects may lie in one another; deeper ones overflow those who walk through them. */
const DEEPEST = 24;
/** Seeds of the stand-in player go up to 2³¹. */
const LARGEST_NUMBER = 1e12;
const LONGEST_TEXT = 1_000_000;

/**
 * The first place of a parsed JSON value that is out of bounds: too deep, or a number that is not finite or beyond
 * `largest`, or an endless text. Undefined when all is well. Walks without recursion, so that depth can't stop it.
 */
export function outOfBounds(value: unknown, largest = LARGEST_NUMBER): string | undefined {
  const open: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value, path: '', depth: 0 },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: here, path, depth } = next;
    if (typeof here === 'number' && !(Math.abs(here) <= largest))
      return `${path}: expected a number up to ${largest}, got ${here}`;
    if (typeof here === 'string' && here.length > LONGEST_TEXT) return `${path}: expected a shorter text`;
    if (typeof here !== 'object' || here === null) continue;
    if (depth >= DEEPEST) return `${path.slice(0, 80)}: expected at most ${DEEPEST} lists and objects in one another`;
    for (const [key, entry] of Object.entries(here))
      open.push({ value: entry, path: path === '' ? key : `${path}.${key}`, depth: depth + 1 });
  }
  return undefined;
}

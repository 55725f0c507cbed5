/** Two looks this near to each other are one, milliseconds. */
const AT_ONCE_MS = 1;
/** A thread that is put aside is put aside seldom so many times in a row. */
const LOOKS = 5;

/**
 * How far the wall clock is ahead of one that nobody sets, milliseconds. The two can only be read one after the other: a
 * thread that is put aside in between would find them apart by as long, so they are read again, and the nearest look counts.
 */
export function clockOffsetMs(
  wallMs: () => number = Date.now,
  steadyMs: () => number = () => performance.now(),
): number {
  let nearestMs = Infinity;
  let offsetMs = 0;
  for (let look = 0; look < LOOKS && nearestMs > AT_ONCE_MS; look++) {
    const beforeMs = steadyMs();
    const thenMs = wallMs();
    const apartMs = steadyMs() - beforeMs;
    if (apartMs >= nearestMs) continue;
    nearestMs = apartMs;
    offsetMs = thenMs - beforeMs - apartMs / 2;
  }
  return offsetMs;
}

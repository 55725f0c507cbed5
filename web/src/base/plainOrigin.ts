/*
 * What browsers give only to pages that came over https or from this machine. On others the application works without:
 * ids are drawn by hand, and of locks there are none, since two pages at once are rare there.
 */

/** A random id, as a UUID of version 4. */
export function newId(): string {
  const { randomUUID } = crypto as Partial<Crypto>;
  if (randomUUID) return randomUUID.call(crypto);
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}

/** Runs something while no other page does the same. */
export function withLock<T>(name: string, run: () => Promise<T>): Promise<T> {
  const { locks } = navigator as Partial<Navigator>;
  return locks ? (locks.request(name, run) as Promise<T>) : run();
}

/** The same, unless another page is at it: then nothing runs, and undefined comes back. */
export function withFreeLock<T>(name: string, run: () => Promise<T>): Promise<T | undefined> {
  const { locks } = navigator as Partial<Navigator>;
  if (!locks) return run();
  return locks.request(name, { ifAvailable: true }, async (lock) => (lock ? await run() : undefined)) as Promise<
    T | undefined
  >;
}

/** Puts text on the clipboard; whether that worked. */
export async function copied(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text);
    return true;
  } catch {
    return false;
  }
}

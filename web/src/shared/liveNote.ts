/** The written note that sounds now, for the rail: told only when it changes. */
let current: number | null = null;
const listeners = new Set<() => void>();

export function setLiveNote(written: number | null): void {
  if (written === current) return;
  current = written;
  for (const listener of listeners) listener();
}

export function liveNote(): number | null {
  return current;
}

export function onLiveNote(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

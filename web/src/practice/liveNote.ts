/** The written note that sounds now, for the rail: told only when it changes. */
export class LiveNote {
  private current: number | null = null;
  private readonly listeners = new Set<() => void>();

  set(written: number | null): void {
    if (written === this.current) return;
    this.current = written;
    for (const listener of this.listeners) listener();
  }

  readonly get = (): number | null => this.current;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
}

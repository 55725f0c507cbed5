/** Keeps the screen from going dark during a take, where the browser can; a refusal is no trouble. */
export async function keepAwake(): Promise<WakeLockSentinel | undefined> {
  try {
    return await (navigator as Partial<Navigator>).wakeLock?.request('screen');
  } catch {
    return undefined;
  }
}

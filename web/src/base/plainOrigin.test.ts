import { afterEach, describe, expect, it, vi } from 'vitest';
import { copied, newId, withFreeLock, withLock } from './plainOrigin';

afterEach(() => vi.unstubAllGlobals());

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;

describe('what a page by plain http lacks', () => {
  it('ids are drawn by hand, each another', () => {
    const { crypto } = globalThis;
    vi.stubGlobal('crypto', { getRandomValues: (bytes: Uint8Array<ArrayBuffer>) => crypto.getRandomValues(bytes) });
    const ids = Array.from({ length: 100 }, newId);
    for (const id of ids) expect(id).toMatch(UUID);
    expect(new Set(ids).size).toBe(100);
  });

  it('without locks things run all the same', async () => {
    vi.stubGlobal('navigator', {});
    expect(await withLock('a', async () => 5)).toBe(5);
    expect(await withFreeLock('a', async () => 6)).toBe(6);
    expect(await copied('text')).toBe(false);
  });

  it('with locks one that is taken is left alone', async () => {
    const locks = {
      request: (_: string, options: unknown, run?: (lock: null) => unknown) =>
        run ? run(null) : (options as () => unknown)(),
    };
    vi.stubGlobal('navigator', { locks });
    expect(await withLock('a', async () => 5)).toBe(5);
    expect(await withFreeLock('a', async () => 6)).toBeUndefined();
  });
});

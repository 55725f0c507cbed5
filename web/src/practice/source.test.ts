import { afterEach, describe, expect, it, vi } from 'vitest';
import { FIRST_SETTINGS } from '../db/settings/settings';
import { pathOf } from './source';

afterEach(() => vi.unstubAllGlobals());

describe('a way round that was not measured', () => {
  const settings = { ...FIRST_SETTINGS, loops: {} };
  it('is what the browser reports of it', () => {
    const context = { baseLatency: 0.01, outputLatency: 0.05 } as AudioContext;
    expect(pathOf(context, settings)).toEqual({ delayS: 0.06, delayErrorS: 0.03 });
  });
  it('is not asked of a browser that can lock up over it, and known less well there', () => {
    vi.stubGlobal('navigator', { userAgent: 'Mozilla/5.0 (X11; Linux x86_64; rv:153.0) Gecko/20100101 Firefox/153.0' });
    const context = {
      baseLatency: 0,
      get outputLatency(): number {
        throw new Error('asked');
      },
    } as AudioContext;
    expect(pathOf(context, settings)).toEqual({ delayS: 0.04, delayErrorS: 0.05 });
  });
});

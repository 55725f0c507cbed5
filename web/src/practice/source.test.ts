import { afterEach, describe, expect, it, vi } from 'vitest';
import { FIRST_SETTINGS } from '../db/settings/settings';
import { pathOf } from './source';

afterEach(() => vi.unstubAllGlobals());

describe('a way round that was not measured', () => {
  const settings = { ...FIRST_SETTINGS, loops: {} };
  it('is what the browser reports of it', () => {
    vi.stubGlobal('navigator', { userAgent: 'Mozilla/5.0 (X11; Linux x86_64) Chrome/156.0.0.0 Safari/537.36' });
    const context = { baseLatency: 0.25, outputLatency: 0.5 } as AudioContext;
    expect(pathOf(context, settings)).toEqual({ delayS: 0.75, delayErrorS: 0.03 });
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

import { expect, it } from 'vitest';
import { licencesOf } from '../web/licences';

it('every library and font that ships is listed with its licence, and nearly all with its text', () => {
  const all = licencesOf(['web', 'core']);
  const named = (name: string) => all.find((entry) => entry.name === name);
  // A dependency, one of a dependency, one of core alone, the fonts, and what our own signs were cut from.
  for (const name of ['react-dom', 'scheduler', 'fft.js', '@fontsource/literata', '@fontsource/noto-music'])
    expect(named(name)).toMatchObject({ name, version: expect.stringMatching(/^\d/) as string });
  expect(named('@fontsource/literata')?.text).toContain('SIL OPEN FONT LICENSE');
  expect(all.filter(({ licence }) => licence === '')).toEqual([]);
  expect(all.filter(({ text }) => text === '').length).toBeLessThan(8);
  expect(named('vite')).toBeUndefined();
});

import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { FAMILIES } from './catalogue';

const root = fileURLToPath(new URL('../..', import.meta.url));
const ids = FAMILIES.map((family) => family.id).join('|');
const BRANCH = new RegExp(`(?:===|!==|case)\\s*'(?:${ids})'`);

function sources(folder: string): string[] {
  return readdirSync(`${root}/${folder}`, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name))
    .map((name) => `${folder}/${name}`);
}

it('no code outside a family’s folder asks which family it is', () => {
  const files = [...sources('core'), ...sources('web/src')].filter((name) => !name.startsWith('core/families/'));
  expect(files.length).toBeGreaterThan(200);
  expect(files.filter((name) => BRANCH.test(readFileSync(`${root}/${name}`, 'utf8')))).toEqual([]);
});

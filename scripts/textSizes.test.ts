import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

/** A size of text of its own: those of the theme have names. */
const OWN_SIZE = /fontSize=(?:"[0-9.]+(?:rem|px)"|\{\{?[^{}]*'[0-9.]+(?:rem|px)')/;

it('every text of a page has a size of the theme', () => {
  const pages = execFileSync('git', ['ls-files', 'web/src/*.tsx'], { encoding: 'utf8' }).trim().split('\n');
  expect(pages.length).toBeGreaterThan(100);
  expect(pages.filter((file) => OWN_SIZE.test(readFileSync(file, 'utf8')))).toEqual([]);
});

it.each([
  ['fontSize="14px"', true],
  ["fontSize={large ? '1.5rem' : 'lead'}", true],
  ["fontSize={{ base: 'lead',\n md: '20px' }}", true],
  ['fontSize="lead" width="14px"', false],
  ["fontSize={size} css={{ width: '14px' }}", false],
])('%s is a size of its own: %s', (text, own) => expect(OWN_SIZE.test(text)).toBe(own));

import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

/** What says that a page has gone to another view, what waits for something of that view, and what says that something is not there or how much there is, at once. */
const LEAVES = /\.(goto|reload|goBack|goForward)\(/;
const ABSENT =
  /toHaveCount\(0\)|toBeHidden\(|not\.toBeVisible\(|not\.toBeAttached\(|not\.toContainText\(|isHidden\(\)|\.count\(\)|\.all\(\)|allTextContents\(/;
const WAITS =
  /await expect\(|waitFor|\.click\(|\.fill\(|\.selectOption\(|\.check\(|\.uncheck\(|await until|await \w+\(page/;

/** Lines that look for an absence before anything of a view was waited for: they pass because they look too early. */
export function earlyAbsences(text: string): number[] {
  let arrived = true;
  return text.split('\n').flatMap((line, i) => {
    if (ABSENT.test(line)) return arrived ? [] : [i + 1];
    if (LEAVES.test(line)) arrived = false;
    else if (WAITS.test(line)) arrived = true;
    return [];
  });
}

it.each(readdirSync('tests').filter((name) => name.endsWith('.spec.ts')))('%s asserts no absence too early', (name) =>
  expect(earlyAbsences(readFileSync(`tests/${name}`, 'utf8'))).toEqual([]),
);

it('finds what looks too early, and leaves what waits', () => {
  const early = ["await page.goto('/horn');", "await expect(page.getByText('x')).toHaveCount(0);"];
  expect(earlyAbsences(early.join('\n'))).toEqual([2]);
  const waits = [early[0], "await expect(page.getByText('map')).toBeVisible();", early[1]];
  expect(earlyAbsences(waits.join('\n'))).toEqual([]);
});

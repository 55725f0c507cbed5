import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { transformSync } from 'esbuild';

const EAR = ['core/signal', 'core/theory'];
const JUDGE = [...EAR, 'core/exercise', 'core/families', 'core/measure', 'core/judge', 'core/take', 'core/simulate'];
const MAP = ['core/history', 'core/map'];
const PLAN = ['core/theory', 'core/exercise', 'core/families', 'core/judge/nextStep.ts', ...MAP, 'core/lesson'];
const SEASON = [
  ...PLAN,
  'bench/teacher.ts',
  'bench/teacherRules.ts',
  'bench/lessonFigures.ts',
  'bench/season.ts',
  'bench/modelledPlayers.ts',
];

/** The generated pages: by which command each is written, and from which sources. */
export const PAGES = {
  bench: { command: 'bench', sources: [...EAR, 'bench/generate.ts', 'bench/cases.ts', 'bench/score.ts'] },
  judge: { command: 'bench:judge', sources: [...JUDGE, 'bench/judge.ts'] },
  families: { command: 'bench:families', sources: [...JUDGE, 'bench/families.ts', 'bench/typicalMistakes.ts'] },
  inputs: { command: 'bench:inputs', sources: [...JUDGE, 'bench/inputs.ts', 'bench/inputTakes.ts'] },
  evened: { command: 'bench:evened', sources: [...JUDGE, 'core/evened', 'bench/evened.ts'] },
  map: { command: 'bench:map', sources: [...JUDGE, ...MAP, 'bench/map.ts'] },
  edge: {
    command: 'bench:edge',
    sources: [...EAR, 'core/measure/edge.ts', 'core/measure/interruptions.ts', 'bench/edge.ts', 'bench/realTakes.ts'],
  },
  experiments: {
    command: 'bench:experiments',
    sources: ['core/experiments', 'bench/experiments.ts'],
  },
  shelf: {
    command: 'bench:shelf',
    sources: [...EAR, 'core/measure/tubeOf.ts', 'core/take/model.ts', 'bench/shelf.ts', 'bench/recorded.ts'],
  },
  fair: {
    command: 'bench:fair',
    sources: [...PLAN, 'bench/fair.ts', 'bench/fairModel.ts', 'bench/fairRoutines.ts', 'bench/fairCells.ts'],
  },
  planner: { command: 'bench:planner', sources: [...PLAN, 'bench/planner.ts'] },
  passages: { command: 'bench:passages', sources: [...PLAN, 'bench/passages.ts', 'bench/plannerModel.ts'] },
  teacher: { command: 'bench:teacher', sources: SEASON },
  season: { command: 'bench:teacher', sources: SEASON },
  firstMinute: {
    command: 'bench:first',
    sources: ['web/src/features/today', 'web/src/practice', 'bench/firstMinute.ts'],
  },
  scale: { command: 'bench:scale', sources: ['web/src/db', ...MAP, 'core/lesson', 'bench/scale.ts'] },
} as const satisfies Record<string, { readonly command: string; readonly sources: readonly string[] }>;
export type PageName = keyof typeof PAGES;

/** Where a page stands. */
export const pageFile = (name: PageName) => `docs/${name}.md`;

/** Writes a page into docs with the state of the sources that it was made from. */
export function writePage(name: PageName, report: string): void {
  writeFileSync(pageFile(name), `${report.trimEnd()}\n\n<!-- made from ${stateOf(name)} -->\n`);
  // Those that are left as they are written are no error.
  execFileSync('npx', ['oxfmt', '--no-error-on-unmatched-pattern', pageFile(name)]);
}

/** The state of a page's sources, tests aside: it changes with what each of them does, not with its layout, types and remarks. */
export function stateOf(name: PageName): string {
  const files = execFileSync('git', ['ls-files', ...PAGES[name].sources], { encoding: 'utf8' })
    .trim()
    .split('\n');
  const hash = createHash('sha256');
  for (const file of files) if (!file.includes('.test.')) hash.update(file).update(doneBy(file));
  return hash.digest('hex').slice(0, 12);
}

function doneBy(file: string): string {
  const text = readFileSync(file, 'utf8');
  const loader = (['ts', 'tsx'] as const).find((kind) => file.endsWith(`.${kind}`));
  return loader ? transformSync(text, { loader, minifyWhitespace: true, legalComments: 'none' }).code : text;
}

/** The state that a page says it was made from; undefined for one that does not say. */
export function madeFrom(name: PageName): string | undefined {
  return /<!-- made from (\w+) -->/.exec(readFileSync(pageFile(name), 'utf8'))?.[1];
}

// The two commands of the project, written with Node's built-ins only, so that they work before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

process.chdir(fileURLToPath(new URL('..', import.meta.url)));
const STAMP = 'node_modules/.installed-lock';
const CHROMIUM = '/usr/bin/chromium';

const commands = { demo, test };
const command = commands[process.argv[2]];
if (!command) fail('Use: node scripts/run.mjs demo | test');
await command();

async function demo() {
  await install([packages()]);
  run('npx', ['vite', 'build', 'web']);
  run('npx', ['tsx', 'server/src/main.ts', '--demo', ...process.argv.slice(3)]);
}

async function test() {
  await install([packages(), chromium()]);
  const script = (name) => ['npm', ['run', '--silent', name]];
  const build = ['npx', ['vite', 'build', 'web', '--logLevel', 'warn']];
  // Two lanes that take about as long as each other.
  await together([
    [script('lint')],
    [script('typecheck'), script('layers'), build, ['npx', ['tsx', 'scripts/bundleSize.ts']]],
  ]);
  const unit = tally(
    ['vitest', 'run', '--reporter=default', '--reporter=json', '--outputFile.json=.cache/unit.json'],
    () => {
      const { numPassedTests, numFailedTests } = readJson('.cache/unit.json');
      return { passed: numPassedTests, failed: numFailedTests };
    },
  );
  const browser = tally(['playwright', 'test'], () => {
    const { expected, flaky, unexpected } = readJson('.cache/browser.json').stats;
    return { passed: expected + flaky, failed: unexpected };
  });
  const passed = unit.passed + browser.passed;
  const failed = unit.failed + browser.failed;
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed === 0 && unit.ok && browser.ok ? 0 : 1);
}

/** Runs what is missing side by side. */
async function install(lanes) {
  await together(lanes);
  writeFileSync(STAMP, lockHash());
}

function packages() {
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lockHash()) return [];
  console.log('Installing packages …');
  return [['npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']]];
}

function lockHash() {
  return createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
}

function chromium() {
  if (existsSync(CHROMIUM)) return [];
  if (process.getuid?.() !== 0)
    fail(`The browser tests need Debian's Chromium at ${CHROMIUM}: apt-get install chromium`);
  console.log('Installing Chromium …');
  return [
    ['apt-get', ['update', '-qq']],
    ['apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium']],
  ];
}

function tally(args, read) {
  const { status } = spawnSync('npx', args, { stdio: 'inherit' });
  try {
    const { passed, failed } = read();
    // What ended badly without a failed test did not run as it should: it is one failure.
    return { passed, failed: status === 0 ? failed : Math.max(1, failed), ok: status === 0 };
  } catch {
    return { passed: 0, failed: 1, ok: false };
  }
}

function run(program, args) {
  const { status } = spawnSync(program, args, { stdio: 'inherit' });
  if (status !== 0) process.exit(status ?? 1);
}

/** Runs lanes of commands side by side, those of a lane in turn; stops with the first that failed, once all have ended. */
async function together(lanes) {
  const ends = lanes.map(async (commands) => {
    for (const [program, args] of commands) {
      const status = await new Promise((end) => spawn(program, args, { stdio: 'inherit' }).on('close', end));
      if (status !== 0) return status ?? 1;
    }
    return 0;
  });
  const failed = (await Promise.all(ends)).find((status) => status !== 0);
  if (failed !== undefined) process.exit(failed);
}

function readJson(path) {
  return JSON.parse(readFileSync(path, 'utf8'));
}

function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

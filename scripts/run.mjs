// The two commands of the project, written with Node's built-ins only, so that they work before anything is installed.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

process.chdir(fileURLToPath(new URL('..', import.meta.url)));
const STAMP = 'node_modules/.installed-lock';
/** What the browser tests need of Debian: each program with the package that has it. */
const PROGRAMS = {
  '/usr/bin/chromium': 'chromium',
  '/usr/bin/chromium-headless-shell': 'chromium-headless-shell',
  '/usr/bin/firefox-esr': 'firefox-esr',
  '/usr/bin/WebKitWebDriver': 'webkit2gtk-driver',
  '/usr/bin/Xvfb': 'xvfb',
  '/usr/bin/dbus-run-session': 'dbus-x11',
  '/usr/lib/x86_64-linux-gnu/gstreamer-1.0/libgstautodetect.so': 'gstreamer1.0-plugins-good',
  '/usr/bin/pulseaudio': 'pulseaudio',
  '/usr/bin/paplay': 'pulseaudio-utils',
};

/** As much of what a failed test said as names the line and what was there instead. */
const WHY_CHARACTERS = 1_500;

/** Longer than any test may take, and than the longest file of them takes beside busy programs. */
const SILENT_MS = 360_000;

const commands = { demo, test };
const command = commands[process.argv[2]];
if (!command) fail('Use: node scripts/run.mjs demo | test');
await command();

async function demo() {
  await install([packages()]);
  const built = await run('npx', ['vite', 'build', 'web']);
  if (built.failed) process.exit(1);
  await run('npx', ['tsx', 'server/src/main.ts', '--demo', ...process.argv.slice(3)]);
}

async function test() {
  await install([packages(), debianPackages()]);
  // What an earlier run left is not counted.
  rmSync('.cache', { recursive: true, force: true });
  mkdirSync('.cache');
  const script = (name) => () => run('npm', ['run', '--silent', name]);
  const unit = tally(
    'unit',
    ['vitest', 'run', '--project', 'core', '--project', 'web', ...jsonOf('unit')],
    vitestCounts,
  );
  const engines = (file) => tally(file, ['vitest', 'run', '--project', 'engines', file, ...jsonOf(file)], vitestCounts);
  const flows = tally('flows', ['playwright', 'test'], flowCounts);
  let built;
  const build = () => (built ??= run('npx', ['vite', 'build', 'web', '--logLevel', 'warn']));
  // Two lanes that take about as long as each other: the one computes, the other mostly waits for browsers. An errand at the
  // pace of a player goes beside them; what a real microphone hears comes last, where the least runs beside it.
  const results = await together([
    [script('typecheck'), script('layers'), script('dead'), script('lint'), script('spelled'), unit],
    [build, flows, engines('realSound')],
    [build, engines('errand')],
  ]);
  // Told, not judged: the longest of them takes an hour to make anew.
  await script('stale')();
  const passed = results.reduce((sum, result) => sum + (result.passed ?? 0), 0);
  const failed = results.reduce((sum, result) => sum + (result.failed ?? 0), 0);
  // Named once more where they are found: the output before is long.
  for (const name of results.flatMap(({ names = [] }) => names)) console.log(`failed: ${name}`);
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
}

/** Installs what is missing side by side. */
async function install(lanes) {
  const results = await together(lanes);
  if (results.some(({ failed }) => failed)) process.exit(1);
  writeFileSync(STAMP, lockHash());
}

function packages() {
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lockHash()) return [];
  console.log('Installing packages …');
  return [() => run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])];
}

function lockHash() {
  return createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
}

function debianPackages() {
  const missing = Object.entries(PROGRAMS).flatMap(([path, name]) => (existsSync(path) ? [] : [name]));
  if (missing.length === 0) return [];
  if (process.getuid?.() !== 0)
    fail(`The browser tests need programs that are not here. As root: apt-get install ${missing.join(' ')}`);
  console.log(`Installing ${missing.join(', ')} …`);
  return [
    () => run('apt-get', ['update', '-qq']),
    () => run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing]),
  ];
}

/** Runs a program to its end; what comes of it counts as one failure when it did not end well. */
async function run(program, args) {
  const status = await new Promise((end) =>
    spawn(program, args, { stdio: 'inherit' })
      .on('close', end)
      .on('error', () => end(1)),
  );
  return status === 0 ? {} : { failed: 1, stop: true };
}

/**
 * The same for what reports as it goes: one that has said nothing for so long hangs, and is ended with all that it started.
 * No time limit of a test ends a loop that never lets go.
 */
async function runHeard(program, args) {
  let hangs = false;
  const status = await new Promise((end) => {
    const child = spawn(program, args, { stdio: ['inherit', 'pipe', 'pipe'], detached: true });
    let timer;
    const heard = () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        hangs = true;
        process.kill(-child.pid, 'SIGKILL');
      }, SILENT_MS);
    };
    heard();
    for (const [from, to] of [
      [child.stdout, process.stdout],
      [child.stderr, process.stderr],
    ])
      from.on('data', (text) => {
        heard();
        to.write(text);
      });
    const done = (code) => {
      clearTimeout(timer);
      end(code);
    };
    child.on('close', done).on('error', () => done(1));
  });
  if (hangs) console.log(`${args.join(' ')} hangs: it said nothing for ${SILENT_MS / 60_000} minutes, and was ended.`);
  return status === 0 ? {} : { failed: 1, stop: true };
}

/** Runs tests and counts them by the file that they leave. */
function tally(name, args, countsOf) {
  return async () => {
    const fromMs = Date.now();
    const { failed: ended = 0 } = await runHeard('npx', args);
    console.log(`${name}: ${Math.round((Date.now() - fromMs) / 1000)} s`);
    try {
      const { passed, names } = countsOf(readJson(`.cache/${name}.json`));
      // What ended badly without a failed test did not run as it should: it is one failure.
      if (ended && names.length === 0) names.push(`${name} ended badly`);
      return { passed, failed: names.length, names };
    } catch {
      return { failed: 1, names: [`${name} left no report`] };
    }
  };
}

function jsonOf(name) {
  return ['--reporter=default', '--reporter=json', `--outputFile.json=.cache/${name}.json`];
}

function vitestCounts({ numPassedTests, testResults }) {
  const names = testResults.flatMap(({ name, status, assertionResults }) => {
    const failed = assertionResults
      .filter((test) => test.status === 'failed')
      .map((test) => `${name}: ${test.fullName}${whyOf(test.failureMessages.join('\n'))}`);
    // A file that could not even be read has no tests to name.
    return status === 'failed' && failed.length === 0 ? [name] : failed;
  });
  return { passed: numPassedTests, names };
}

function flowCounts({ stats, suites }) {
  const specs = suites.flatMap(function all({ specs: own = [], suites: within = [] }) {
    return [...own, ...within.flatMap(all)];
  });
  const names = specs
    .filter(({ ok }) => !ok)
    .map(({ file, title, tests }) => {
      const errors = tests.flatMap(({ results }) => results.flatMap((result) => result.errors));
      return `${file}: ${title}${whyOf(errors.map(({ message }) => message).join('\n'))}`;
    });
  return { passed: stats.expected + stats.flaky, names };
}

/** What a failed test said, as far as it helps to find it: without colours, from the next line on. */
function whyOf(message) {
  const plain = message
    .replaceAll(/\u001B\[\d+m/g, '')
    .trim()
    .slice(0, WHY_CHARACTERS);
  return plain ? `\n  ${plain.replaceAll('\n', '\n  ')}` : '';
}

/** Runs lanes side by side, the steps of a lane in turn, a lane to its first step that stops it; gives what came of all. */
async function together(lanes) {
  const results = await Promise.all(
    lanes.map(async (steps) => {
      const of = [];
      for (const step of steps) {
        of.push(await step());
        if (of.at(-1).stop) break;
      }
      return of;
    }),
  );
  return results.flat();
}

function readJson(path) {
  return JSON.parse(readFileSync(path, 'utf8'));
}

function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

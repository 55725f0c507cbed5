import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { chromium } from '@playwright/test';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { writeWav } from '@inner-hum/core/formats';
import { SeededRandom } from '@inner-hum/core/simulate';
import { toInt16 } from '@inner-hum/core/take';
import { choose, click, ENGINES, until, untilThere, type Engine, type EngineName } from '../tests/engines/engine';
import { served } from '../tests/engines/served';
import { soundCard } from '../tests/engines/soundCard';
import { CHROMIUM_FLAGS } from '../playwright.config';
import { writePage } from './pages';
import { playRecorded } from './realTakes';
import { table } from './score';

const RATE_HZ = 44_100;
/** A recorded swell on G4 again and again: whenever the page listens, there is a tone. */
const TIMES = 6;
const GAP_S = 0.7;
const text = (engine: Engine, words: string) =>
  until(
    engine,
    `a button “${words}”`,
    (wanted) => {
      const button = [...document.querySelectorAll('button')].find((one) => one.textContent.includes(wanted));
      if (!button || button.disabled) return false;
      button.click();
      return true;
    },
    words,
  );

/** Seconds from asking for the address to the first screen, to being understood, and to the first verdict. */
async function firstMinute(name: EngineName, wav: string): Promise<readonly number[]> {
  const application = await served();
  const card = await soundCard();
  const microphone = name !== 'WebKit';
  const engine = await ENGINES[name]({ microphone, sound: card.env });
  let played: Promise<void> | undefined;
  const fromMs = performance.now();
  const passed = () => (performance.now() - fromMs) / 1000;
  try {
    await engine.goto(`${application.url}/`);
    await untilThere(engine, '[data-testid="first-ribbon"]');
    const screenS = passed();
    let understoodS = NaN;
    if (microphone) {
      played = card.play(wav);
      await text(engine, 'Play one long G4');
      await text(engine, 'That is right');
      understoodS = passed();
    } else {
      await engine.run(() => document.querySelector('details')!.toggleAttribute('open', true));
      await choose(engine, 'Where does the sound come from?', 'standIn');
      await text(engine, 'To the first swell');
    }
    await click(engine, '[data-testid="start"]');
    await untilThere(engine, '[data-testid="verdict"]');
    return [screenS, understoodS, passed()];
  } finally {
    await engine.close();
    await application.end();
    card.end();
    await played?.catch(() => undefined);
  }
}

/** A processor so many times slower, a line of so many bits a second with so long a way, milliseconds. */
const SLOW = { processor: 4, bitsPerS: 10e6, wayMs: 40 };
const LOADS = 9;

/** Of an empty copy on a slow machine: milliseconds to the first picture, and until the large way in can be pressed. */
async function slowLoads(): Promise<readonly (readonly [number, number])[]> {
  const application = await served();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: CHROMIUM_FLAGS });
  const found: [number, number][] = [];
  for (let i = 0; i < LOADS; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send('Network.enable');
    const bytesPerS = SLOW.bitsPerS / 8;
    await session.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: SLOW.wayMs,
      downloadThroughput: bytesPerS,
      uploadThroughput: bytesPerS,
    });
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOW.processor });
    await page.goto(`${application.url}/`, { waitUntil: 'commit' });
    // Looked for in each picture.
    const usable = await page.waitForFunction(
      () => document.querySelector('[data-testid="first-ribbon"] + * button:not(:disabled)') && performance.now(),
    );
    const usableMs = Number(await usable.jsonValue());
    const firstMs = await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]!.startTime);
    found.push([firstMs, usableMs]);
    await context.close();
  }
  await browser.close();
  await application.end();
  return found;
}

const folder = mkdtempSync(join(tmpdir(), 'minute-'));
const wav = join(folder, 'played.wav');
const random = new SeededRandom(5);
const swell = playRecorded(exerciseScore(usualExercise(familyById('swell'), 'alto')));
const each = swell.length + Math.round(GAP_S * RATE_HZ);
const room = Float32Array.from({ length: TIMES * each }, (_, i) => (swell[i % each] ?? 0) + 0.0006 * random.normal());
writeFileSync(wav, writeWav(RATE_HZ, toInt16(room)));

const rows: string[][] = [];
for (const name of Object.keys(ENGINES) as EngineName[]) {
  const seconds = await firstMinute(name, wav);
  rows.push([name, ...seconds.map((passed) => (Number.isNaN(passed) ? '–' : `${passed.toFixed(1)} s`))]);
  await pause(1000);
}
rmSync(folder, { recursive: true, force: true });

const loads = await slowLoads();
const spread = (place: 0 | 1) => {
  const ms = loads.map((load) => load[place]).sort((a, b) => a - b);
  return [ms[0]!, ms[ms.length >> 1]!, ms.at(-1)!].map((one) => `${(one / 1000).toFixed(2)} s`);
};

writePage(
  'firstMinute',
  `# The first minute

Written by \`npm run bench:first\`: from asking for the address with an empty browser, nobody hesitating. A recorded saxophone plays
G4 into a sound card in memory, which Chromium and Firefox take for a microphone; the driver of WebKit gives none, there the stand-in
is chosen from the lists and plays the first swell. The count-in and eight beats at 60 are twelve seconds of it. What a player needs
to read and to press three times comes on top.

${table([['engine', 'first screen', 'understood and taken', 'first verdict'], ...rows])}

## On a slow machine

An empty copy in Chromium, the processor ${SLOW.processor} times slower, ${SLOW.bitsPerS / 1e6} Mbit/s with ${SLOW.wayMs} ms to the server, ${LOADS} times: until something is
drawn, and until the large way in can be pressed.

${table([
  ['', 'quickest', 'middle', 'slowest'],
  ['first picture', ...spread(0)],
  ['usable', ...spread(1)],
])}`,
);

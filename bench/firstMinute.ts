import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { writeWav } from '@inner-hum/core/formats';
import { SeededRandom } from '@inner-hum/core/simulate';
import { toInt16 } from '@inner-hum/core/take';
import { choose, click, ENGINES, until, untilThere, type Engine, type EngineName } from '../tests/engines/engine';
import { served } from '../tests/engines/served';
import { soundCard } from '../tests/engines/soundCard';
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

writePage(
  'firstMinute',
  `# The first minute

Written by \`npm run bench:first\`: from asking for the address with an empty browser, nobody hesitating. A recorded saxophone plays
G4 into a sound card in memory, which Chromium and Firefox take for a microphone; the driver of WebKit gives none, there the stand-in
is chosen from the lists and plays the first swell. The count-in and eight beats at 60 are twelve seconds of it. What a player needs
to read and to press three times comes on top.

${table([['engine', 'first screen', 'understood and taken', 'first verdict'], ...rows])}`,
);

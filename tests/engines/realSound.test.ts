import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { usualExercise, exerciseScore, familyById } from '@inner-hum/core/families';
import { writeWav } from '@inner-hum/core/formats';
import { SeededRandom } from '@inner-hum/core/simulate';
import { toInt16, type TakeRecord } from '@inner-hum/core/take';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { playRecorded } from '../../bench/realTakes';
import { choose, click, ENGINES, untilText, untilThere, type Engine } from './engine';
import { served, type Served } from './served';
import { soundCard } from './soundCard';

// A recorded saxophone plays a clean swell into a sound card in memory: the browsers take it for a real microphone at 48 kHz.
// What a machine loses of it under load must be told as lost, never as the player's fault.

const RATE_HZ = 44_100;
const BUSY_PROGRAMS = 4;
const folder = mkdtempSync(join(tmpdir(), 'played-'));
const playedWav = join(folder, 'played.wav');
const roomWav = join(folder, 'room.wav');
/** The room is heard for so long, seconds: longer than it takes to open a page and play a take beside busy programs. */
const ROOM_S = 170;
/** What plays begins so long before the tone, seconds. */
const LEAD_S = 2;
let application: Served;

beforeAll(async () => {
  const score = exerciseScore(usualExercise(familyById('swell'), 'alto'));
  const swell = playRecorded(score);
  const played = new Float32Array(LEAD_S * RATE_HZ + swell.length);
  played.set(swell, LEAD_S * RATE_HZ);
  writeFileSync(playedWav, writeWav(RATE_HZ, toInt16(played)));
  // A null sink is silent to the last bit, which no room is.
  const random = new SeededRandom(3);
  const room = Float32Array.from({ length: ROOM_S * RATE_HZ }, () => 0.0006 * random.normal());
  writeFileSync(roomWav, writeWav(RATE_HZ, toInt16(room)));
  application = await served();
});
afterAll(async () => {
  await application.end();
  rmSync(folder, { recursive: true, force: true });
});

/** What a verdict says of the player, and what of the device. */
async function verdictOf(engine: Engine): Promise<{ readonly told: readonly string[]; readonly lostMs: number }> {
  const record = await engine.run(
    () =>
      new Promise<TakeRecord>((resolve, reject) => {
        const opening = indexedDB.open('inner-hum');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const all = opening.result.transaction('takes').objectStore('takes').getAll();
          all.onsuccess = () => resolve(all.result[0] as TakeRecord);
        };
      }),
  );
  const told = record.verdict.findings.filter(({ weight }) => weight > 0).map(({ id }) => id);
  return { told, lostMs: record.lostMs };
}

async function playedInto(name: 'Chromium' | 'Firefox', busy: number) {
  const card = await soundCard();
  const engine = await ENGINES[name]({ microphone: true, sound: card.env });
  const programs = Array.from({ length: busy }, () => spawn(process.execPath, ['-e', 'for (;;);']));
  const heard = [card.play(roomWav)];
  try {
    await engine.goto(`${application.url}/stand`);
    await untilThere(engine, '[data-testid="start"]');
    await choose(engine, 'Beat one', 'sound');
    await click(engine, '[data-testid="start"]');
    await untilText(engine, 'your first tone is beat one');
    heard.push(card.play(playedWav));
    await untilThere(engine, '[data-testid="verdict"]');
    return await verdictOf(engine);
  } finally {
    for (const program of programs) program.kill('SIGKILL');
    await engine.close();
    // What is left of the room's sound nobody hears any more.
    card.end();
    await Promise.all(heard);
  }
}

const BOTH = ['Chromium', 'Firefox'] as const;

describe('a recorded swell through the microphone', () => {
  it.each(BOTH)('of %s on a quiet machine is clean, or what was lost is told', async (name) => {
    expect(await blamedBy(name, 0)).toEqual([]);
  });
});

describe('a recorded swell through the microphone, beside busy programs', () => {
  // Each engine has a sound card of its own: here the other one is busy beside it as well.
  it.concurrent.each(BOTH)('of %s is clean, or told as lost, never the player’s fault', async (name) => {
    expect(await blamedBy(name, BUSY_PROGRAMS)).toEqual([]);
  });
});

/** What the player would be told of a take that was played well. */
async function blamedBy(name: (typeof BOTH)[number], busy: number): Promise<readonly string[]> {
  const { told, lostMs } = await playedInto(name, busy);
  console.log(name, busy > 0 ? 'busy' : 'quiet', told.join(' ') || 'clean', `${lostMs} ms lost`);
  return told.filter((id) => !['soundLost', 'tooMuchLost'].includes(id));
}

import { readFileSync } from 'node:fs';
import { readWav } from '@inner-hum/core/formats';
import { hear, type Frames } from '@inner-hum/core/signal';
import type { Page } from '@playwright/test';
import { expect, goByLink, test, withStandIn } from './app';

declare global {
  interface Window {
    /** samples of the sound that was made ready last, as 32-bit floats in base64 */
    lastSound: () => string;
  }
}

/** The G4 of an alto as it sounds. */
const TARGET_HZ = 233.08;
const HOP_S = 0.01;

/** Keeps what the page makes ready to be heard. */
async function keepSounds(page: Page): Promise<void> {
  await page.addInitScript(() => {
    let last = new Float32Array();
    const copy = AudioBuffer.prototype.copyToChannel;
    AudioBuffer.prototype.copyToChannel = function (source, channel, offset) {
      last = Float32Array.from(source);
      return copy.call(this, source, channel, offset);
    };
    window.lastSound = () => {
      const bytes = new Uint8Array(last.buffer);
      let text = '';
      for (let i = 0; i < bytes.length; i += 32768) text += String.fromCharCode(...bytes.subarray(i, i + 32768));
      return btoa(text);
    };
  });
}

/** The ear's frames of what the page plays once a sound is chosen. */
async function heardAs(page: Page, kind: string): Promise<Frames> {
  await page.getByRole('combobox', { name: 'Hear' }).selectOption(kind);
  await page.getByRole('button', { name: 'Play', exact: false }).first().click();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  const bytes = Buffer.from(await page.evaluate(() => window.lastSound()), 'base64');
  await page.getByRole('button', { name: 'Pause' }).click();
  return hear(new Float32Array(bytes.buffer, bytes.byteOffset, bytes.length / 4), { sampleRateHz: 48_000 });
}

/** Within the tone, attack and end aside: 95th percentiles of cents off the target and dB off an even swell. */
function offPlan({ f0Hz, levelDb }: Frames): { readonly cents: number; readonly db: number; readonly told: string } {
  // The tone alone: what may be heard elsewhere in the room's noise is another test's matter.
  const toned = [...f0Hz.keys()].filter((i) => Math.abs(1200 * Math.log2(f0Hz[i]! / TARGET_HZ)) < 100);
  const [from, to] = [toned[0]! + 0.25 / HOP_S, toned.at(-1)! - 0.25 / HOP_S];
  const frames = toned.filter((i) => i >= from && i <= to);
  const cents = frames.map((i) => Math.abs(1200 * Math.log2(f0Hz[i]! / TARGET_HZ)));
  // Of a line up and down again, the slope that fits best.
  const middle = (from + to) / 2;
  const x = frames.map((i) => 1 - Math.abs(i - middle) / (middle - from));
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(x), mean(frames.map((i) => levelDb[i]!))];
  const slope =
    frames.reduce((sum, i, k) => sum + (x[k]! - mx) * (levelDb[i]! - my), 0) /
    x.reduce((sum, value) => sum + (value - mx) ** 2, 0);
  const db = frames.map((i, k) => Math.abs(levelDb[i]! - my - slope * (x[k]! - mx)));
  const worst = frames[db.indexOf(Math.max(...db))]!;
  const told = `tone in frames ${toned[0]}–${toned.at(-1)} (${toned.length}), level farthest off in frame ${worst}`;
  const at95 = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(0.95 * values.length)]!;
  return { cents: at95(cents), db: at95(db), told };
}

/** What the fault leaves at least of it in the take as played: twice what an evened one may have. */
for (const [fault, least] of [
  ['stair', { cents: 0, db: 1.4 }],
  ['sinking', { cents: 15, db: 0 }],
] as const)
  test(`a take with a ${fault} in it is heard evened: on its plan, by the ear`, async ({ page }) => {
    await keepSounds(page);
    await withStandIn(page, fault);
    await goByLink(page, '/stand');
    await page.getByTestId('start').click();
    await page.getByRole('link', { name: 'Numbers and traces' }).click();
    const played = offPlan(await heardAs(page, 'played'));
    expect(played.cents).toBeGreaterThan(least.cents);
    expect(played.db).toBeGreaterThan(least.db);
    const evened = offPlan(await heardAs(page, 'evened'));
    expect(evened.cents, evened.told).toBeLessThan(1.5);
    expect(evened.db, evened.told).toBeLessThan(0.7);
    // What goes out as a file is the same.
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Your tone, evened (WAV)' }).click();
    const read = readWav(readFileSync(await (await saved).path()));
    if (read.kind === 'refused') throw new Error(read.detail);
    const { samples, sampleRateHz } = read.sound;
    const kept = offPlan(hear(samples, { sampleRateHz }));
    expect(kept.cents, kept.told).toBeLessThan(1.5);
    expect(kept.db, kept.told).toBeLessThan(0.7);
  });

import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS } from '../playwright.config';
import { swellTone, writeToneWav } from '../tests/testWav';

const PORT = 4192;

/** What is measured in the running application: how soon the ear answers and how evenly it draws. */
export interface BrowserFigures {
  readonly answerMs: number;
  readonly framesPerSecond: number;
  readonly worstFrameMs: number;
}

/**
 * Listens by microphone path in the built application. The answer is the time from a sample on the audio clock to the
 * decided frame on the page (the sound card's own delay is not in it); frames are counted during free play.
 */
export async function browserFigures(): Promise<BrowserFigures> {
  const wav = resolve('.cache/bench.wav');
  const steady = { hz: 233.08, beatS: 1, beats: 12, softDb: -30, loudDb: -24, centreCents: 0, slopeCents: 0 };
  writeToneWav(wav, swellTone(steady), 0.5, 0.5);
  const server = spawn('npx', ['tsx', 'server/src/main.ts', '--port', String(PORT)], {
    stdio: 'ignore',
    detached: true,
  });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      ...CHROMIUM_FLAGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${wav}`,
    ],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await new Promise((done) => setTimeout(done, 3000));
    await page.goto(`http://localhost:${PORT}/set-up`);
    await page.getByRole('button', { name: 'Check the level' }).click();
    await page.waitForTimeout(6000);
    const answers: number[] = [];
    for (let i = 0; i < 20; i++) {
      await page.waitForTimeout(150);
      answers.push(Number(/(\d+) ms/.exec((await page.getByTestId('delay').textContent()) ?? '')?.[1]));
    }
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByRole('link', { name: 'Stand' }).click();
    await page.keyboard.press('f');
    await page.waitForTimeout(2500);
    // As text: a compiled function would carry helpers that the page does not have.
    const gaps = await page.evaluate<number[]>(`new Promise((done) => {
      const found = [];
      let last = performance.now();
      requestAnimationFrame(function tick(now) {
        found.push(now - last);
        last = now;
        if (found.length < 300) requestAnimationFrame(tick);
        else done(found.slice(5));
      });
    })`);
    const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
    answers.sort((a, b) => a - b);
    return { answerMs: answers[10]!, framesPerSecond: 1000 / mean, worstFrameMs: Math.max(...gaps) };
  } finally {
    await browser.close();
    process.kill(-server.pid!);
  }
}

import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { chromium } from '@playwright/test';
import puppeteer from 'puppeteer-core';
import { Builder, By, Capabilities, type WebDriver } from 'selenium-webdriver';
import { CHROMIUM_FLAGS } from '../../playwright.config';

/** A browser with one page, driven as little as an errand needs, so that every engine can be. */
export interface Engine {
  goto(url: string): Promise<void>;
  /** runs a function in the page; what it gives must be JSON */
  run<Result, Given extends readonly unknown[]>(
    fn: (...given: Given) => Result | Promise<Result>,
    ...given: Given
  ): Promise<Awaited<Result>>;
  /** clicks as a person does, so that the page may make sound */
  click(selector: string): Promise<void>;
  close(): Promise<void>;
}

export interface Wish {
  /** whether a page may take the machine's microphone without a question */
  readonly microphone?: boolean;
  /** the sound card to use; see `soundCard` */
  readonly sound: Readonly<Record<string, string>>;
}

/** A name of this machine that no browser takes for a trusted one. */
export const PLAIN_HOST = 'stand.example';

/** How each engine is started. */
export const ENGINES = {
  /** Debian's Chromium */
  Chromium: async ({ microphone = false, sound }: Wish): Promise<Engine> => {
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      env: { ...process.env, ...sound },
      args: [
        ...CHROMIUM_FLAGS,
        `--host-resolver-rules=MAP ${PLAIN_HOST} 127.0.0.1`,
        ...(microphone ? ['--use-fake-ui-for-media-stream'] : []),
      ],
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    return {
      goto: async (url) => void (await page.goto(url)),
      run: async (fn, ...given) =>
        page.evaluate(
          ({ source, args }) => (new Function(`return (${source})`)() as (...a: unknown[]) => never)(...args),
          {
            source: fn.toString(),
            args: [...given],
          },
        ),
      click: (selector) => page.click(selector),
      close: () => browser.close(),
    };
  },
  /** Debian's Firefox */
  Firefox: async ({ microphone = false, sound }: Wish): Promise<Engine> => {
    const browser = await puppeteer.launch({
      browser: 'firefox',
      executablePath: '/usr/bin/firefox-esr',
      headless: true,
      protocolTimeout: 45_000,
      env: { ...process.env, ...sound },
      extraPrefsFirefox: {
        'media.autoplay.default': 0,
        'media.navigator.permission.disabled': microphone,
        'permissions.default.microphone': microphone ? 1 : 2,
      },
    });
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    return {
      goto: async (url) => void (await page.goto(url)),
      run: async (fn, ...given) => (await page.evaluate(fn as never, ...(given as unknown as never[]))) as never,
      click: (selector) => page.click(selector),
      close: () => browser.close(),
    };
  },
  /** WebKit's own small browser, on a screen in memory */
  WebKit: async ({ sound }: Wish): Promise<Engine> => {
    const display = `:${90 + Math.floor(Math.random() * 900)}`;
    const home = mkdtempSync(join(tmpdir(), 'webkit-'));
    const port = 20_000 + Math.floor(Math.random() * 20_000);
    const env = {
      ...process.env,
      DISPLAY: display,
      ...sound,
      HOME: home,
      XDG_RUNTIME_DIR: home,
      WEBKIT_DISABLE_SANDBOX_THIS_IS_DANGEROUS: '1',
      LIBGL_ALWAYS_SOFTWARE: '1',
    };
    const screen = spawn('Xvfb', [display, '-screen', '0', '1280x900x24'], { stdio: 'ignore' });
    await pause(500);
    const driver = spawn('dbus-run-session', ['--', 'WebKitWebDriver', `--port=${port}`, '--host=127.0.0.1'], {
      env,
      stdio: 'ignore',
      detached: true,
    });
    const web = await connected(port);
    await web.manage().window().setRect({ width: 1280, height: 880 });
    return {
      goto: (url) => web.get(url),
      run: async (fn, ...given) => {
        const answer = await web.executeAsyncScript<{ value?: never; error?: string }>(
          `const done = arguments[arguments.length - 1];
           Promise.resolve((${fn.toString()})(...arguments[0]))
             .then((value) => done({ value }), (error) => done({ error: String(error) }));`,
          [...given],
        );
        if (answer.error !== undefined) throw new Error(answer.error);
        return answer.value as never;
      },
      click: (selector) => web.findElement(By.css(selector)).click(),
      close: async () => {
        await web.quit().catch(() => undefined);
        ended(driver);
        screen.kill();
        rmSync(home, { recursive: true, force: true });
      },
    };
  },
} as const;
export type EngineName = keyof typeof ENGINES;

async function connected(port: number): Promise<WebDriver> {
  const wanted = new Capabilities({
    browserName: 'MiniBrowser',
    'webkitgtk:browserOptions': {
      binary: '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
      args: ['--automation'],
    },
  });
  for (let tries = 0; ; tries++)
    try {
      const web = await new Builder().usingServer(`http://127.0.0.1:${port}`).withCapabilities(wanted).build();
      await web.manage().setTimeouts({ script: 60_000, pageLoad: 60_000 });
      return web;
    } catch (error) {
      // The driver takes a moment until it listens.
      if (tries > 40) throw error;
      await pause(250);
    }
}

/** Ends a process and what it has started. */
function ended(child: ChildProcess): void {
  try {
    process.kill(-child.pid!);
  } catch {
    child.kill();
  }
}

const STEP_MS = 60_000;

/** Waits until something holds in the page; fails within a minute, with what the page says. */
export async function until<Given extends readonly unknown[]>(
  engine: Engine,
  what: string,
  holds: (...given: Given) => boolean,
  ...given: Given
): Promise<void> {
  const endMs = Date.now() + STEP_MS;
  for (;;) {
    if (await engine.run(holds, ...given).catch(() => false)) return;
    if (Date.now() > endMs) {
      const text = await engine.run(() => document.body.innerText.slice(0, 1500)).catch(String);
      throw new Error(`not within a minute: ${what}. The page says:\n${text}`);
    }
    await pause(150);
  }
}

/** Clicks what there is or will be. */
export async function click(engine: Engine, selector: string): Promise<void> {
  await untilThere(engine, selector);
  await engine.click(selector);
}

export const untilText = (engine: Engine, text: string) =>
  until(engine, `the text “${text}”`, (wanted) => document.body.innerText.includes(wanted), text);

export const untilThere = (engine: Engine, selector: string) =>
  until(engine, `an element ${selector}`, (wanted) => document.querySelector(wanted) !== null, selector);

/** Chooses an option of a field, by its label, as a person does: the page is told. */
export async function choose(engine: Engine, label: string, value: string): Promise<void> {
  await until(
    engine,
    `a field “${label}”`,
    (name) => {
      for (const details of document.querySelectorAll('details')) details.open = true;
      return [...document.querySelectorAll('select')].some((field) => field.labels[0]?.textContent.startsWith(name));
    },
    label,
  );
  await engine.run(
    (name, wanted) => {
      const field = [...document.querySelectorAll('select')].find((one) =>
        one.labels[0]?.textContent.startsWith(name),
      )!;
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')!.set!.call(field, wanted);
      field.dispatchEvent(new Event('change', { bubbles: true }));
    },
    label,
    value,
  );
}

/** Goes to a place by its link, as a person does, and waits for its heading. */
export async function goTo(engine: Engine, place: string): Promise<void> {
  await click(engine, `nav a[href="/${place}"]`);
  await until(
    engine,
    `the heading of ${place}`,
    (path) => location.pathname === path && document.querySelector('h1') !== null,
    `/${place}`,
  );
}

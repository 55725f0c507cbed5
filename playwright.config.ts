import { defineConfig } from '@playwright/test';

const PORT = 4190;

/** Flags of Debian's Chromium, headless, kept from looking for anything outside this machine. */
export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--autoplay-policy=no-user-gesture-required',
];

export default defineConfig({
  testDir: 'tests',
  testMatch: '*.spec.ts',
  workers: 2,
  fullyParallel: true,
  // Nothing here measures time: the longest takes a minute on a quiet machine, and five beside busy programs.
  timeout: 300_000,
  // What hangs fails within a minute; the demo season, read and laid out in the browser, takes a tenth of that.
  expect: { timeout: 60_000 },
  outputDir: 'test-results',
  reporter: [['list'], ['json', { outputFile: '.cache/flows.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium-headless-shell', args: CHROMIUM_FLAGS },
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    trace: 'off',
    // What is kept for offline use is fetched in its own test alone.
    serviceWorkers: 'block',
  },
  webServer: {
    command: `npx tsx server/src/main.ts --port ${PORT}`,
    url: `http://localhost:${PORT}/healthz`,
    reuseExistingServer: false,
  },
});

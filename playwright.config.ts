import { defineConfig } from '@playwright/test';

const PORT = 4190;

/** Debian's Chromium, headless, kept from looking for anything outside this machine. */
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
  // A machine eight times slower needs eight times as long; nothing here measures time.
  timeout: 600_000,
  // The demo season is read, checked and laid out in the browser before it shows.
  expect: { timeout: 120_000 },
  outputDir: 'test-results',
  reporter: [['list'], ['json', { outputFile: '.cache/browser.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: CHROMIUM_FLAGS },
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

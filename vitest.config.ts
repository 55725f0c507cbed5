import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Tests that play and hear whole takes must not fail on a slow machine.
    testTimeout: 60_000,

    include: [
      'core/**/*.test.ts',
      'web/src/**/*.test.{ts,tsx}',
      'server/**/*.test.ts',
      'scripts/**/*.test.ts',
      'bench/**/*.test.ts',
    ],
  },
});

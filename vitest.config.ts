import { defineConfig } from 'vitest/config';

// Tests that play and hear whole takes must not fail on a slow machine.
const testTimeout = 600_000;

export default defineConfig({
  test: {
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'core',
          testTimeout,
          // Nothing in core keeps a state, so its files can share their modules.
          isolate: false,
          include: ['core/**/*.test.ts', 'bench/**/*.test.ts', 'server/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
      {
        test: {
          name: 'web',
          testTimeout,
          setupFiles: ['web/src/testing/english.ts'],
          include: ['web/src/**/*.test.{ts,tsx}'],
        },
      },
      {
        test: {
          name: 'engines',
          testTimeout: 180_000,
          include: ['tests/engines/**/*.test.ts'],
          fileParallelism: false,
        },
      },
    ],
  },
});

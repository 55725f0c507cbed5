import { defineConfig } from 'vitest/config';

// The longest plays and hears whole takes: ten seconds on a quiet machine, five times that beside the flows and busy programs.
const testTimeout = 120_000;
const hookTimeout = 120_000;
const LARGE_LIBRARIES = [
  '@chakra-ui/react',
  '@reduxjs/toolkit',
  '@testing-library/react',
  'date-fns',
  'dexie',
  'dexie-react-hooks',
  'i18next',
  'react',
  'react-dom',
  'react-dom/client',
  'react-i18next',
  'react-redux',
  'react-router',
  'react/jsx-dev-runtime',
  'recharts',
  'yup',
];

export default defineConfig({
  test: {
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'core',
          testTimeout,
          hookTimeout,
          // Nothing in core keeps a state, so its files can share their modules.
          isolate: false,
          // What a bench plays at the rate of a recording is tried at another one.
          env: { INNER_HUM_PLAY_HZ: '22050' },
          include: ['core/**/*.test.ts', 'bench/**/*.test.ts', 'server/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
      {
        test: {
          name: 'web',
          testTimeout,
          hookTimeout,
          setupFiles: ['web/src/testing/english.ts'],
          // Each file reads these anew: as one piece each that takes a third less.
          deps: { optimizer: { client: { enabled: true, include: LARGE_LIBRARIES } } },
          include: ['web/src/**/*.test.{ts,tsx}'],
        },
      },
      {
        test: {
          name: 'engines',
          testTimeout: 180_000,
          hookTimeout,
          include: ['tests/engines/**/*.test.ts'],
          fileParallelism: false,
        },
      },
    ],
  },
});

import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: [
      'core/**/*.test.ts',
      'web/src/**/*.test.ts',
      'server/**/*.test.ts',
      'scripts/**/*.test.ts',
      'bench/**/*.test.ts',
    ],
  },
});

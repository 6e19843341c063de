import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // All cores: one is left idle otherwise, which on two is half.
    maxWorkers: availableParallelism(),
    projects: [
      // Pure functions: files share their modules, whose loading takes longer than most tests.
      { test: { name: 'core', include: ['core/tests/**/*.test.ts'], testTimeout: 30_000, isolate: false } },
      { test: { name: 'repository', include: ['checks/**/*.test.ts', 'contract/tests/**/*.test.ts'], testTimeout: 30_000 } },
      {
        test: {
          name: 'server',
          isolate: false,
          include: ['server/tests/**/*.test.ts'],
          globalSetup: ['server/tests/database-template.ts'],
          env: { TZ: 'UTC' },
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
      'web/vite.config.ts',
    ],
  },
});

import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/tests/**/*.test.ts'], testTimeout: 30_000 } },
      { test: { name: 'repository', include: ['checks/**/*.test.ts', 'contract/tests/**/*.test.ts'], testTimeout: 30_000 } },
      {
        test: {
          name: 'server',
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

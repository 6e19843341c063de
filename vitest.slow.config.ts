import { defineConfig } from 'vitest/config';

/** What takes minutes, kept out of the run that decides whether a change may land: ./ivlen test slow. */
export default defineConfig({
  test: {
    projects: [
      { test: { name: 'simulations', include: ['core/tests/slow/**/*.slow.ts'], testTimeout: 600_000 } },
      {
        test: {
          name: 'requests at random',
          include: ['server/tests/slow/**/*.slow.ts'],
          globalSetup: ['server/tests/database-template.ts'],
          env: { TZ: 'UTC' },
          testTimeout: 600_000,
        },
      },
    ],
  },
});

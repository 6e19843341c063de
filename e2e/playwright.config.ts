import { defineConfig } from '@playwright/test';

const SECONDS = 1000;

export default defineConfig({
  testDir: 'journeys',
  outputDir: '../test-results',
  fullyParallel: false,
  workers: 2,
  timeout: 120 * SECONDS,
  // Generous, since machines that run tests are busy with other things too.
  expect: { timeout: 25 * SECONDS },
  forbidOnly: process.env.CI !== undefined,
  // A machine that is busy with other things stalls a journey now and then; the report calls such a one flaky by name.
  retries: 1,
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    colorScheme: 'light',
    permissions: ['clipboard-read', 'clipboard-write'],
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});

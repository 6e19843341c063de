import { defineConfig } from '@playwright/test';
import { SLOW_JOURNEYS } from './slow-journeys';

const SECONDS = 1000;
/** Those that decide whether a change may land where nothing is said; the slow ones, or all. */
const journeys = process.env.IVLEN_JOURNEYS ?? 'usual';

export default defineConfig({
  testDir: 'journeys',
  outputDir: '../test-results',
  ...(journeys === 'slow' ? { grep: [...SLOW_JOURNEYS] } : journeys === 'usual' ? { grepInvert: [...SLOW_JOURNEYS] } : {}),
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

import { defineConfig } from '@playwright/test';

const urls = (process.env.FRESHET_URLS ?? process.env.FRESHET_URL ?? '').split(' ').filter(Boolean);

/** The real interface in Debian's Chromium, against the built application that scripts/test.mjs started. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  outputDir: 'test-results/e2e',
  workers: 2,
  fullyParallel: false,
  // Two browsers, two servers and a database share two cores: what fails once is tried again, and said to have been.
  retries: 1,
  timeout: 40_000,
  expect: { timeout: 8_000 },
  reporter: [['line'], ['json']],
  use: {
    // What stood on the screen when a try failed, beside its words in test-results/e2e.
    screenshot: 'only-on-failure',
    // Each worker has an application of its own, on a database of its own.
    baseURL: urls[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % urls.length] ?? 'http://127.0.0.1:4173',
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Dublin',
    locale: 'en-GB',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});

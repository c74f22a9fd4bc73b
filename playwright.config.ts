import { defineConfig } from '@playwright/test';

/** The real interface in Debian's Chromium, against the built application that scripts/test.mjs started. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.spec.ts',
  outputDir: 'test-results/e2e',
  workers: 1,
  retries: 0,
  timeout: 40_000,
  expect: { timeout: 8_000 },
  reporter: [['line'], ['json']],
  use: {
    baseURL: process.env.FRESHET_URL ?? 'http://127.0.0.1:4173',
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

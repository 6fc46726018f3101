import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  timeout: 90_000,
  expect: { timeout: 10_000 }, // two browsers share two cores with two servers and a database
  workers: 2,
  fullyParallel: true, // no test leaves anything behind for the next
  retries: 0,
  reporter: [['list'], ['./files-reporter.ts']],
  forbidOnly: true,
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium' },
    acceptDownloads: true,
    locale: 'en-GB',
    trace: 'off',
    serviceWorkers: 'block', // a spec of its own opens the application without its server
  },
});

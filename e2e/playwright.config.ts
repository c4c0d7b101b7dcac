import { defineConfig } from '@playwright/test';
import { VIEWPORT } from './app.js';
import { launchOptions } from './chromium.js';

export default defineConfig({
  testDir: '.',
  outputDir: 'results',
  fullyParallel: true,
  workers: 2,
  // What is waited for, and how long a journey takes, tells of the machine and not of the application.
  timeout: 120_000,
  expect: { timeout: 15_000 },
  // One that needs it is named at the end: a fault to mend.
  retries: process.env['CI'] ? 1 : 0,
  reporter: [['list'], ['json']],
  use: {
    viewport: VIEWPORT,
    // It would fetch the whole application anew in every test; the test of working offline lets it.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: launchOptions(),
    screenshot: 'only-on-failure',
  },
});

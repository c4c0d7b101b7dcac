import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { VIEWPORT } from './app.js';

const chromium = JSON.parse(readFileSync(join(import.meta.dirname, '../scripts/chromium.json'), 'utf8')) as {
  paths: string[];
  args: string[];
};

export default defineConfig({
  testDir: '.',
  outputDir: 'results',
  fullyParallel: true,
  workers: 2,
  timeout: 60_000,
  // One that needs it is named at the end: a fault to mend.
  retries: process.env['CI'] ? 1 : 0,
  reporter: [['list'], ['json']],
  use: {
    viewport: VIEWPORT,
    // It would fetch the whole application anew in every test; the test of working offline lets it.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: chromium.paths.find((path) => existsSync(path))!, args: chromium.args },
    screenshot: 'only-on-failure',
  },
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const chromium = JSON.parse(readFileSync(join(import.meta.dirname, '../scripts/chromium.json'), 'utf8')) as {
  path: string;
  args: string[];
};

export default defineConfig({
  testDir: '.',
  outputDir: 'results',
  fullyParallel: true,
  workers: 2,
  timeout: 60_000,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    // It would fetch the whole application anew in every test; the test of working offline lets it.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: chromium.path, args: chromium.args },
    screenshot: 'only-on-failure',
  },
});

import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const chromium = JSON.parse(readFileSync(join(import.meta.dirname, '../scripts/chromium.json'), 'utf8')) as {
  paths: string[];
  args: string[];
  webgl: string[];
  flat: string[];
};

/** How the browser is started: with WebGL in software, which takes seconds a picture, only for journeys that look at figures. */
export function launchOptions(webgl = false): { executablePath: string; args: string[] } {
  const args = [...chromium.args, ...(webgl ? chromium.webgl : chromium.flat)];
  return { executablePath: chromium.paths.find((path) => existsSync(path))!, args };
}

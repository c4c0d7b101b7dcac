import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const chromium = JSON.parse(readFileSync(join(import.meta.dirname, '../scripts/chromium.json'), 'utf8')) as {
  paths: string[];
  args: string[];
  webgl: string[];
};

/** How the browser is started; with WebGL, which makes all else slower, only for journeys that look at figures. */
export function launchOptions(webgl = false): { executablePath: string; args: string[] } {
  const args = webgl ? [...chromium.args, ...chromium.webgl] : chromium.args;
  return { executablePath: chromium.paths.find((path) => existsSync(path))!, args };
}

import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium, type Browser } from 'playwright-core';

/** Debian's Chromium, started as the tests start it. */
export async function openChromium(root: string): Promise<Browser> {
  const settings = JSON.parse(await readFile(join(root, 'scripts/chromium.json'), 'utf8')) as { paths: string[]; args: string[] };
  return chromium.launch({ executablePath: settings.paths.find((path) => existsSync(path))!, args: settings.args });
}

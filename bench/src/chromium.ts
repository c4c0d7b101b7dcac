import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium, type Browser } from 'playwright-core';

/** Debian's Chromium, started as the tests start it, with WebGL where it is asked for. */
export async function openChromium(root: string, webgl = false): Promise<Browser> {
  const settings = JSON.parse(await readFile(join(root, 'scripts/chromium.json'), 'utf8')) as {
    paths: string[];
    args: string[];
    webgl: string[];
  };
  return chromium.launch({
    executablePath: settings.paths.find((path) => existsSync(path))!,
    args: [...settings.args, ...(webgl ? settings.webgl : [])],
  });
}

// Finds Chromium, and installs Debian's where there is none.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readFileSync } from 'node:fs';

/**
 * Where Debian puts Chromium, and the flags it runs with: as root, and asking no network for anything. The shell without
 * windows comes first: the whole browser draws its own bars for every page that is opened, which takes half of the time.
 */
const SETTINGS = JSON.parse(readFileSync(new URL('./chromium.json', import.meta.url), 'utf8'));

/** The browser to start; null while there is none. */
export function chromiumPath() {
  return SETTINGS.paths.find((path) => existsSync(path)) ?? null;
}

export const CHROMIUM_ARGS = SETTINGS.args;
/** With these it draws WebGL without a graphics chip; everything else takes longer then. */
export const WEBGL_ARGS = SETTINGS.webgl;

async function apt(...args) {
  const child = spawn('apt-get', args, {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  child.on('error', () => undefined);
  const [status] = await once(child, 'close');
  return status === 0;
}

export async function ensureChromium() {
  if (existsSync(SETTINGS.paths[0])) return;
  console.log('Installing Chromium from Debian’s packages …');
  const install = (name) => apt('install', '-y', '--no-install-recommends', name, 'fonts-liberation');
  // An install may work without fresh lists, so only its own failure counts.
  await apt('update');
  if ((await install('chromium-headless-shell')) || chromiumPath() || (await install('chromium'))) return;
  console.error('Chromium could not be installed. Install Debian’s package “chromium” as root, then run npm test again.');
  process.exit(1);
}

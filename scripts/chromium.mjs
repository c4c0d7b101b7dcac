// Finds Chromium, and installs Debian's where there is none.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, readFileSync } from 'node:fs';

/** Where Debian puts Chromium, and the flags it runs with: as root, and asking no network for anything. */
export const CHROMIUM = JSON.parse(readFileSync(new URL('./chromium.json', import.meta.url), 'utf8'));

export async function ensureChromium() {
  if (existsSync(CHROMIUM.path)) return;
  console.log('Installing Chromium from Debian’s packages …');
  const apt = async (args) => {
    const child = spawn('apt-get', args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    const [status] = await once(child, 'close');
    return status;
  };
  // An install may work without fresh lists, so only its own failure counts.
  await apt(['update']);
  const status = await apt(['install', '-y', '--no-install-recommends', 'chromium', 'fonts-liberation']);
  if (status !== 0 || !existsSync(CHROMIUM.path)) {
    console.error('Chromium could not be installed. Install Debian’s package “chromium” as root, then run npm test again.');
    process.exit(1);
  }
}

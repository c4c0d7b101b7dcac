// Finds Chromium, and installs Debian's where there is none.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';

/** Where Debian puts Chromium, and the flags it runs with: as root, and asking no network for anything. */
export const CHROMIUM = JSON.parse(readFileSync(new URL('./chromium.json', import.meta.url), 'utf8'));

export function ensureChromium() {
  if (existsSync(CHROMIUM.path)) return;
  console.log('Installing Chromium from Debian’s packages …');
  const apt = (args) =>
    spawnSync('apt-get', args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status;
  // An install may work without fresh lists; if it does not, fetch them and try once more.
  apt(['update']);
  if (apt(['install', '-y', '--no-install-recommends', 'chromium', 'fonts-liberation']) !== 0 || !existsSync(CHROMIUM.path)) {
    console.error('Chromium could not be installed. Install Debian’s package “chromium” as root, then run npm test again.');
    process.exit(1);
  }
}

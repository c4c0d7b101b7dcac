// Finds Chromium, and installs Debian's where there is none.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

export const CHROMIUM = '/usr/bin/chromium';

export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  console.log('Installing Chromium from Debian’s packages …');
  const apt = (args) =>
    spawnSync('apt-get', args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status;
  // An install may work without fresh lists; if it does not, fetch them and try once more.
  apt(['update']);
  if (apt(['install', '-y', '--no-install-recommends', 'chromium', 'fonts-liberation']) !== 0 || !existsSync(CHROMIUM)) {
    console.error('Chromium could not be installed. Install Debian’s package “chromium” as root, then run npm test again.');
    process.exit(1);
  }
}

// Installs the packages of the lock file where they are missing or were installed from another one. Node's own modules only.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const stamps = join(root, '.build');

/** The stamp of what a finished step was made from, or null. */
export function readStamp(name) {
  const path = join(stamps, name);
  return existsSync(path) ? readFileSync(path, 'utf8') : null;
}

export function writeStamp(name, value) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), value);
}

/** Runs a command in the project's folder; ends this process when it fails. `quiet` keeps its output off standard output. */
export function run(command, args, { cwd = root, quiet = false, env = {} } = {}) {
  const result = spawnSync(command, args, {
    cwd,
    stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  if (result.error) throw result.error;
  if (result.status !== 0) process.exit(result.status ?? 1);
}

/** The path of a package's command. */
export function bin(name) {
  return join(root, 'node_modules', '.bin', name);
}

export function ensureInstalled({ quiet = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(join(root, 'node_modules')) && readStamp('install') === lock) return;
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { quiet });
  writeStamp('install', lock);
}

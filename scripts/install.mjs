// Installs the packages of the lock file where they are missing or were installed from another one. Node's own modules only.
import { Buffer } from 'node:buffer';
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
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

/** Tells what goes on; on standard error where standard output is for an answer. */
export function say(words, quiet = false) {
  (quiet ? console.error : console.log)(words);
}

/**
 * Runs a command in the project's folder; ends this process when it fails. `quiet` keeps its output off standard output;
 * `held` tells what it said only when it fails.
 */
export async function run(command, args, { cwd = root, quiet = false, held = false, env = {} } = {}) {
  const out = held ? 'pipe' : quiet ? 2 : 'inherit';
  const child = spawn(command, args, {
    cwd,
    stdio: ['ignore', out, held ? 'pipe' : 'inherit'],
    env: { ...process.env, ...env },
  });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data) => said.push(data));
  const [status] = await once(child, 'close');
  if (status === 0) return;
  process.stderr.write(Buffer.concat(said));
  process.exit(status ?? 1);
}

/** The path of a package's command. */
export function bin(name) {
  return join(root, 'node_modules', '.bin', name);
}

/** Whether the packages that npm says are there ("npm ci" by hand) are all those of the lock file, in its versions. */
function isInstalled() {
  const path = join(root, 'node_modules/.package-lock.json');
  if (!existsSync(path)) return false;
  const { packages: wanted } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const { packages: there } = JSON.parse(readFileSync(path, 'utf8'));
  const fits = ([name, { version, link, optional }]) =>
    !name.startsWith('node_modules/') || (there[name] ? link || there[name].version === version : optional === true);
  return Object.entries(wanted).every(fits);
}

export function ensureInstalled({ quiet = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(join(root, 'node_modules')) && readStamp('install') === lock) return;
  if (isInstalled()) {
    writeStamp('install', lock);
    return;
  }
  say('Installing packages …', quiet);
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'],
  });
  if (status !== 0) process.exit(status ?? 1);
  writeStamp('install', lock);
}

// Builds what changed: the TypeScript packages (tsc works out for itself what is stale), then the web application.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { bin, ensureInstalled, readStamp, root, run, say, writeStamp } from './install.mjs';

/** What the web application is made from. */
const WEB_SOURCES = [
  'core/src',
  'api/src',
  'web/src',
  'web/public',
  'web/angular.json',
  'web/ngsw-config.json',
  'web/tsconfig.json',
  'web/tsconfig.app.json',
  'web/tsconfig.worker.json',
  'package-lock.json',
];

function files(path) {
  const full = join(root, path);
  if (!existsSync(full)) return [];
  return readdirSync(full, { withFileTypes: true }).flatMap((entry) => {
    const inside = join(path, entry.name);
    return entry.isDirectory() ? files(inside) : entry.name.endsWith('.spec.ts') ? [] : [inside];
  });
}

function hashOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths.flatMap((each) => (/\.json$/.test(each) ? [each] : files(each))).sort()) {
    hash
      .update(path)
      .update('\0')
      .update(readFileSync(join(root, path)))
      .update('\0');
  }
  return hash.digest('hex');
}

export async function buildPackages({ quiet = false } = {}) {
  await run(bin('tsc'), ['-b', 'server'], { quiet });
}

export async function buildWeb({ quiet = false } = {}) {
  const hash = hashOf(WEB_SOURCES);
  if (readStamp('web') === hash && existsSync(join(root, 'web/dist/browser/index.html'))) return;
  say('Building the application: about a minute, once …', quiet);
  await run(bin('ng'), ['build', '--progress', 'false'], {
    cwd: join(root, 'web'),
    held: true,
    env: { NG_CLI_ANALYTICS: 'false' },
  });
  writeStamp('web', hash);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  ensureInstalled();
  await buildPackages();
  await buildWeb();
}

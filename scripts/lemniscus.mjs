// npm run --silent lemniscus -- check FILE… [--json] | backup FILE | restore FILE | check-data
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { buildPackages } from './build.mjs';
import { ensureInstalled, root } from './install.mjs';

ensureInstalled({ quiet: true });
await buildPackages({ quiet: true });
// Paths are the caller's, who may have started npm in another folder.
const cwd = process.env.INIT_CWD ?? process.cwd();
const { status } = spawnSync(process.execPath, [join(root, 'server/dist/command/check.js'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd,
});
process.exit(status ?? 2);

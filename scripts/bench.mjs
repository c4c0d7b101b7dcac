// npm run bench [-- NAME …]: builds what is measured and what it is measured beside, then prints a table of ratios.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { buildPackages, buildWeb } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { bin, ensureInstalled, root, run } from './install.mjs';

ensureInstalled();
await ensureChromium();
await buildPackages();
await buildWeb();
const bare = join(root, 'bench/bare-page');
if (!existsSync(join(bare, 'dist/browser/index.html')))
  await run(bin('ng'), ['build'], { cwd: bare, env: { NG_CLI_ANALYTICS: 'false' } });
await run(bin('tsc'), ['-b', 'bench']);
await run(process.execPath, [join(root, 'bench/dist/main.js'), ...process.argv.slice(2)]);

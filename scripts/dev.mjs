// npm run dev: rebuilds on every change and restarts the server; reload the page to see it.
import { buildPackages, buildWeb } from './build.mjs';
import { bin, ensureInstalled, run } from './install.mjs';

ensureInstalled();
await buildPackages();
await buildWeb();
await run(bin('concurrently'), [
  '--kill-others',
  '--names',
  'packages,web,server',
  'tsc -b server --watch --preserveWatchOutput',
  'cd web && ng build --watch --configuration development',
  'node --watch server/dist/main.js',
]);

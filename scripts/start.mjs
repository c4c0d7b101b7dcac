// npm start: installs what is missing, builds what changed, serves the API and the application from one process.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildPackages, buildWeb } from './build.mjs';
import { ensureInstalled, root } from './install.mjs';

ensureInstalled();
await buildPackages();
await buildWeb();

const server = spawn(process.execPath, [join(root, 'server/dist/main.js'), ...process.argv.slice(2)], { stdio: 'inherit' });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));

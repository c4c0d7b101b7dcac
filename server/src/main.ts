import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.js';
import { openDatabase } from './database/open.js';
import { LiveMakes } from './live/live-makes.js';
import { readSettings } from './settings.js';
import { seedDemo } from './seed.js';

const HOST = '127.0.0.1';
const home = fileURLToPath(new URL('../..', import.meta.url));

async function main(): Promise<void> {
  const settings = readSettings(process.env, process.argv.slice(2), home);
  const database = await openDatabase(settings.data);
  if (settings.demo) await seedDemo(database, fileURLToPath(new URL('../../demo', import.meta.url)));
  const live = new LiveMakes();
  const server = createServer(createApp(database, fileURLToPath(new URL('../../web/dist/browser', import.meta.url)), live));
  server.listen(settings.port, HOST);
  await once(server, 'listening');
  console.log(`Lemniscus is at http://${HOST}:${(server.address() as AddressInfo).port}`);

  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    // Requests under way are answered; idle connections are let go; then the database is closed.
    const closed = once(server, 'close');
    server.close();
    live.close();
    server.closeIdleConnections();
    const late = setTimeout(() => server.closeAllConnections(), 3_000);
    await closed;
    clearTimeout(late);
    await database.close();
  };
  process.once('SIGINT', () => void stop());
  process.once('SIGTERM', () => void stop());
}

main().catch((error: unknown) => {
  const code = error instanceof Error && 'code' in error ? error.code : null;
  if (code === 'EADDRINUSE')
    console.error('The port is taken by another program. Set PORT to another number, such as PORT=4601.');
  else console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
  setTimeout(() => process.exit(1), 100);
});

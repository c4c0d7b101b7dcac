import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.js';
import { copyOfTheDay } from './database/copies.js';
import { openDatabase } from './database/open.js';
import { FoldAfter } from './folds/fold-after.js';
import { listMakes } from './makes/make-store.js';
import { LiveMakes } from './live/live-makes.js';
import { readSettings } from './settings.js';
import { seedDemo } from './seed.js';

const HOST = '127.0.0.1';
const HOUR_MS = 3_600_000;
const home = fileURLToPath(new URL('../..', import.meta.url));

async function main(): Promise<void> {
  const settings = readSettings(process.env, process.argv.slice(2), home);
  const database = await openDatabase(settings.data);
  if (settings.demo) await seedDemo(database, fileURLToPath(new URL('../../demo', import.meta.url)), settings.demo);
  const copy = (): void =>
    void copyOfTheDay(database.em.fork(), settings.data, Date.now()).catch((error: unknown) => console.error(error));
  copy();
  setInterval(copy, HOUR_MS).unref();
  const live = new LiveMakes();
  const folds = new FoldAfter(database);
  const web = fileURLToPath(new URL('../../web/dist/browser', import.meta.url));
  // What makes certificates takes long to load, and most starts need none.
  const { openHome } = settings.home ? await import('./home/open-home.js') : { openHome: null };
  const house =
    settings.home && openHome
      ? await openHome(settings.data, settings.home.addresses, settings.home.port, (door) =>
          createApp(database, web, { live, folds, door }),
        )
      : null;
  const server = createServer(createApp(database, web, { live, folds, home: () => house?.door ?? null }));
  server.listen(settings.port, HOST);
  await once(server, 'listening');
  console.log(`Lemniscus is at http://${HOST}:${(server.address() as AddressInfo).port}`);
  if (house) console.log(`In the house: ${house.door.addresses().join(', ')}. The code is shown under Devices.`);

  for (const { id } of await listMakes(database.em.fork())) folds.added(id);

  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    // Requests under way are answered; idle connections are let go; then the database is closed.
    const servers = house ? [server, house.server] : [server];
    const closed = Promise.all(servers.map((each) => once(each, 'close')));
    for (const each of servers) each.close();
    live.close();
    for (const each of servers) each.closeIdleConnections();
    const late = setTimeout(() => servers.forEach((each) => each.closeAllConnections()), 3_000);
    await closed;
    clearTimeout(late);
    await folds.close();
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

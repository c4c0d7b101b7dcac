import { once } from 'node:events';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '@lemniscus/server/app';
import { openDatabase } from '@lemniscus/server/database/open';
import { seedDemo } from '@lemniscus/server/seed';
import { chromium } from 'playwright-core';
import { compare, type Result } from './measure.js';

/** The shelf with the demo, from an empty cache until its makes stand there, beside a bare Angular and NG-ZORRO page. */
export async function firstLoad(root: string): Promise<Result[]> {
  const folder = await mkdtemp(join(tmpdir(), 'lemniscus-bench-'));
  const database = await openDatabase(folder);
  await seedDemo(database, join(root, 'demo'));
  const serve = async (web: string): Promise<string> => {
    const server = createServer(createApp(database, web)).listen(0, '127.0.0.1');
    await once(server, 'listening');
    server.unref();
    return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  };
  const ours = await serve(join(root, 'web/dist/browser'));
  const bare = await serve(join(root, 'bench/bare-page/dist/browser'));
  const { path, args } = JSON.parse(await readFile(join(root, 'scripts/chromium.json'), 'utf8')) as {
    path: string;
    args: string[];
  };
  const browser = await chromium.launch({ executablePath: path, args });

  /** Loads in a fresh context; gives the bytes that came over the wire until the page was ready. */
  const load = async (url: string, ready: string): Promise<number> => {
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(url);
    await page.locator(ready).first().waitFor();
    const bytes = await page.evaluate(() => {
      const entries = [
        ...performance.getEntriesByType('navigation'),
        ...performance.getEntriesByType('resource'),
      ] as PerformanceResourceTiming[];
      return entries.reduce((sum, entry) => sum + entry.transferSize, 0);
    });
    await context.close();
    return bytes;
  };
  const loadOurs = (): Promise<number> => load(ours, 'lem-plank h2');
  const loadBare = (): Promise<number> => load(bare, 'button.ant-btn');
  const times = await compare(9, loadOurs, loadBare);
  const bytes = { ours: (await loadOurs()) / 1024, baseline: (await loadBare()) / 1024 };
  await browser.close();
  await database.close();
  await rm(folder, { recursive: true });
  const baselineName = 'bare Angular + NG-ZORRO page';
  return [
    { name: 'first load of the shelf, time', ...times, baselineName, unit: 'ms' },
    { name: 'first load of the shelf, bytes', ...bytes, baselineName, unit: 'KiB' },
  ];
}

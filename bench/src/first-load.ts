import { join } from 'node:path';
import { openChromium } from './chromium.js';
import { compare, type Result } from './measure.js';
import { openDemo } from './serving.js';

/** The shelf with the demo, from an empty cache until its makes stand there, beside a bare Angular and NG-ZORRO page. */
export async function firstLoad(root: string): Promise<Result[]> {
  const demo = await openDemo(root);
  const ours = await demo.serve(join(root, 'web/dist/browser'));
  const bare = await demo.serve(join(root, 'bench/bare-page/dist/browser'));
  const browser = await openChromium(root);

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
  await demo.close();
  const baselineName = 'bare Angular + NG-ZORRO page';
  return [
    { name: 'first load of the shelf, time', ...times, baselineName, unit: 'ms' },
    { name: 'first load of the shelf, bytes', ...bytes, baselineName, unit: 'KiB' },
  ];
}

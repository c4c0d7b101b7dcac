import { join } from 'node:path';
import { openChromium } from './chromium.js';
import { compare, type Result } from './measure.js';
import { openDemo } from './serving.js';

/** Ready when the makes stand on the shelf by name, and when each has its figure. */
const NAMED = 'lem-plank:nth-of-type(6) h2';
const DRAWN = 'lem-plank:nth-of-type(6) svg path';
const COUNTER = 'button.ant-btn';

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
  const results: Result[] = [];
  for (const [what, ready] of [
    ['until its makes stand', NAMED],
    ['until they are drawn', DRAWN],
  ] as const) {
    const times = await compare(
      9,
      () => load(ours, ready),
      () => load(bare, COUNTER),
    );
    const bytes = { ours: (await load(ours, ready)) / 1024, baseline: (await load(bare, COUNTER)) / 1024 };
    const baselineName = 'bare Angular + NG-ZORRO page';
    results.push({ name: `first load of the shelf ${what}, time`, ...times, baselineName, unit: 'ms' });
    results.push({ name: `first load of the shelf ${what}, bytes`, ...bytes, baselineName, unit: 'KiB' });
  }
  await browser.close();
  await demo.close();
  return results;
}

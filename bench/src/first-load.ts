import { join } from 'node:path';
import { openChromium } from './chromium.js';
import { median, type Result } from './measure.js';
import { openDemo } from './serving.js';

/** Ready when the makes stand on the shelf by name, and when each has its figure. */
const NAMED = 'lem-plank:nth-of-type(6) h2';
const DRAWN = 'lem-plank:nth-of-type(6) svg path';
const COUNTER = 'button.ant-btn';

/** The first turn warms up and is not counted. */
const TURNS = 15;

interface Load {
  readonly ms: number;
  /** Over the wire until the page was ready. */
  readonly bytes: number;
}

/** The shelf with the demo, from an empty cache until its makes stand there, beside a bare Angular and NG-ZORRO page. */
export async function firstLoad(root: string): Promise<Result[]> {
  const demo = await openDemo(root);
  const ours = await demo.serve(join(root, 'web/dist/browser'));
  const bare = await demo.serve(join(root, 'bench/bare-page/dist/browser'));
  const browser = await openChromium(root);

  /** Loads in a fresh context; what is looked up and closed after the page was ready is no part of the time. */
  const load = async (url: string, ready: string): Promise<Load> => {
    const began = performance.now();
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(url);
    await page.locator(ready).first().waitFor();
    const ms = performance.now() - began;
    const bytes = await page.evaluate(() => {
      const entries = [
        ...performance.getEntriesByType('navigation'),
        ...performance.getEntriesByType('resource'),
      ] as PerformanceResourceTiming[];
      return entries.reduce((sum, entry) => sum + entry.transferSize, 0);
    });
    await context.close();
    return { ms, bytes };
  };
  const results: Result[] = [];
  for (const [what, ready] of [
    ['until its makes stand', NAMED],
    ['until they are drawn', DRAWN],
  ] as const) {
    const one: Load[] = [];
    const other: Load[] = [];
    for (let turn = 0; turn <= TURNS; turn++) {
      one.push(await load(ours, ready));
      other.push(await load(bare, COUNTER));
    }
    const of = (loads: readonly Load[], figure: keyof Load): number => median(loads.slice(1).map((each) => each[figure]));
    const baselineName = 'bare Angular + NG-ZORRO page';
    results.push(
      { name: `first load of the shelf ${what}, time`, ours: of(one, 'ms'), baseline: of(other, 'ms'), baselineName, unit: 'ms' },
      {
        name: `first load of the shelf ${what}, bytes`,
        ours: of(one, 'bytes') / 1024,
        baseline: of(other, 'bytes') / 1024,
        baselineName,
        unit: 'KiB',
      },
    );
  }
  await browser.close();
  await demo.close();
  return results;
}

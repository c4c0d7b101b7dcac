import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { openChromium } from './chromium.js';
import { median, type Result } from './measure.js';
import { openDemo } from './serving.js';

const TAPS = 40;

/** A round of 120 stitches near the end of 200. */
const LONG = [
  '# Long',
  'US terms',
  '',
  '## Tube',
  'R1: 6 sc in ring (6)',
  ...Array.from({ length: 19 }, (_, i) => `R${i + 2}: ${i === 0 ? 'inc × 6' : `(${i} sc, inc) × 6`} (${6 * (i + 2)})`),
  'R21–R200: sc around (120)',
].join('\n');

/** Clicks one after the other, each once the one before is painted; gives the time from the click to the next paint, ms. */
function taps(page: Page, selector: string): Promise<number[]> {
  return page.evaluate(
    async ([where, times]) => {
      const button = document.querySelector<HTMLElement>(where)!;
      const all: number[] = [];
      for (let tap = 0; tap < times; tap++) {
        await new Promise(requestAnimationFrame);
        const began = performance.now();
        button.click();
        await new Promise<void>((done) =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel();
            // A message posted in a frame is taken up once that frame is painted.
            port1.onmessage = () => done();
            port2.postMessage(null);
          }),
        );
        all.push(performance.now() - began);
      }
      return all;
    },
    [selector, TAPS] as const,
  );
}

/** A stitch in a round of 120, from the tap to the next paint, beside a bare Angular signal counter; at full speed and slowed down four times. */
export async function tapToPaint(root: string): Promise<Result[]> {
  const demo = await openDemo(root);
  const ours = await demo.serve(join(root, 'web/dist/browser'));
  const bare = await demo.serve(join(root, 'bench/bare-page/dist/browser'));
  const browser = await openChromium(root);
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  const make = { id: crypto.randomUUID(), text: LONG, yarnWeight: 4, hookMm: 3.5 };
  await page.request.post(`${ours}api/makes`, { data: make });
  await page.goto(`${ours}make/${make.id}/work`);
  await page.locator('lem-dial').waitFor();
  for (let round = 0; round < 190; round++) await page.keyboard.press('Enter');
  const counter = await context.newPage();
  await counter.goto(`${bare}#counter`);
  await counter.locator('button').first().waitFor();
  const results: Result[] = [];
  for (const slow of [1, 4]) {
    for (const each of [page, counter]) {
      const session = await context.newCDPSession(each);
      await session.send('Emulation.setCPUThrottlingRate', { rate: slow });
    }
    await page.bringToFront();
    const one = median(await taps(page, '.table'));
    await counter.bringToFront();
    const other = median(await taps(counter, 'button'));
    results.push({
      name: `tap to next paint, a round of 120 in 200 rounds${slow > 1 ? `, ${slow} times slower` : ''}`,
      ours: one,
      baseline: other,
      baselineName: 'a bare Angular signal counter',
      unit: 'ms',
    });
  }
  await browser.close();
  await demo.close();
  return results;
}

import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { openChromium } from './chromium.js';
import type { Result } from './measure.js';
import { openDemo } from './serving.js';

const STEPS = 120;

/**
 * Draws a slider to and fro, a step a frame, and gives the time from each frame to the next, milliseconds: 16.7 where a
 * 60 Hz screen is kept up with, more where frames are dropped.
 */
function drag(page: Page, slider: string): Promise<number[]> {
  return page.evaluate(
    async ([selector, steps]) => {
      const input = document.querySelector<HTMLInputElement>(selector)!;
      const frame = (): Promise<number> => new Promise(requestAnimationFrame);
      const span = Number(input.max) - Number(input.min);
      const times: number[] = [];
      let last = await frame();
      for (let step = 0; step < steps; step++) {
        input.value = String(Number(input.min) + (step % span));
        input.dispatchEvent(new Event('input', { bubbles: true }));
        const now = await frame();
        times.push(now - last);
        last = now;
      }
      return times;
    },
    [slider, STEPS] as const,
  );
}

const at = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * share)]!;

/** The hook slider of the largest demo make, everything in Gather recomputed at each step, beside a bare slider in a bare page. */
export async function dragSlider(root: string): Promise<Result[]> {
  const demo = await openDemo(root);
  const ours = await demo.serve(join(root, 'web/dist/browser'));
  const browser = await openChromium(root);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await bare.setContent(
    '<input type="range" min="0" max="26"><output></output><script>document.querySelector("input").oninput = (e) => { document.querySelector("output").textContent = e.target.value; };</script>',
  );
  await page.goto(ours);
  await page.getByRole('link', { name: 'Striped lighthouse', exact: true }).click();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Gather' }).click();
  const results: Result[] = [];
  for (const [view, ready] of [
    ['Size', 'lem-standing-set'],
    ['Yarn', 'lem-yarn-thread'],
    ['To get', 'lem-list-view tr'],
  ] as const) {
    await page.getByRole('navigation', { name: 'Gather' }).getByRole('link', { name: view, exact: true }).click();
    await page.locator(ready).first().waitFor();
    await drag(page, 'input[aria-label="Hook size"]');
    const one = await drag(page, 'input[aria-label="Hook size"]');
    const other = await drag(bare, 'input');
    for (const [name, share] of [
      ['median', 0.5],
      ['slowest of twenty', 0.95],
    ] as const)
      results.push({
        name: `frame while the hook slides over ${view}, ${name}`,
        ours: at(one, share),
        baseline: at(other, share),
        baselineName: 'a bare slider and a number',
        unit: 'ms',
      });
  }
  await browser.close();
  await demo.close();
  return results;
}

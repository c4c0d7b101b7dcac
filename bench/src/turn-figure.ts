import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { openChromium } from './chromium.js';
import { median, type Result } from './measure.js';
import { openDemo } from './serving.js';

const STEPS = 40;

/** Draws the pointer over an element, a step a frame, and gives the time from each frame to the next, milliseconds. */
function turn(page: Page, selector: string): Promise<number[]> {
  return page.evaluate(
    async ([what, steps]) => {
      const stage = document.querySelector<HTMLElement>(what)!;
      const { left, top, width, height } = stage.getBoundingClientRect();
      const frame = (): Promise<number> => new Promise(requestAnimationFrame);
      const say = (kind: string, x: number): boolean =>
        stage.dispatchEvent(
          new PointerEvent(kind, { pointerId: 1, clientX: left + x, clientY: top + height / 2, bubbles: true, isPrimary: true }),
        );
      stage.setPointerCapture = () => undefined;
      say('pointerdown', width / 4);
      const times: number[] = [];
      let last = await frame();
      for (let step = 1; step <= steps; step++) {
        say('pointermove', width / 4 + (width / 2 / steps) * step);
        const now = await frame();
        times.push(now - last);
        last = now;
      }
      say('pointercancel', 0);
      return times;
    },
    [selector, STEPS] as const,
  );
}

/** The largest demo figure turned by dragging, beside an empty page that follows the pointer. */
export async function turnFigure(root: string): Promise<Result[]> {
  const demo = await openDemo(root);
  const ours = await demo.serve(join(root, 'web/dist/browser'));
  const browser = await openChromium(root, true);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await bare.setContent(
    '<div class="stage" style="height:500px"></div><output></output><script>document.querySelector(".stage").onpointermove = (e) => { document.querySelector("output").textContent = e.clientX; };</script>',
  );
  await page.goto(ours);
  await page.getByRole('link', { name: 'Striped lighthouse', exact: true }).click();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Pattern' }).click();
  await page.getByRole('tab', { name: 'Shape' }).click();
  await page.locator('[data-drawn="none"]').waitFor();
  await page.waitForTimeout(3_000);
  await turn(page, '.stage');
  const one = median(await turn(page, '.stage'));
  const other = median(await turn(bare, '.stage'));
  await browser.close();
  await demo.close();
  return [
    {
      name: 'frame while the lighthouse (2,320 stitches) is turned, median',
      ours: one,
      baseline: other,
      baselineName: 'a bare page and a number',
      unit: 'ms',
    },
  ];
}

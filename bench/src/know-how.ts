import { join } from 'node:path';
import { makeTask, TASK_KINDS } from '@lemniscus/core/practice';
import { runsOf } from '@lemniscus/core/strand';
import type { Page } from 'playwright-core';
import { openChromium } from './chromium.js';
import { compare, median, type Result } from './measure.js';
import { openDemo } from './serving.js';

const TIMES = 15;
const SEEDS = 4;

/** From a key to the first paint with what it opens, and away again: ms, each. */
function opened(page: Page, key: string, what: string): Promise<number[]> {
  return page.evaluate(
    async ([pressed, selector, times]) => {
      const painted = (): Promise<void> =>
        new Promise((done) =>
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel();
            port1.onmessage = () => done();
            port2.postMessage(null);
          }),
        );
      const all: number[] = [];
      for (let i = 0; i < times; i++) {
        await painted();
        const began = performance.now();
        document
          .querySelector('.table')
          ?.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true, cancelable: true }));
        do await painted();
        while (!document.querySelector(selector));
        all.push(performance.now() - began);
        document.querySelector<HTMLElement>('lem-technique-card .close, .lem-dialog .close')?.click();
        do await painted();
        while (document.querySelector(selector));
      }
      return all;
    },
    [key, what, TIMES] as const,
  );
}

/** A card opened at the hook beside a bare dialog; a task made and laid out beside laying out its picture alone. */
export async function knowHow(root: string): Promise<Result[]> {
  const demo = await openDemo(root);
  const url = await demo.serve(join(root, 'web/dist/browser'));
  const browser = await openChromium(root);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  const make = { id: crypto.randomUUID(), text: 'Ball\nR1: 6 sc in ring\nR2: inc × 6', yarnWeight: 4, hookMm: 3.5 };
  await page.request.post(`${url}api/makes`, { data: make });
  await page.goto(`${url}make/${make.id}/work`);
  await page.locator('lem-dial').waitFor();
  // Both come once before, so that what is loaded when first asked for is there.
  await opened(page, 'k', 'lem-technique-card svg');
  const card = median(await opened(page, 'k', 'lem-technique-card svg'));
  const bare = median(await opened(page, '?', '.lem-dialog table'));
  await browser.close();
  await demo.close();
  const tasks = TASK_KINDS.flatMap((kind) => Array.from({ length: SEEDS }, (_, seed) => makeTask(kind, 3, seed + 1)));
  const all = await compare(
    5,
    () => tasks.map(({ kind, level, seed }) => runsOf(makeTask(kind, level, seed).picture.strands, { tilt: 0.5, way: -1 })),
    () => tasks.map(({ picture }) => runsOf(picture.strands, { tilt: 0.5, way: -1 })),
  );
  return [
    { name: 'a card from its key to the paint', ours: card, baseline: bare, baselineName: 'the dialog of keys', unit: 'ms' },
    { name: `${tasks.length} tasks made and laid out`, ...all, baselineName: 'their pictures alone', unit: 'ms' },
  ];
}

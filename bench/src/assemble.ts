import { join } from 'node:path';
import { alg, Graph } from '@dagrejs/graphlib';
import { bestOrder, type Step } from '@lemniscus/core/assembly';
import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import type { Page } from 'playwright-core';
import { openChromium } from './chromium.js';
import { compare, median, type Result } from './measure.js';
import { openDemo } from './serving.js';

const STEPS = 60;
const PIECES = 1_000;
const LINES = 500;
const RUNS = 9;

/** Drags over an element a step a frame, and gives the time from each frame to the next, milliseconds. */
function dragOver(page: Page, held: string, over: string): Promise<number[]> {
  return page.evaluate(
    async ([what, where, steps]) => {
      const grip = document.querySelector(what)!;
      const stage = document.querySelector(where)!;
      stage.setPointerCapture = () => undefined;
      const { left, top, width, height } = grip.getBoundingClientRect();
      const [x, y] = [left + width / 2, top + height / 2];
      const frame = (): Promise<number> => new Promise(requestAnimationFrame);
      const say = (element: Element, kind: string, right: number): boolean =>
        element.dispatchEvent(
          new PointerEvent(kind, { pointerId: 1, button: 0, clientX: x + right, clientY: y, bubbles: true, isPrimary: true }),
        );
      say(grip, 'pointerdown', 0);
      const times: number[] = [];
      let last = await frame();
      for (let step = 1; step <= steps; step++) {
        say(stage, 'pointermove', -step);
        const now = await frame();
        times.push(now - last);
        last = now;
      }
      say(stage, 'pointercancel', 0);
      return times;
    },
    [held, over, STEPS] as const,
  );
}

/** A feature dragged on the map of the largest figure that has one, beside a circle on a bare page. */
async function dragging(root: string): Promise<Result> {
  const demo = await openDemo(root);
  const ours = await demo.serve(join(root, 'web/dist/browser'));
  const browser = await openChromium(root, true);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await bare.setContent(
    '<svg viewBox="0 0 800 600" width="800" height="600"><circle id="dot" cx="400" cy="300" r="10"/></svg><script>document.querySelector("svg").onpointermove = (e) => document.querySelector("#dot").setAttribute("cx", e.clientX)</script>',
  );
  await page.goto(ours);
  await page.getByRole('link', { name: 'Harbour puffin', exact: true }).click();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Assemble' }).click();
  await page.locator('[data-drawn="none"]').waitFor();
  await page.waitForTimeout(4_000);
  const wing = '.map [data-feature="wing 1 1"]';
  await dragOver(page, wing, '.map svg');
  const one = median(await dragOver(page, wing, '.map svg'));
  const other = median(await dragOver(bare, '#dot', 'svg'));
  await browser.close();
  await demo.close();
  return {
    name: 'frame while a wing of the puffin (1,577 stitches) is dragged on the map, figure and all, median',
    ours: one,
    baseline: other,
    baselineName: 'a dragged circle on a bare page',
    unit: 'ms',
  };
}

/** A thousand pieces, each put on one of those before it. */
async function ordering(): Promise<Result> {
  const steps: Step[] = Array.from({ length: PIECES }, (_, i) => [
    stepOf(`work ${i}`, i, 'work', []),
    stepOf(`join ${i}`, i, 'join', i === 0 ? [`work 0`] : [`work ${i}`, `work ${Math.floor((i * 7) / 11)}`]),
  ]).flat();
  const graph = new Graph();
  for (const { id } of steps) graph.setNode(id);
  for (const { id, waits } of steps) for (const { step } of waits) graph.setEdge(step, id);
  return {
    name: 'order of 1,000 pieces, as a maker would choose',
    ...(await compare(
      RUNS,
      () => bestOrder(steps),
      () => alg.topsort(graph),
    )),
    baselineName: '@dagrejs/graphlib, any order that holds',
    unit: 'ms',
  };
}

function stepOf(id: string, part: number, kind: Step['kind'], waits: readonly string[]): Step {
  const colour = ['red', 'white', 'navy'][part % 3]!;
  return {
    id,
    kind,
    piece: { part: part % 60, copy: 1 + Math.floor(part / 60) },
    name: id,
    feature: null,
    rounds: [0, 1],
    of: 1,
    stitches: 60,
    colours: [colour, colour],
    waits: waits.map((step) => ({ step, because: 'both made' })),
    minutes: 4,
  };
}

/** A making-up of five hundred lines, beside the same words cut at spaces. */
async function reading(): Promise<Result> {
  const parts = Array.from({ length: 50 }, (_, i) => `## Bead ${String.fromCharCode(65 + (i % 26))}${i}\nR1: 6 sc in ring (6)\n`);
  const lines = Array.from(
    { length: LINES },
    (_, i) =>
      `Bead ${String.fromCharCode(65 + (i % 26))}${i % 50}: on Body, R${(i % 20) + 1} to R${(i % 20) + 4}, ${(i % 9) + 1} stitches left of the front, tip down`,
  );
  const rounds = Array.from({ length: 24 }, (_, i) => `R${i + 2}: ${i === 0 ? 'inc × 6 (12)' : 'sc around (12)'}`);
  const text = `# Beads\nUS terms\n\n## Body\nR1: 6 sc in ring (6)\n${rounds.join('\n')}\n\n${parts.join('\n')}\n## Put together\n${lines.join('\n')}\n`;
  const { pattern } = checkPattern(read(text));
  if (pattern.makingUp.some(({ placing }) => placing === null)) throw new Error('A line of the making-up was not understood.');
  return {
    name: 'a pattern with 500 lines of making-up read',
    ...(await compare(
      RUNS,
      () => read(text),
      () => text.split(/\s+/).map((word) => word.toLowerCase()),
    )),
    baselineName: 'its words cut at spaces',
    unit: 'ms',
  };
}

/** Putting together: a drag, the order of a large make, a long making-up. */
export async function assemble(root: string): Promise<Result[]> {
  return [await ordering(), await reading(), await dragging(root)];
}

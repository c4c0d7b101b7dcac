import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Locator, Page } from '@playwright/test';
import { expect, root, type App } from './app.js';

export const editor = (page: Page): Locator => page.getByRole('textbox', { name: 'Pattern text' });
export const dial = (page: Page): Locator => page.getByRole('button', { name: /^(Stitch|Group|Round) done\. / });
export const stitchDone = (page: Page): Locator => page.getByRole('button', { name: /^Stitch done(?!\.)/ });
export const stage = (page: Page, name: 'Pattern' | 'Gather' | 'Work'): Locator =>
  page.getByRole('navigation').getByRole('link', { name });

export const dialog = (page: Page): Locator => page.getByRole('dialog');

export async function press(page: Page, key: string, times = 1): Promise<void> {
  for (let i = 0; i < times; i++) await page.keyboard.press(key);
}

/** Puts text into the editor as a paste does, in place of all that is there. */
export async function paste(page: Page, text: string): Promise<void> {
  await editor(page).click();
  await page.keyboard.press('Control+a');
  await editor(page).evaluate((field, content) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', content);
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

/** The count in the middle of the dial: "27 of 48". */
export async function expectCount(page: Page, done: number, of: number): Promise<void> {
  await expect(dial(page)).toHaveAccessibleName(`Stitch done. ${done} of ${of} stitches`);
}

export async function expectRound(page: Page, words: string): Promise<void> {
  await expect(page.locator('.where')).toContainText(words);
}

/** A make as the demo has it, by its title. */
const DEMO = {
  'Harbour puffin': ['harbour-puffin', 3.5],
  'Jelly pilot': ['jelly-pilot', 3.5],
  'Lamp keeper': ['lamp-keeper', 3.5],
  'Rowing boat': ['rowing-boat', 3.5],
  'Seal pup': ['seal-pup', 3.5],
  'Signal kite': ['signal-kite', 4],
  'Striped lighthouse': ['striped-lighthouse', 4],
} as const;
export type DemoTitle = keyof typeof DEMO;

/** Puts a make on the server as another device would; gives its id. */
export async function putMake(page: Page, app: App, text: string, tools: object = {}): Promise<string> {
  const make = { id: crypto.randomUUID(), text, yarnWeight: 4, hookMm: 3.5, ...tools };
  const answer = await page.request.post(`${app.url}/api/makes`, { data: make });
  expect(answer.status(), await answer.text()).toBeLessThan(300);
  return make.id;
}

/** Puts a demo make on the server under an id of its own. */
export async function putDemo(page: Page, app: App, title: DemoTitle): Promise<string> {
  const [file, hookMm] = DEMO[title];
  return putMake(page, app, await readFile(join(root, 'demo', `${file}.md`), 'utf8'), { hookMm });
}

/** Where a piece is to stand before the journey begins: as if that had been worked before. */
export interface Begun {
  readonly piece: string;
  /** 0-based. */
  readonly round: number;
  readonly action?: number;
}

/** Says by event that pieces are begun, as the hook would have said it. */
export async function beginAt(page: Page, app: App, make: string, ...begun: readonly Begun[]): Promise<void> {
  const events = begun.map(({ piece, round, action = 0 }, index) => ({
    id: crypto.randomUUID(),
    piece,
    at: Date.now() - 3_600_000 + index,
    kind: 'reached',
    round,
    action,
  }));
  const answer = await page.request.post(`${app.url}/api/makes/${make}/events`, { data: { events } });
  expect(answer.status(), await answer.text()).toBe(204);
}

/** Opens a make with its piece at the hook. */
export async function atHook(page: Page, app: App, make: string): Promise<void> {
  await page.goto(`${app.url}/make/${make}/work`);
  await expect(dial(page)).toBeVisible();
}

/** Takes up a demo make of its own, its pieces begun so far; gives its id. */
export async function takeUp(page: Page, app: App, title: DemoTitle, ...begun: readonly Begun[]): Promise<string> {
  const make = await putDemo(page, app, title);
  if (begun.length > 0) await beginAt(page, app, make, ...begun);
  await atHook(page, app, make);
  return make;
}

/** Opens a make from the shelf and waits until its piece is at the hook. */
export async function takeFromShelf(page: Page, app: App, title: string): Promise<void> {
  await page.goto(app.url);
  await page.getByRole('link', { name: title, exact: true }).click();
  await expect(stitchDone(page)).toBeVisible();
}

/** Opens a stage of a make. */
export async function openStage(
  page: Page,
  app: App,
  make: string,
  name: 'pattern' | 'gather' | 'gather/yarn' | 'gather/compare' | 'assemble',
): Promise<void> {
  await page.goto(`${app.url}/make/${make}/${name}`);
  await expect(page.locator('lem-pattern-desk, lem-gather-stage, lem-assemble-stage')).toBeVisible();
}

/** How much the server has not acknowledged, and how much of it it refused for good. */
const unsent = (page: Page): Promise<{ waiting: number; refused: number }> =>
  page.evaluate(async () => {
    const stored = Object.keys(localStorage).filter((key) => key.startsWith('lemniscus.entry.')).length;
    const request = indexedDB.open('lemniscus');
    const database = await new Promise<IDBDatabase>((done, fail) => {
      request.onsuccess = () => done(request.result);
      request.onerror = () => fail(new Error('no database'));
    });
    const countOf = (store: string): Promise<number> =>
      new Promise((done) => {
        const counting = database.transaction(store).objectStore(store).count();
        counting.onsuccess = () => done(counting.result);
      });
    const [waiting, refused] = await Promise.all([countOf('entries'), countOf('refused')]);
    database.close();
    return { waiting: stored + waiting, refused };
  });

/** Waits until the server has acknowledged everything: nothing waits on this device, and nothing was refused. */
export async function expectAllSent(page: Page): Promise<void> {
  // Trying again waits longer each time the server was away, so this may take some seconds.
  await expect.poll(() => unsent(page), { timeout: 30_000 }).toEqual({ waiting: 0, refused: 0 });
}

declare global {
  interface Window {
    /** Questions to workers that are not answered yet. */
    unanswered: number;
  }
}

/** From the next page on, counts what workers are asked and what they answer. */
export async function watchWorkers(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const Plain = window.Worker;
    window.unanswered = 0;
    window.Worker = class extends Plain {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options);
        this.addEventListener('message', () => window.unanswered--);
      }
      override postMessage(message: unknown): void {
        window.unanswered++;
        super.postMessage(message);
      }
    };
  });
}

/** Waits until workers have answered all that was asked of them, and their answers are drawn. */
export async function answered(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const frame = (): Promise<number> => new Promise(requestAnimationFrame);
    for (let still = 0; still < 2; still = window.unanswered === 0 ? still + 1 : 0) await frame();
  });
}

/** Drops a file on the page as the desktop does. */
export async function dropFile(page: Page, name: string, type: string, text: string): Promise<void> {
  const transfer = await page.evaluateHandle(
    ([fileName, fileType, content]) => {
      const data = new DataTransfer();
      data.items.add(new File([content], fileName, { type: fileType }));
      return data;
    },
    [name, type, text] as const,
  );
  await page.locator('lem-pattern-desk').dispatchEvent('dragover', { dataTransfer: transfer });
  await page.locator('lem-pattern-desk').dispatchEvent('drop', { dataTransfer: transfer });
}

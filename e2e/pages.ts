import type { Locator, Page } from '@playwright/test';
import { expect } from './app.js';

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

/** Opens a make from the shelf and waits until its piece is at the hook. */
export async function takeUp(page: Page, url: string, title: string): Promise<void> {
  await page.goto(url);
  await page.getByRole('link', { name: title, exact: true }).click();
  await expect(stitchDone(page)).toBeVisible();
}

/** Waits until the server has acknowledged everything: nothing waits on this device. */
export async function expectAllSent(page: Page): Promise<void> {
  // Trying again waits longer each time the server was away, so this may take some seconds.
  const kept = (): Promise<number> =>
    page.evaluate(async () => {
      const stored = Object.keys(localStorage).filter((key) => /^lemniscus\.(change|yarn|measurement)\./.test(key)).length;
      const request = indexedDB.open('lemniscus');
      const database = await new Promise<IDBDatabase>((done, fail) => {
        request.onsuccess = () => done(request.result);
        request.onerror = () => fail(new Error('no database'));
      });
      const counting = database.transaction('waiting').objectStore('waiting').count();
      const waiting = await new Promise<number>((done) => (counting.onsuccess = () => done(counting.result)));
      database.close();
      return stored + waiting;
    });
  await expect.poll(kept, { timeout: 30_000 }).toBe(0);
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

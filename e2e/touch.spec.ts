import type { Page } from '@playwright/test';
import { expect, test } from './app.js';
import { dial, dialog, expectCount, expectRound, stage, takeUp } from './pages.js';

test.use({ fresh: true, viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

/** A thumb's width, px (the common guideline for touch targets). */
const THUMB = 44;

/** What can be pressed on the page and is smaller than a thumb, a label with its control counting as one. */
function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate((thumb) => {
    const boxed = (node: Element): DOMRect => (node.closest('label, lem-select') ?? node).getBoundingClientRect();
    return [...document.querySelectorAll('button, a, input:not([type=file]), select')]
      .filter((node) => node.checkVisibility({ visibilityProperty: true }) && boxed(node).width > 1)
      .filter((node) => boxed(node).width < thumb - 0.5 || boxed(node).height < thumb - 0.5)
      .map((node) => `${node.tagName} ${node.getAttribute('aria-label') ?? node.textContent}`.trim());
  }, THUMB);
}

/** Buttons whose words run out of them. */
function runningOut(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('button, .ant-btn')]
      .filter((node) => node.checkVisibility({ visibilityProperty: true }) && !node.matches('.table, lem-due-card *'))
      .filter((node) => {
        const words = document.createRange();
        words.selectNodeContents(node);
        const [own, box] = [words.getBoundingClientRect(), node.getBoundingClientRect()];
        return own.width > 0 && box.width > 0 && (own.left < box.left - 0.5 || own.right > box.right + 0.5);
      })
      .map((node) => node.textContent.trim()),
  );
}

const sideways = (page: Page): Promise<number> => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);

test('every screen fits the phone, and whatever can be pressed is as wide as a thumb', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 14 });
  await expectRound(page, 'Round 15 of 31');
  const looked = async (what: string): Promise<void> => {
    // Dialogs grow as they open.
    await expect.poll(() => tooSmall(page), { message: what }).toEqual([]);
    expect(await sideways(page), what).toBeLessThanOrEqual(0);
    expect(await runningOut(page), what).toEqual([]);
  };
  await looked('the work');
  await page.getByRole('button', { name: 'More' }).tap();
  await expect(dialog(page)).toBeVisible();
  await looked('more');
  for (const [name, title] of [
    ['Rip back', 'Rip back'],
    ['I did it differently', 'I did it differently'],
    ['All pieces', 'All pieces'],
    ['Keys, pedal, hand', 'Keys, pedal and hand'],
  ] as const) {
    await dialog(page).getByRole('button', { name }).tap();
    await expect(page.getByRole('dialog', { name: title })).toBeVisible();
    await expect(dialog(page)).toHaveCount(1);
    await looked(title);
    const box = (await dialog(page).boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
    await dialog(page).getByLabel('Close', { exact: true }).tap();
    await expect(dialog(page)).toHaveCount(0);
    await page.getByRole('button', { name: 'More' }).tap();
    await expect(dialog(page)).toBeVisible();
  }
  await page.keyboard.press('Escape');
  await stage(page, 'Gather').tap();
  for (const view of ['Size', 'Yarn', 'Eyes, stuffing', 'To get', 'Compare']) {
    await page.getByRole('link', { name: view, exact: true }).tap();
    await expect(page.getByRole('link', { name: view, exact: true })).toHaveAttribute('aria-current', 'page');
    await looked(view);
  }
  await test.step('what is in hand comes as a sheet from below, and changes the sizes behind it', async () => {
    await page.getByRole('link', { name: 'Size', exact: true }).tap();
    const body = page.getByRole('row', { name: /^Body/ });
    const before = await body.innerText();
    await expect(page.getByRole('radio', { name: '5 Bulky' })).toBeHidden();
    await page.getByRole('button', { name: 'Change', exact: true }).tap();
    await looked('what is in hand');
    await page.getByRole('radio', { name: '5 Bulky' }).check();
    await page.getByRole('button', { name: 'Done', exact: true }).tap();
    await expect(page.getByRole('radio', { name: '5 Bulky' })).toBeHidden();
    await expect(body).not.toHaveText(before);
  });
  await stage(page, 'Pattern').tap();
  await looked('the pattern');
  await page.getByRole('button', { name: 'Text', exact: true }).tap();
  await looked('its text');
  await page.goto(`${app.url}/studio`);
  await page.getByRole('button', { name: 'Egg', exact: true }).waitFor();
  await looked('the Studio');
  await page.getByRole('button', { name: 'Egg', exact: true }).tap();
  await expect(page.getByText('Looking for better ones')).toBeHidden();
  await looked('a sketch');
});

test('with the thumb alone: a step, a group, undo, and what is put off comes back', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin');
  const tapDial = async (): Promise<void> => {
    const box = (await dial(page).boundingBox())!;
    await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  };
  await tapDial();
  await tapDial();
  await expectCount(page, 2, 6);
  await page.getByRole('button', { name: 'Round', exact: true }).tap();
  await page.getByRole('button', { name: 'Group', exact: true }).tap();
  await expectRound(page, 'Round 3 of 31');
  await page.getByRole('button', { name: /^Undo/ }).tap();
  await expectRound(page, 'Round 2 of 31');
  await test.step('turning it right side out is put off, and said again at its last chance', async () => {
    const due = page.locator('.say lem-due-card');
    for (let round = 0; round < 3; round++) await page.getByRole('button', { name: 'Round', exact: true }).tap();
    await expectRound(page, 'Round 5 of 31');
    await expect(due).toContainText('Turn it so that the right side faces out');
    await due.getByRole('button', { name: 'Later' }).tap();
    await expect(due).not.toContainText('right side');
    await page.getByRole('button', { name: 'Round', exact: true }).tap();
    await expect(due).toContainText('Last chance: Turn it so that the right side faces out');
    await due.getByRole('button', { name: 'Done' }).tap();
    await expect(due).not.toContainText('right side');
  });
  await test.step('its words are all there when they are pressed', async () => {
    for (let round = 0; round < 8; round++) await page.getByRole('button', { name: 'Round', exact: true }).tap();
    const words = page.locator('.say lem-due-card').getByRole('button', { expanded: false });
    await expect(words).toContainText('Set the eyes');
    const low = (await words.boundingBox())!.height;
    await words.tap();
    expect((await page.getByRole('button', { expanded: true }).boundingBox())!.height).toBeGreaterThan(low);
  });
});

test.describe('with the phone on its side', () => {
  test.use({ viewport: { width: 844, height: 390 } });

  test('words, dial and steps stand beside each other and cover nothing', async ({ app, page }) => {
    await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 14 });
    await expectRound(page, 'Round 15 of 31');
    const boxes = await Promise.all(
      [page.locator('.table'), page.locator('.words-now'), page.locator('.go')].map((one) => one.boundingBox()),
    );
    const [dialBox, words, go] = boxes.map((box) => box!) as [DOMRectLike, DOMRectLike, DOMRectLike];
    expect(dialBox.y + dialBox.height).toBeLessThanOrEqual(go.y);
    expect(words.x + words.width).toBeLessThanOrEqual(dialBox.x);
    expect(go.y + go.height).toBeLessThanOrEqual(390);
    expect(dialBox.height).toBeGreaterThan(220);
    await expect.poll(() => tooSmall(page)).toEqual([]);
  });
});

interface DOMRectLike {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

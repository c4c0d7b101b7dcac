import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { AxeBuilder } from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import { expect, root, test } from './app.js';
import { dropFile, editor, expectRound, paste, press, stage } from './pages.js';

const demo = (file: string): string => join(root, 'demo', file);
const open = (page: Page, file: string): Promise<void> => page.locator('.tools input[type=file]').setInputFiles(file);
const reading = (page: Page, words: string): Locator =>
  page.getByRole('region', { name: 'The reading' }).getByRole('button', { name: words, exact: true });
const fromFile = (page: Page): Locator => page.getByRole('region', { name: 'The file' });

test('a PDF is looked over beside its reading, with what was left out, and kept', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await open(page, demo('net-float.pdf'));
  await expect(page.getByRole('heading', { name: 'Net float' })).toBeVisible();
  await expect(page.getByText('3 parts, 19 rounds. Every count is right')).toBeVisible();
  await expect(fromFile(page)).toContainText('4 lines left out');
  await reading(page, 'R4: (2 sc, inc) × 6 (24)').click();
  await expect(fromFile(page).locator('.glow')).toHaveText('R4: (2 sc, inc) × 6 (24)');
  await fromFile(page).getByRole('button', { name: 'R13: (1 sc, dec) × 6 (12)' }).click();
  await expect(page.locator('.line.chosen')).toContainText('R13');
  const head = fromFile(page).locator('.dropped').first();
  await head.getByRole('button', { name: 'Put back' }).click();
  await expect(reading(page, 'Harbour set: the net float')).toBeVisible();
  await head.getByRole('button', { name: 'Leave out' }).click();
  await page.getByRole('button', { name: 'Take this pattern' }).click();
  await expect(editor(page)).toContainText('R6–R10: sc around (30)');
  await expect(editor(page)).not.toContainText('Page 1 of 2');
  await page.getByRole('button', { name: 'Keep this pattern' }).click();
  await stage(page, 'Work').click();
  await expectRound(page, 'Round 1 of 14, ends on 6');
  await expect(page.locator('.told')).toHaveCount(0);
});

test('a talk is written down, its doubt settled and a round mended in place, and at the hook its time is seen', async ({
  app,
  page,
}) => {
  await page.goto(`${app.url}/new`);
  await dropFile(page, 'mooring-buoy.vtt', 'text/vtt', await readFile(demo('mooring-buoy.vtt'), 'utf8'));
  await expect(page.getByText('2 parts, 15 rounds.')).toBeVisible();
  const fifth = page.locator('.line').filter({ hasText: 'R5:' });
  await expect(fifth).toContainText('In doubt: 32 was said, and the words make 30.');
  expect((await new AxeBuilder({ page }).include('lem-review').analyze()).violations).toEqual([]);
  await fifth.getByRole('button', { name: 'R5: (3 sc, inc) × 6 (30)', exact: true }).click();
  await expect(page.getByText('Every count is right')).toBeVisible();

  await reading(page, '1:36 R11: (2 sc, dec) around (18)').click();
  await expect(fromFile(page).locator('.glow')).toContainText(['round eleven, two single crochet']);
  await page.getByRole('button', { name: /^Mend: R6–R9/ }).click();
  await page.getByRole('textbox', { name: 'The line as it should be' }).fill('R6–R9: with white, sc around (31) (at 1:07)');
  await page.keyboard.press('Enter');
  await expect(page.locator('.line.wrong')).toContainText('R6 makes 30, but 31 is stated');
  await page.getByRole('button', { name: /^Mend: R6–R9/ }).click();
  await page.getByRole('textbox', { name: 'The line as it should be' }).fill('R6–R8: with white, sc around (30) (at 1:07)');
  await page.getByRole('button', { name: 'Write it so' }).click();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(editor(page)).not.toContainText('Buoy');
  await page.getByRole('button', { name: 'Look at it again' }).click();
  await expect(page.getByText('2 parts, 14 rounds.')).toBeVisible();

  await page.getByRole('button', { name: 'Take this pattern' }).click();
  await page.getByRole('button', { name: 'Keep this pattern' }).click();
  await stage(page, 'Work').click();
  await expectRound(page, 'Round 1 of 13');
  await expect(page.locator('.told')).toHaveText('told at 0:20');
  await press(page, 'Space', 6);
  await expectRound(page, 'Round 2 of 13');
  await expect(page.locator('.told')).toHaveText('told at 0:29');
});

test('what is copied from a page is cleaned, and what holds no pattern says so', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await editor(page).click();
  await editor(page).evaluate((field) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', 'Home Shop\nR1: 6 sc in ring (6)');
    clipboardData.setData(
      'text/html',
      '<nav>Home Shop</nav><main><h2>Pip</h2><p>R1: 6 sc in ring (6)</p><p>R2: inc × 6 (12)</p></main>',
    );
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(fromFile(page)).toContainText('1 line left out');
  await page.getByRole('button', { name: 'Take this pattern' }).click();
  await expect(editor(page)).toContainText('R2: inc × 6 (12)');
  await expect(editor(page)).not.toContainText('Home Shop');
  await paste(page, 'Pip\nR1: 5 sc in ring (5)');
  await expect(editor(page)).toContainText('5 sc in ring');

  await dropFile(page, 'pie.srt', 'text/plain', '1\n00:00:01,000 --> 00:00:04,000\nbake the twelve pies until they are brown\n');
  await expect(page.getByRole('alert')).toContainText('This is a talk, and no rounds are worked in it.');
});

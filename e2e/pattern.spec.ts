import type { Page } from '@playwright/test';
import { expect, test } from './app.js';
import { dropFile, editor, expectAllSent, openStage, paste, putDemo, stage } from './pages.js';

test('a dropped text file is read; other files are refused with what to do', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await dropFile(page, 'puffin.docx', 'application/vnd.openxmlformats', 'PK\u0003\u0004');
  await expect(page.getByRole('alert')).toContainText(
    '“puffin.docx”: This Word file is damaged and cannot be read. Open it in the program',
  );
  await dropFile(page, 'junk.txt', 'text/plain', 'a\0b');
  await expect(page.getByRole('alert')).toContainText('“junk.txt”: There is no text in it');
  await dropFile(page, 'buoy.txt', 'text/plain', 'Buoy\r\nR1: 6 sc in ring (6)\r\nR2: inc around (12)\r\n');
  await expect(page.getByRole('alert')).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
  await expect(page.getByText('1 part, 1 piece, 18 stitches')).toBeVisible();
});

test('an abandoned pattern can be brought back, and one that is kept with slips stays as it is', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await expect(page.getByRole('button', { name: 'Keep this pattern' })).toBeDisabled();
  await paste(page, 'Crooked\nR1: 6 sc in ring (7)');
  await page.getByRole('button', { name: 'Abandon' }).click();
  await expect(page).toHaveURL(app.url + '/');
  await page.getByRole('link', { name: 'New make' }).click();
  await page.getByRole('button', { name: 'Bring back the last one' }).click();
  await expect(editor(page)).toContainText('Crooked');
  await page.getByRole('button', { name: 'Keep this pattern' }).click();
  await expect(stage(page, 'Pattern')).toContainText('1');
  await stage(page, 'Work').click();
  await expect(page.locator('.where')).toContainText('ends on 6');
  await page.goto(app.url);
  await expect(page.locator('lem-plank').filter({ hasText: 'Crooked' })).toContainText('1 count to look at');
});

test.describe('with the server away', () => {
  test.use({ alone: true });

  test('changes are saved as they are typed, and survive a server that is away and a closed window', async ({ app, page }) => {
    await openStage(page, app, await putDemo(page, app, 'Striped lighthouse'), 'pattern');
    await app.stop();
    await editor(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.insertText('\nFlag\nR1: 5 sc in ring (5)\n');
    await expect(page.getByRole('heading', { name: 'Flag' })).toBeVisible();
    await expect(page.getByRole('status')).toContainText(/Server away: \d+ kept here/);
    await app.start();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Flag' })).toBeVisible();
    await expectAllSent(page);
    await page.evaluate(() => localStorage.clear());
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Flag' })).toBeVisible();
  });
});

test('what is changed with the network gone is kept, said to be, and sent when it is back', async ({
  app,
  page,
  context,
  browser,
}) => {
  const make = await putDemo(page, app, 'Harbour puffin');
  await openStage(page, app, make, 'gather');
  // Every screen is fetched before the network goes.
  await stage(page, 'Pattern').click();
  await expect(editor(page)).toBeVisible();
  await context.setOffline(true);
  await editor(page).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.insertText('\nFlag\nR1: 5 sc in ring (5)\n');
  await expect(page.getByRole('heading', { name: 'Flag' })).toBeVisible();
  await stage(page, 'Gather').click();
  await page.getByRole('radio', { name: '5 Bulky' }).click();
  await expect(page.getByRole('row', { name: /^Flag/ })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /Server away: \d+ kept here/ })).toBeVisible();
  await context.setOffline(false);
  await expectAllSent(page);
  await expect(page.getByText('Server away')).toBeHidden();
  const other = await browser.newPage();
  await openStage(other, app, make, 'gather');
  await expect(other.getByRole('radio', { name: '5 Bulky' })).toBeChecked();
  await expect(other.getByRole('row', { name: /^Flag/ })).toBeVisible();
  await other.close();
});

/** Scrolls the text to its end: of a long one only what is seen is on the page. */
async function toTheEnd(page: Page): Promise<void> {
  await page.locator('.cm-scroller').evaluate((scroller) => scroller.scrollTo(0, scroller.scrollHeight));
}

test('two windows with one pattern open: what is typed in one stands in the other, and nobody is asked anything', async ({
  app,
  page,
  context,
}) => {
  const make = await putDemo(page, app, 'Rowing boat');
  const other = await context.newPage();
  for (const each of [page, other]) await openStage(each, app, make, 'pattern');
  await page.bringToFront();
  for (const [here, there, line] of [
    [page, other, 'Mind the oars.'],
    [other, page, 'And the anchor.'],
  ] as const) {
    await here.bringToFront();
    await editor(here).click();
    await here.keyboard.press('Control+End');
    // Slower than a save, so that the other window hears of it while this one still types.
    await here.keyboard.type(`\n${line}`, { delay: 60 });
    await expectAllSent(here);
    await there.bringToFront();
    await toTheEnd(there);
    await expect(there.locator('.cm-content')).toContainText(line);
  }
  for (const each of [page, other]) {
    await each.bringToFront();
    await toTheEnd(each);
    await expect(each.locator('.cm-content')).toContainText('Mind the oars.');
    await expect(each.locator('.cm-content')).toContainText('And the anchor.');
    await expect(each.getByText('Changed in another window.')).toHaveCount(0);
    await expectAllSent(each);
  }
  const stored = (await (await page.request.get(`${app.url}/api/makes/${make}`)).json()) as { text: string };
  expect(stored.text).toMatch(/Mind the oars\.\nAnd the anchor\.$/);
});

test('two windows that change one make are told so, and neither text is lost unasked', async ({ app, page, context }) => {
  await openStage(page, app, await putDemo(page, app, 'Harbour puffin'), 'gather');
  const url = page.url();
  const other = await context.browser()!.newPage();
  await other.goto(url);
  await test.step('what one does, the other shows', async () => {
    await other.getByRole('radio', { name: '1 Super fine' }).click();
    await expect(page.getByRole('radio', { name: '1 Super fine' })).toBeChecked();
  });
  // With the line down, neither hears of the other.
  await page.context().setOffline(true);
  await other.getByRole('radio', { name: '3 Light' }).click();
  await expectAllSent(other);
  await page.getByRole('radio', { name: '5 Bulky' }).click();
  await page.context().setOffline(false);
  await expect(page.getByRole('alert')).toContainText('Changed in another window.');
  await expect(page.getByRole('radio', { name: '5 Bulky' })).toBeChecked();
  await page.getByRole('button', { name: 'Take what was saved there' }).click();
  await expect(page.getByRole('radio', { name: '3 Light' })).toBeChecked();
  await other.context().setOffline(true);
  await page.getByRole('radio', { name: '2 Fine' }).click();
  await expectAllSent(page);
  await other.getByRole('radio', { name: '7 Jumbo' }).click();
  await other.context().setOffline(false);
  await other.getByRole('button', { name: 'Keep what is here' }).click();
  await expectAllSent(other);
  await page.reload();
  await expect(page.getByRole('radio', { name: '7 Jumbo' })).toBeChecked();
  await other.close();
});

test('an absurd hook is refused at the field, and the sizes stay; a decimal comma is one', async ({ app, page }) => {
  await openStage(page, app, await putDemo(page, app, 'Harbour puffin'), 'gather');
  const hook = page.getByRole('spinbutton', { name: 'Hook in millimetres' });
  const body = page.getByRole('row').filter({ has: page.getByRole('button', { name: 'Body' }) });
  await expect(body).toContainText(/\d+ mm/);
  const before = await body.textContent();
  for (const wrong of ['0', '500', '-3', 'tea']) {
    await hook.fill('');
    await hook.pressSequentially(wrong);
    await hook.press('Tab');
    await expect(hook).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByRole('alert')).toHaveText('Give a number from 0.5 to 30.');
    await expect(body).toHaveText(before!);
    await expect(page.locator('lem-gather-stage')).not.toContainText(/NaN|Infinity|undefined/);
  }
  await hook.fill('8,25');
  await hook.press('ArrowUp');
  await expect(hook).toHaveValue('8.5');
  await expect(body).not.toHaveText(before!);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('slider', { name: 'Hook size' }).press('End');
  await expect(hook).toHaveValue('25');
});

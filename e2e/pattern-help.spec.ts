import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, root, test } from './app.js';
import { dropFile, editor, expectAllSent, openStage, paste, putDemo, takeUp } from './pages.js';

const STACKED = `Buoy

Float
R1: 6 sc in ring (6)
R2: inc × 6 (12)
R3: (1 sc, inc) × 6 (18)
R4: (2 sc, inc) × 6 (24)
R5: (3 sc, inc) × 6 (30)
R6: (4 sc, inc) × 6 (36)
R7–R9: sc around (36)`;

const content = (page: Page) => page.locator('.cm-content');
const allRight = (page: Page) => page.getByRole('heading', { name: 'Every count is right' });

test('a slip is mended with one click, and one undo takes that back', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await paste(page, 'R1: 18 sc in ring (18)\nR2: (dec, 2 sc) × 4 (13)\nR3: icn × 13 (26)');
  await page.getByRole('button', { name: 'Add “dec” (13)' }).click();
  await expect(content(page)).toContainText('(dec, 2 sc) × 4, dec (13)');
  await page.getByRole('button', { name: 'Write “inc”' }).click();
  await expect(allRight(page)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(content(page)).toContainText('icn × 13');
});

test('two readings are both shown, and the round can be written so that only one is left', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await paste(page, 'R1: 12 sc in ring (12)\nR2: *1 sc, inc; repeat from * 5 times (18)');
  await expect(content(page)).toContainText('R2 can be read in two ways. Taken: the number is how often more, which makes 18.');
  await page.getByRole('button', { name: 'Write “(1 sc, inc) × 6” (18)' }).click();
  await expect(content(page)).toContainText('R2: (1 sc, inc) × 6 (18)');
  await expect(content(page)).not.toContainText('two ways');
});

test('the editor offers the next round of the rhythm, completes stitches, and explains them', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await paste(page, 'Buoy\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: (1 sc, inc) × 6 (18)\n');
  await page.keyboard.type('R');
  await expect(page.getByRole('option').first()).toContainText('R4: 1 sc, inc, (2 sc, inc) × 5, 1 sc (24)');
  // Keys pressed at once after the list opens go to the text.
  await page.waitForTimeout(150);
  await page.keyboard.press('Enter');
  await expect(content(page)).toContainText('R4: 1 sc, inc, (2 sc, inc) × 5, 1 sc (24)');
  await page.keyboard.type('\nR5: 22 sc, invd');
  await expect(page.getByRole('option', { name: /invdec/ })).toBeVisible();
  await page.waitForTimeout(150);
  await page.keyboard.press('Enter');
  await expect(allRight(page)).toBeVisible();
  await page.locator('.is-decrease').hover({ position: { x: 12, y: 8 } });
  await expect(page.locator('.explained')).toContainText('Invisible decrease, single crochet (UK: double crochet, dc)');
});

test('terms and length are switched for every round, words around them stay, and undo brings all back', async ({ app, page }) => {
  await openStage(page, app, await putDemo(page, app, 'Rowing boat'), 'pattern');
  await page.getByRole('button', { name: 'UK terms' }).click();
  await expect(content(page)).toContainText('UK terms');
  await expect(content(page)).toContainText('R5–R7: ch 1, dc around, join with ss (44)');
  await expect(content(page)).toContainText('The next round in the back loops makes the edge of the keel.');
  await expect(allRight(page)).toBeVisible();
  await page.getByRole('button', { name: 'In full' }).click();
  await expect(content(page)).toContainText('Rounds 5 to 7: chain 1, double crochet around, join with slip stitch (44 stitches)');
  await expect(allRight(page)).toBeVisible();
  await editor(page).click();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(content(page)).toContainText('R5–R7: ch 1, sc around, join with sl st (44)');
});

test('the map shows what lines up, staggers it before and after, and is linked with the text', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await paste(page, STACKED);
  await page.getByRole('tab', { name: 'Map' }).click();
  await expect(page.getByText(/^Changes line up to [5-9]\d %;.*which shows\.$/)).toBeVisible();
  const map = page.getByRole('img', { name: /^Float unrolled: 9 rounds/ });
  await map.click({ position: { x: 120, y: 20 } });
  await expect(page.getByRole('status').filter({ hasText: 'R9: 36 stitches, no changes' })).toBeVisible();
  await page.getByRole('button', { name: 'Stagger these rounds' }).click();
  await expect(page.getByText(/^Staggered\. Changes line up to [1-4]?\d %/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it as it is' }).click();
  await page.getByRole('button', { name: 'Stagger these rounds' }).click();
  await page.getByRole('button', { name: 'Write it into the pattern' }).click();
  await expect(allRight(page)).toBeVisible();
  await expect(content(page)).not.toContainText('R6: (4 sc, inc) × 6 (36)');
  await expect(page.getByRole('button', { name: 'Stagger these rounds' })).toBeHidden();
  await page.getByRole('tab', { name: 'Rounds' }).click();
  await page.getByRole('button', { name: 'R4', exact: true }).click();
  await expect(page.locator('tr.here')).toContainText('24');
  await page.keyboard.press('Control+z');
  await expect(content(page)).toContainText('R6: (4 sc, inc) × 6 (36)');
});

test('earlier texts are kept, can be looked at, and brought back', async ({ app, page }) => {
  await openStage(page, app, await putDemo(page, app, 'Striped lighthouse'), 'pattern');
  await page.getByRole('tab', { name: 'Earlier' }).click();
  await expect(page.getByText('Nothing earlier is kept yet.')).toBeVisible();
  await paste(page, 'Only this\nR1: 5 sc in ring (5)');
  await expectAllSent(page);
  await page.getByRole('tab', { name: 'Rounds' }).click();
  await page.getByRole('tab', { name: 'Earlier' }).click();
  await page.getByRole('button', { name: 'Look' }).click();
  await expect(page.locator('pre')).toContainText('## Lantern');
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByRole('heading', { name: 'Lantern' })).toBeVisible();
});

test('a pattern goes out as text, clear form and JSON, and comes back in as it was', async ({ app, page }) => {
  await openStage(page, app, await putDemo(page, app, 'Seal pup'), 'pattern');
  const saved = async (kind: string): Promise<{ name: string; text: string }> => {
    await page.getByRole('button', { name: 'Save as' }).click();
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByText(kind).click()]);
    await expect(page.getByText(kind)).toBeHidden();
    return { name: download.suggestedFilename(), text: await readFile(await download.path(), 'utf8') };
  };
  const written = await readFile(join(root, 'demo/seal-pup.md'), 'utf8');
  expect(await saved('Text, as written (.txt)')).toEqual({ name: 'seal-pup.txt', text: written });
  expect((await saved('The clear form (.md)')).text).toContain(
    'R10: 8 sc, 4 sc through Flipper, 16 sc, 4 sc through Flipper, 8 sc (40)',
  );
  const json = await saved('For other programs (.json)');
  await page.goto(`${app.url}/new`);
  await dropFile(page, 'broken.json', 'application/json', '{"format":"lemniscus-pattern","version":1,"title":"x"}');
  await expect(page.getByRole('alert')).toContainText('“broken.json” cannot be read as a pattern: terms:');
  await dropFile(page, json.name, 'application/json', json.text);
  await expect(page.getByText('3 parts, 5 pieces, 890 stitches')).toBeVisible();
  await expect(allRight(page)).toBeVisible();
});

test('the printed sheet has a box for every round and nothing of the screen', async ({ app, page }) => {
  await openStage(page, app, await putDemo(page, app, 'Harbour puffin'), 'pattern');
  await page.emulateMedia({ media: 'print' });
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  const sheet = page.locator('lem-sofa-sheet');
  await expect(sheet.getByRole('heading', { name: 'Wing, make 2' })).toBeVisible();
  await expect(sheet.locator('.round').filter({ hasText: 'R15–R22' }).locator('i')).toHaveCount(8);
  await expect(editor(page)).toBeHidden();
  await expect(page.getByRole('navigation')).toBeHidden();
});

test('a pattern of a thousand rounds takes typing at once, and junk is a message', async ({ app, page }) => {
  const rounds = Array.from({ length: 999 }, (_, i) => `R${i + 2}: sc around (96)`);
  await page.goto(`${app.url}/new`);
  await paste(page, `Long\nR1: 96 sc in ring (96)\n${rounds.join('\n')}\n`);
  await expect(page.getByText('1 part, 1 piece, 96000 stitches')).toBeVisible();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('R1001: sc around (96)');
  await expect(page.getByText('1 part, 1 piece, 96096 stitches')).toBeVisible();
  // Of the table only what is in sight is drawn; the way down it leads to its last line, and from there into the text.
  const table = page.getByRole('table', { name: 'Rounds' });
  await expect(table).toHaveAttribute('aria-rowcount', '1002');
  expect(await table.getByRole('row').count()).toBeLessThan(100);
  await page.locator('section.reading').evaluate((section) => section.scrollTo(0, section.scrollHeight));
  await expect(table.getByRole('row').last()).toHaveText(/R1001\s*sc around\s*96\s*✓/);
  await table.getByRole('button', { name: 'R1001' }).click();
  await expect(table.locator('.here')).toContainText('R1001');
  await paste(page, `R1: 6 sc in ring\nR2: ${'('.repeat(60_000)}sc × 999999999`);
  await expect(content(page)).toContainText('Groups are nested more than 16 deep here.');
  await paste(page, 'R1: 6 sc in ring (6)');
  await expect(allRight(page)).toBeVisible();
});

test('the lean of the hand shows as creep, with what brings the start back, and is remembered', async ({ app, page }) => {
  await page.goto(`${app.url}/new`);
  await paste(page, `Buoy\nR1: 24 sc in ring (24)\nR2–R13: sc around (24)`);
  await page.getByRole('tab', { name: 'Map' }).click();
  await page.getByText('Lean of my hand').click();
  await page.getByRole('spinbutton', { name: 'Stitches crept' }).fill('5');
  await page.keyboard.press('Tab');
  await page.getByRole('img', { name: /^Buoy unrolled/ }).hover({ position: { x: 100, y: 20 } });
  const readout = page.getByRole('status').filter({ hasText: 'R13: 24 stitches' });
  await expect(readout).toContainText('its start has crept 5 stitches, 5 more bring it back');
  await page.reload();
  await page.getByRole('tab', { name: 'Map' }).click();
  await page.getByText('Lean of my hand').click();
  await expect(page.getByRole('spinbutton', { name: 'Stitches crept' })).toHaveValue('5');
});

test('parts of a set: rows lie flat, limbs are named at the hook, joined rounds say how they end', async ({ app, page }) => {
  await openStage(page, app, await putDemo(page, app, 'Signal kite'), 'gather');
  await expect(page.getByRole('row').filter({ has: page.getByRole('button', { name: 'Panel' }) })).toContainText('flat');
  await takeUp(page, app, 'Seal pup', { piece: 'body/1', round: 9 });
  await expect(page.locator('.where')).toContainText('Round 10 of 21');
  await expect(page.locator('lem-work-stage')).toContainText('4 sc through Flipper');
  await takeUp(page, app, 'Rowing boat');
  await page.keyboard.press('Enter');
  // The chain that lifts the yarn is a step of its own, and no stitch.
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: /^Stitch done\. 0 of 36 stitches/ })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: /^Stitch done\. 2 of 36 stitches/ })).toBeVisible();
});

test('on a phone the text, its counts and the map can all be reached', async ({ app, browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await openStage(page, app, await putDemo(page, app, 'Harbour puffin'), 'pattern');
  // Reading comes first; the text has the whole screen when it is asked for, and what is wrong stands under the thumb.
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeInViewport();
  await expect(editor(page)).toBeHidden();
  await page.getByRole('button', { name: 'Text', exact: true }).tap();
  await expect(editor(page)).toBeInViewport();
  await editor(page).tap();
  await page.keyboard.press('Control+End');
  await page.keyboard.insertText('\n\nFlag\nR1: 5 sc in ring (6)');
  await expect(page.locator('.thumb .finding')).toContainText(/5.*6|6.*5/);
  await expect(page.locator('.thumb .finding')).toBeInViewport();
  await page.getByRole('button', { name: 'Read', exact: true }).tap();
  await page.getByRole('tab', { name: 'Map' }).tap();
  await page.getByRole('button', { name: 'Wing', exact: true }).tap();
  const map = page.getByRole('img', { name: /^Wing unrolled: 11 rounds/ });
  await map.scrollIntoViewIfNeeded();
  await expect(map).toBeInViewport();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await context.close();
});

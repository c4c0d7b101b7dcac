import { expect, test } from './app.js';
import { dial, editor, expectAllSent, expectCount, expectRound, paste, stage, stitchDone, takeFromShelf } from './pages.js';

const PATTERN = `Mooring buoy

Float
With red:
R1: 6 sc in ring (6)
R2: inc x 6 (12)
R3: (sc, inc) x 6 (18)
R4: (dec, 2 sc) x 4 (14)
R5-R7: sc around (14)
Stuff it before it closes.
R8: dec x 7 (7)

Rope eye (make 2)
R1: ch 2, 4 sc in 2nd ch from hook (4)
R2: sc around (4)
`;

test.use({ alone: true });

test('from a pasted pattern to the hook, and everything is where it was after a restart', async ({ app, page, browser }) => {
  await test.step('the shelf opens with the demo makes', async () => {
    await page.goto(app.url);
    await expect(page.getByRole('link', { name: 'Harbour puffin', exact: true })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Striped lighthouse', exact: true })).toBeVisible();
    await expect(page.locator('lem-plank').first()).toContainText('6 pieces, not begun');
  });

  await test.step('a pasted pattern shows every count, and a slip at its place with both numbers', async () => {
    await page.getByRole('link', { name: 'New make' }).click();
    await expect(page.getByText('Nothing to count yet')).toBeVisible();
    await paste(page, PATTERN);
    await expect(page.getByRole('heading', { name: '1 line to look at' })).toBeVisible();
    const slip = page.locator('.cm-content');
    await expect(slip).toContainText(
      'R4 works 16 of the 18 stitches below: 2 are left over. As written it makes 12, and 14 is stated.',
    );
    await expect(page.locator('.cm-content .place').first()).toHaveText('(dec, 2 sc) x 4');
    const row = page.getByRole('row').filter({ has: page.getByRole('button', { name: 'R4' }) });
    await expect(row).toContainText('12');
    await expect(row).toContainText('says 14');
    await expect(page.getByRole('heading', { name: 'Rope eye' })).toContainText('make 2');
  });

  await test.step('nothing typed is lost on reload, and the slip is corrected in place', async () => {
    await page.reload();
    await expect(editor(page)).toContainText('Rope eye (make 2)');
    await page.getByRole('button', { name: 'Show the first' }).click();
    await page.keyboard.press('End');
    for (const _ of ') x 4 (14)') await page.keyboard.press('Backspace');
    await page.keyboard.insertText(') x 4, dec (13)');
    await expect(page.locator('.cm-content')).toContainText('R5 makes 13, but 14 is stated: 1 fewer than stated.');
    await paste(page, PATTERN.replace('(dec, 2 sc) x 4 (14)', '(dec, 2 sc) x 4, 2 sc (14)'));
    await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
    await page.getByRole('button', { name: 'Keep this pattern' }).click();
    await expect(page).toHaveURL(/\/make\/.+\/gather$/);
  });

  await test.step('yarn and hook give every size at once', async () => {
    const float = page.getByRole('row').filter({ has: page.getByRole('button', { name: 'Float' }) });
    const across = async (): Promise<number> => Number.parseFloat(await float.getByRole('cell').first().innerText());
    const before = await across();
    expect(before).toBeGreaterThan(25);
    await page.getByRole('radio', { name: '6 Super bulky' }).click();
    await expect.poll(across).toBeGreaterThan(before * 1.1);
    const hook = page.getByRole('spinbutton', { name: 'Hook in millimetres' });
    await hook.fill('8');
    await hook.press('Tab');
    await expect.poll(across).toBeGreaterThan(before * 2);
    await expect(page.locator('lem-in-hand')).toContainText('US L');
    await expect(page.locator('lem-in-hand')).toContainText('Holds its stuffing');
    await expect(page.getByText(/After R\d+ \(\d+ stitches\) the opening is \d+ mm, the part \d+ mm high/)).toBeVisible();
    await expectAllSent(page);
  });

  await test.step('the words for now follow the hands: stitch, group, round, tap, undo, round start', async () => {
    await stage(page, 'Work').click();
    await expect(page.locator('.words-now')).toHaveText('6 sc in ring');
    await expectRound(page, 'Round 1 of 8, ends on 6');
    await page.keyboard.press('Space');
    await page.keyboard.press('Space');
    await expectCount(page, 2, 6);
    await page.keyboard.press('Enter');
    await expectRound(page, 'Round 2 of 8, ends on 12');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await expectCount(page, 3, 18);
    await dial(page).click();
    await expectCount(page, 4, 18);
    await expect(page.getByText('Increase now')).toBeVisible();
    await stitchDone(page).click();
    await expectCount(page, 6, 18);
    await expect(page.getByText('Group 3 of 6')).toBeVisible();
    await page.keyboard.press('z');
    await expectCount(page, 4, 18);
    await page.keyboard.press('ArrowLeft');
    await expectCount(page, 0, 18);
    await page.keyboard.press('z');
    await expectCount(page, 4, 18);
  });

  await test.step('every copy is a piece of its own', async () => {
    await page.getByRole('button', { name: 'Rope eye 2 of 2' }).click();
    await expectCount(page, 0, 4);
    await page.keyboard.press('Enter');
    await expectRound(page, 'Round 2 of 2, ends on 4');
    await page.keyboard.press('Enter');
    await expect(page.getByText('All worked')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Take Float' })).toBeVisible();
    await page.getByRole('button', { name: 'Rope eye 1 of 2' }).click();
    await expectCount(page, 0, 4);
    await page.getByRole('button', { name: 'Float', exact: true }).click();
    await expectCount(page, 4, 18);
    for (let i = 0; i < 4; i++) await page.keyboard.press('Enter');
    await expect(page.getByText('Before R8: Stuff it before it closes.')).toBeVisible();
    await expect(page.locator('.where')).toContainText('2 of 3 alike done');
    await page.keyboard.press('Space');
    await expectAllSent(page);
  });

  await test.step('the server stops and starts, another window opens: all is exactly there', async () => {
    await app.stop();
    await app.start();
    const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await takeFromShelf(other, app, 'Mooring buoy');
    await expectRound(other, 'Round 7 of 8, ends on 14');
    await expectCount(other, 1, 14);
    await other.getByRole('button', { name: 'Rope eye 2 of 2' }).click();
    await expect(other.getByText('All worked')).toBeVisible();
    await stage(other, 'Gather').click();
    await expect(other.getByRole('spinbutton', { name: 'Hook in millimetres' })).toHaveValue('8');
    await expect(other.getByRole('radio', { name: '6 Super bulky' })).toBeChecked();
    await other.close();
  });
});

test('the screen never waits for the server: steps taken while it is away are kept, and sent when it is back', async ({
  app,
  page,
  browser,
}) => {
  await takeFromShelf(page, app, 'Harbour puffin');
  await page.keyboard.press('Enter');
  await expectAllSent(page);
  await app.stop('SIGKILL');
  await page.keyboard.press('Enter');
  for (let i = 0; i < 5; i++) await page.keyboard.press('Space');
  await expectRound(page, 'Round 3 of 31');
  await expectCount(page, 7, 18);
  await expect(page.getByRole('status')).toContainText('Server away: 6 kept here');
  await app.start();
  await expectAllSent(page);
  await expect(page.getByText('Server away')).toBeHidden();
  const other = await (await browser.newContext()).newPage();
  await takeFromShelf(other, app, 'Harbour puffin');
  await expectCount(other, 7, 18);
  // The sixth action of the round is an increase: two stitches.
  await other.keyboard.press('Space');
  await expectAllSent(other);
  // Back in the first window, what was done in the other is there.
  await page.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expectCount(page, 9, 18);
  await other.close();
});

test('a long run of steps by hand gives the counts of the pattern', async ({ app, page }) => {
  await takeFromShelf(page, app, 'Harbour puffin');
  await page.getByRole('button', { name: 'Wing 2 of 2' }).click();
  // Stitches and actions of each round, by hand from the pattern's text.
  const rounds = [6, 9, 12, 15, 15, 15, 15, 15, 12, 12, 9];
  const actions = [6, 6, 9, 12, 15, 15, 15, 15, 12, 12, 9];
  for (const [index, stitches] of rounds.entries()) {
    await expectRound(page, `Round ${index + 1} of 11, ends on ${stitches}`);
    await expectCount(page, 0, stitches);
    for (let step = 0; step < actions[index]!; step++) await page.keyboard.press('Space');
  }
  await expect(page.getByText('All worked')).toBeVisible();
  await page.getByRole('button', { name: 'Take Beak' }).click();
  await expectRound(page, 'Round 1 of 6, ends on 5');
});

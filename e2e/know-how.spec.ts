import { AxeBuilder } from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './app.js';
import { dial, dialog, editor, expectCount, expectRound, press, putDemo, putMake } from './pages.js';

const card = (page: Page): Locator => page.locator('lem-technique-card');
const picture = (page: Page): Locator => card(page).getByRole('img');
const step = (page: Page): Locator => card(page).locator('li[aria-current=step]');
/** Where the strands lie, whatever they are painted with. */
const strands = (page: Page): Promise<string[]> =>
  card(page)
    .locator('lem-technique-drawing path.body')
    .evaluateAll((paths) => paths.map((path) => path.getAttribute('d') ?? ''));

test('a card opens from the word at the hook, is stepped, mirrored and closed, and the count is as it was', async ({
  app,
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(`${app.url}/make/${await putDemo(page, app, 'Harbour puffin')}/work`);
  await dial(page).focus();
  await press(page, 'Enter');
  await press(page, 'Space', 2);
  await expectRound(page, 'Round 2 of 31');
  await page.getByRole('button', { name: 'inc × 6, how it is done' }).click();
  await expect(card(page).getByRole('heading')).toHaveText('Increase');
  // Words and count stay in sight beside it.
  await expect(page.locator('.words-now')).toBeInViewport();
  await expect(page.locator('.count')).toBeInViewport();
  await expect(picture(page)).toHaveAccessibleName('Increase, picture 1 of 4');
  const first = await strands(page);
  await press(page, 'ArrowRight');
  await expect(picture(page)).toHaveAccessibleName('Increase, picture 2 of 4');
  await expect(step(page)).toContainText('the same place again');
  await expect.poll(() => strands(page)).not.toEqual(first);
  await press(page, 'ArrowRight', 4);
  await expect(picture(page)).toHaveAccessibleName('Increase, picture 4 of 4');
  const last = await strands(page);
  await press(page, 'm');
  await expect(card(page).getByRole('button', { name: 'Left hand' })).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(() => strands(page)).not.toEqual(last);
  await press(page, 'm');
  await expect.poll(() => strands(page)).toEqual(last);
  await card(page).getByRole('button', { name: 'Single crochet' }).first().click();
  await expect(picture(page)).toHaveAccessibleName('Single crochet, picture 1 of 5');
  await press(page, 'ArrowRight');
  expect((await new AxeBuilder({ page }).include('lem-technique-card').analyze()).violations).toEqual([]);
  await press(page, 'k');
  await expect(card(page)).toBeHidden();
  await expectCount(page, 4, 12);
  await press(page, 'Space');
  await expectCount(page, 6, 12);
  await press(page, 'k');
  await expect(card(page).getByRole('heading')).toHaveText('Increase');
  await press(page, 'Escape');
  await expect(card(page)).toBeHidden();
});

test('what comes for the first time is offered one round ahead, once; what is known never', async ({ app, page }) => {
  const text = 'Buoy\nR1: 6 sc in ring\nR2: inc × 6\nR3: sc around\nR4: in BLO, sc around\nR5: invdec × 6';
  await page.goto(`${app.url}/make/${await putMake(page, app, text)}/work`);
  const offer = page.locator('aside lem-new-technique-card');
  await expect(offer).toContainText('adjustable ring, single crochet');
  await page.locator('aside').getByRole('button', { name: 'I know it' }).click();
  await expect(offer).toHaveText('');
  await dial(page).focus();
  await press(page, 'Space');
  await expect(offer).toContainText('increase');
  await page.locator('aside').getByRole('button', { name: 'Show me' }).click();
  await expect(card(page).getByRole('heading')).toHaveText('Increase');
  await press(page, 'k');
  await expect(offer).toHaveText('');
  await press(page, 'Enter');
  await expect(offer).toHaveText('');
  await press(page, 'Enter');
  await expect(offer).toContainText('back loop, front loop');
  await page.reload();
  await expect(offer).toContainText('back loop, front loop');
});

test('the first ball leads each step’s card by itself, and the keys go on working the dial', async ({ app, page }) => {
  await page.goto(`${app.url}/know-how`);
  await page.getByRole('button', { name: 'Make the first ball' }).click();
  await expect(card(page).getByRole('heading')).toHaveText('Adjustable ring');
  await press(page, 'Space', 6);
  await expectRound(page, 'Round 2 of 9');
  await expect(card(page).getByRole('heading')).toHaveText('Increase');
  await press(page, 'Enter');
  await expectRound(page, 'Round 3 of 9');
  await expect(card(page).getByRole('heading')).toHaveText('Right side out');
  await press(page, 'Enter', 5);
  await expectRound(page, 'Round 8 of 9');
  await expect(card(page).getByRole('heading')).toHaveText('Invisible decrease');
  await expect(card(page).getByRole('button', { name: 'Stuffing' }).first()).toBeVisible();
  await press(page, 'Enter', 2);
  await expect(page.getByText('All worked')).toBeVisible();
  await page.getByRole('button', { name: 'How?' }).nth(2).click();
  await expect(card(page).getByRole('heading')).toHaveText('Closing the last round');
});

test('all cards are found by US, UK and plain words, and a word without one leads to the nearest', async ({ app, page }) => {
  await page.goto(`${app.url}/know-how`);
  const tiles = page.locator('lem-card-tile');
  await expect(tiles).toHaveCount(35);
  const find = page.getByRole('searchbox', { name: 'Find a card' });
  await find.fill('dc');
  await expect(tiles.first()).toContainText('Tall stitches');
  await page.getByText('UK words').click();
  await expect(tiles.first()).toContainText('Double crochet');
  await find.fill('washer click');
  await expect(tiles).toHaveCount(1);
  await find.fill('increse');
  await expect(page.getByRole('status')).toContainText('No card is called “increse”');
  await page.getByRole('button', { name: 'Increase', exact: true }).click();
  await expect(page).toHaveURL(/card=increase/);
  await expect(card(page)).toContainText('Work a double crochet into the stitch.');
  await find.fill('ring');
  expect((await new AxeBuilder({ page }).include('main').analyze()).violations).toEqual([]);
  // Printed are the cards that were found, with what the screen has round them left out.
  await page.evaluate(() => {
    window.print = () => {
      document.title = `printed ${document.querySelectorAll('lem-card-sheet article').length}`;
    };
  });
  const found = await tiles.count();
  await page.getByRole('button', { name: `Print ${found} cards` }).click();
  await expect(page).toHaveTitle(`printed ${found}`);
});

test('in Pattern a word leads to its card, and one that has none says so', async ({ app, page }) => {
  await page.goto(
    `${app.url}/make/${await putMake(page, app, 'Buoy\nR1: 6 sc in ring\nR2: inc x 6\nR3: flumpf around')}/pattern`,
  );
  await editor(page).click();
  await press(page, 'Control+Home');
  await press(page, 'ArrowDown', 2);
  await press(page, 'ArrowRight', 5);
  await press(page, 'F1');
  await expect(card(page).getByRole('heading')).toHaveText('Increase');
  await press(page, 'Escape');
  await expect(dialog(page)).toBeHidden();
  await expect(editor(page)).toBeFocused();
  await press(page, 'ArrowDown');
  await press(page, 'F1');
  await expect(dialog(page)).toContainText('No card is called “flumpf”.');
});

test('ten tasks are answered by tap and key, each with its why, and what was answered stays', async ({ app, page }) => {
  await page.goto(`${app.url}/know-how/reading`);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  for (let task = 1; task <= 10; task++) {
    await expect(page.getByText(`Task ${task} of 10`)).toBeVisible();
    const [number, option, spot] = [
      page.locator('#answer'),
      page.locator('.options button').first(),
      page.locator('.spot').first(),
    ];
    await expect(number.or(option).or(spot).first()).toBeAttached();
    if (await number.count()) {
      await expect(number).toBeFocused();
      await number.fill('7');
      await press(page, 'Enter');
    } else if (await option.count()) await press(page, '1');
    else {
      await spot.focus();
      await press(page, 'Space');
      await expect(spot).toHaveAttribute('aria-checked', 'true');
      await page.getByRole('button', { name: 'That is it' }).click();
    }
    await expect(page.locator('.verdict')).toContainText(/^(Right|Not quite)\. .+\.\s*$/);
    await page.getByRole('button', { name: task < 10 ? 'Next' : 'See how it went' }).click();
  }
  await expect(page.getByRole('heading', { name: /of 10 right/ })).toBeVisible();
  const kept = async (): Promise<number> =>
    ((await (await page.request.get(`${app.url}/api/practice`)).json()) as unknown[]).length;
  await expect.poll(kept).toBeGreaterThanOrEqual(10);
  await page.reload();
  await expect(page.getByRole('img', { name: /On the last day|on the last day/ })).toBeVisible();
  await page.getByRole('button', { name: 'Harbour puffin' }).first().click();
  // Another journey on this server may have worked some rounds of it.
  await expect(page.getByText(/This is round \d+ as you will work it\. Tap every (increase|decrease)\./)).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ fresh: true, viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a card comes as a sheet from below and leaves the words in sight', async ({ app, page }) => {
    await page.goto(`${app.url}/make/${await putDemo(page, app, 'Harbour puffin')}/work`);
    await page.getByRole('button', { name: '6 sc in ring, how it is done' }).tap();
    await expect(card(page).getByRole('heading')).toHaveText('Adjustable ring');
    await expect(page.locator('.words-now')).toBeInViewport({ ratio: 1 });
    const box = (await card(page).boundingBox())!;
    expect([Math.round(box.width), Math.round(box.y + box.height)]).toEqual([390, 844]);
    await card(page).getByRole('button', { name: 'Next picture' }).tap();
    await expect(picture(page)).toHaveAccessibleName(/picture 2 of 6/);
    await card(page).getByRole('button', { name: 'Close the card' }).tap();
    await expect(card(page)).toBeHidden();
    await expectCount(page, 0, 6);
  });
});

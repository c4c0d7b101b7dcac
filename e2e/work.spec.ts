import { AxeBuilder } from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './app.js';
import { atHook, dial, dialog, expectAllSent, expectCount, expectRound, paste, press, putMake, stage, takeUp } from './pages.js';

const due = (page: Page): Locator => page.locator('aside lem-due-card');

const PEBBLE =
  'Pebble\nUS terms\n\n## Stone\nWith grey:\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R4: sc around (12)\nR5: dec x 6 (6)\nFasten off.';

test.describe('with the network gone', () => {
  test.use({ alone: true, serviceWorkers: 'allow' });

  test('a small make from ring to closing, without a server in the middle, and the page opened anew without it', async ({
    app,
    page,
  }) => {
    await atHook(page, app, await putMake(page, app, PEBBLE));
    await press(page, 'Space', 6);
    await expectRound(page, 'Round 2 of 5, ends on 12');
    await press(page, 'Space', 2);
    await expectCount(page, 4, 12);
    await expectAllSent(page);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    // The worker has fetched all of the application, and what the server said last, once it answers this page.
    await page.reload();
    await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null), { timeout: 30_000 }).toBe(true);
    await page.reload();
    await expectCount(page, 4, 12);

    await app.stop('SIGKILL');
    await press(page, 'Space', 3);
    await expectCount(page, 10, 12);
    await expect(page.getByRole('status').filter({ hasText: 'Server away' })).toBeVisible();
    await page.reload();
    await expectCount(page, 10, 12);
    await press(page, 'Space');
    await expectRound(page, 'Round 3 of 5, ends on 12');
    await press(page, 'Enter');

    await app.start();
    await expectAllSent(page);
    await press(page, 'Enter');
    await expectRound(page, 'Round 5 of 5, ends on 6');
    await press(page, 'ArrowRight');
    await expect(page.getByText('All worked')).toBeVisible();
    await expect(page.getByText('Every piece of this make is worked.')).toBeVisible();
    await expectAllSent(page);
  });
});

test('count is off: what may have happened, working on with a changed round, and ripping back', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 16 });
  await test.step('one short in a plain round of 48: work on', async () => {
    await press(page, 'c');
    await expect(dialog(page)).toContainText('R16 should end on 48');
    await dialog(page).getByRole('button', { name: '47', exact: true }).click();
    await expect(dialog(page)).toContainText('A stitch was passed over');
    await expect(dialog(page)).toContainText('nobody sees one increase more');
    await dialog(page).getByRole('button', { name: 'Work on' }).click();
    await expectRound(page, 'Round 17 of 31, ends on 48');
    await expect(page.locator('.words-now')).toContainText('inc');
    await press(page, 'Enter');
    await expectRound(page, 'Round 18 of 31, ends on 48');
    await expect(page.locator('.words-now')).toHaveText('48 sc');
  });
  await test.step('back to a stitch in the middle of a round, and undone', async () => {
    await press(page, 'Space', 9);
    await press(page, 'r');
    await dialog(page).getByRole('spinbutton', { name: 'after stitch' }).fill('4');
    await dialog(page).getByRole('button', { name: 'Rip 5 stitches, 1 min' }).click();
    await expectCount(page, 4, 48);
    await press(page, 'z');
    await expectCount(page, 9, 48);
  });
  await test.step('back to a stitch that is held on the dial; where nothing is worked yet, a long press is a step', async () => {
    const box = (await dial(page).boundingBox())!;
    const hold = async (x: number): Promise<void> => {
      await page.mouse.move(box.x + box.width * x, box.y + box.height / 2);
      await page.mouse.down();
      await page.waitForTimeout(750);
      await page.mouse.up();
    };
    await hold(0.5 + 0.38);
    await expect(dialog(page)).toContainText('Round');
    await expect(dialog(page).locator('lem-select')).toContainText('R17');
    const stitch = Number(await dialog(page).getByRole('spinbutton', { name: 'after stitch' }).inputValue());
    expect(stitch).toBeGreaterThan(40 - 9);
    await dialog(page)
      .getByRole('button', { name: `Rip ${48 - stitch + 9} stitches` })
      .click();
    await expectRound(page, 'Round 17 of 31, ends on 48');
    await expectCount(page, stitch, 48);
    await press(page, 'z');
    await expectCount(page, 9, 48);
    await hold(0.5 - 0.4);
    await expectCount(page, 10, 48);
    await press(page, 'z');
    await press(page, 'z', 9);
  });
  await test.step('undo takes back the steps and then the change', async () => {
    await press(page, 'z', 3);
    await expectRound(page, 'Round 17 of 31, ends on 48');
    await expect(page.locator('.words-now')).toHaveText('48 sc');
  });
  await test.step('in a round of increases: where to look, and rip back', async () => {
    await press(page, 'r');
    await dialog(page).getByRole('button', { name: 'Rip back to the start of R5', exact: true }).click();
    await expectCount(page, 0, 30);
    await press(page, 'Enter');
    await press(page, 'c');
    await dialog(page)
      .getByLabel(/You count/)
      .fill('29');
    await expect(dialog(page).getByRole('listitem').first()).toContainText('An increase was missed');
    await expect(dialog(page)).toContainText('it should read 3 · 3 · 3 · 3 · 3 · 3 · 0');
    await expect(dialog(page)).toContainText('The round has a repeat');
    await dialog(page)
      .getByLabel(/You count/)
      .fill('');
    await expect(dialog(page).getByRole('alert')).toContainText('a whole number');
    await dialog(page)
      .getByLabel(/You count/)
      .fill('29');
    await dialog(page).getByRole('button', { name: 'Rip back', exact: true }).click();
    await expectRound(page, 'Round 5 of 31, ends on 30');
    await press(page, 'z');
    await expectRound(page, 'Round 6 of 31, ends on 36');
  });
});

test('doing it differently is kept as made, and the second of a pair is offered the same', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin', { piece: 'wing/1', round: 2 });
  await press(page, 'Space');
  await test.step('an increase one stitch early: the rest is spread anew', async () => {
    await press(page, 'd');
    await dialog(page).getByRole('button', { name: 'Increased here' }).click();
    await expectCount(page, 3, 12);
    await press(page, 'Enter');
    await expectRound(page, 'Round 4 of 11, ends on 15');
  });
  await test.step('one round more, a remark, and words that do not fit', async () => {
    await press(page, 'd');
    await dialog(page).getByLabel('The whole round, in your words').fill('4 sc, inc');
    await expect(dialog(page)).toContainText('Uses 5 of 12, makes 6 instead of 15.');
    await dialog(page).getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(dialog(page).getByRole('alert')).toContainText('That uses 5 stitches, and the round below has 12.');
    await dialog(page).getByRole('button', { name: 'One round more like this' }).click();
    await expectRound(page, 'Round 4 of 12, ends on 15');
    await press(page, 'd');
    await dialog(page).getByLabel('A remark on a round').fill('pulled tight');
    await dialog(page).getByRole('button', { name: 'Keep the remark' }).click();
    await expect(page.locator('.remark')).toHaveText('“pulled tight”');
  });
  await test.step('its stuffing is weighed, and the other wing gets the same rounds', async () => {
    await press(page, 'p');
    await dialog(page).getByLabel('It took').fill('2.5');
    await dialog(page).getByRole('button', { name: 'Take it' }).click();
    await dialog(page).getByRole('button', { name: 'Take Wing 2 of 2' }).click();
    await expect(page.locator('.sibling')).toContainText('Wing 1 of 2 took 2.5 g of stuffing.');
    await expectRound(page, 'Round 1 of 11');
    await page.getByRole('button', { name: 'Make this one the same' }).click();
    await expectRound(page, 'Round 1 of 12');
    await expectAllSent(page);
    await page.reload();
    await expectRound(page, 'Round 1 of 12');
  });
});

test('an open run goes on until the maker says so, and what is due says so in time', async ({ app, page }) => {
  await atHook(
    page,
    app,
    await putMake(
      page,
      app,
      'Mast\nUS terms\n\n## Pole\nWith red:\nR1: 8 sc in ring (8)\nR2: inc x 8 (16)\nR3: (1 sc, inc) x 8 (24)\nR4 on: sc around until it is 5 cm long\nR5: (1 sc, dec) x 8 (16)\nR6: dec x 8 (8)',
    ),
  );
  await press(page, 'Enter', 3);
  await expect(page.locator('.run')).toContainText('of 50 mm');
  await press(page, 'Enter', 2);
  await expect(page.locator('.run')).toContainText('2 rounds');
  await test.step('turned right side out: said, and settled', async () => {
    await expect(due(page)).toContainText('Turn it so that the right side faces out.');
    await due(page).getByRole('button', { name: 'Done' }).first().click();
    await expect(due(page)).not.toContainText('right side');
  });
  const wall = async (): Promise<number> => {
    await stage(page, 'Gather').click();
    const mm = await page.getByRole('row', { name: /Pole/ }).getByRole('cell').nth(2).textContent();
    await stage(page, 'Work').click();
    await expect(dial(page)).toBeVisible();
    return parseInt(mm!);
  };
  // Asked to be 5 cm long, and closed over after that.
  const asked = await wall();
  expect(asked).toBeGreaterThan(55);
  await page.getByRole('button', { name: 'Long enough' }).click();
  await expectRound(page, 'Round 6 of 7, ends on 16');
  expect(await wall()).toBeLessThan(asked - 20);
  await press(page, 'z');
  await expect(page.locator('.run')).toContainText('2 rounds');
});

test('the colour is said before the last stitch, and the eyes are settled at their time', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 6 });
  await press(page, 'ArrowRight', 5);
  await press(page, 'Space', 3);
  await expect(page.locator('.colour-ahead')).toContainText('In 2 stitches, finish in white');
  await expect(page.locator('.colour-ahead')).toContainText('Leave the black hanging');
  await test.step('taken up early: kept as made, and taken back', async () => {
    await press(page, 'd');
    await expect(dialog(page)).toContainText('4 stitches early');
    await dialog(page).getByRole('button', { name: 'Changed to white here' }).click();
    await expect(page.locator('.colour-ahead')).toBeHidden();
    await expectRound(page, 'Round 7 of 31, ends on 42');
    await press(page, 'z');
    await expect(page.locator('.colour-ahead')).toContainText('In 2 stitches, finish in white');
  });
  await press(page, 'Space', 2);
  await expect(page.locator('.colour-ahead')).toContainText('Finish this stitch in white');
  await press(page, 'Enter', 7);
  await expect(due(page)).toContainText('Set the eyes between R9 and R10');
  await expect(due(page)).toContainText('14 mm suits this head.');
  await due(page).locator('div', { hasText: 'Set the eyes' }).getByRole('button', { name: 'Not for me' }).click();
  await expect(page.locator('aside')).not.toContainText('Set the eyes');
});

test('a piece of which nothing can be worked yet says so, and is worked as soon as its pattern is mended', async ({
  app,
  page,
}) => {
  const text = '# Net float\nUS terms\n\n## Cork\nR1: wobble × 6';
  await page.goto(`${app.url}/make/${await putMake(page, app, text)}/work`);
  await expect(page.getByRole('heading', { name: 'Nothing of Cork can be worked yet' })).toBeVisible();
  for (const key of ['Space', 'Enter', 'c', 'r', 'd']) await press(page, key);
  await expect(dialog(page)).toHaveCount(0);
  await page.getByRole('link', { name: 'To the pattern' }).click();
  await paste(page, `${text.replace('wobble × 6', '6 sc in ring')}\nR2: sk 6\nR3: ch 4`);
  await stage(page, 'Work').click();
  await expectCount(page, 0, 6);
  // Past a round in which nothing is made, to the end and back.
  await press(page, 'Enter', 3);
  await expect(page.getByText('All worked')).toBeVisible();
  await press(page, 'z', 3);
  await expectCount(page, 0, 6);
});

test('two windows on one piece agree within a second', async ({ app, page, context }) => {
  const make = await takeUp(page, app, 'Harbour puffin');
  const other = await context.newPage();
  await atHook(other, app, make);
  await press(page, 'Enter', 4);
  await expect(dial(other)).toHaveAccessibleName('Stitch done. 0 of 30 stitches', { timeout: 1_500 });
  await other.bringToFront();
  await press(other, 'Space', 3);
  await expect(dial(page)).toHaveAccessibleName('Stitch done. 3 of 30 stitches', { timeout: 1_500 });
});

test('a step is what the maker chose for the piece; a pedal takes it, and the words are read aloud', async ({ app, page }) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    speechSynthesis.speak = (utterance) => void said.push(utterance.text);
  });
  await takeUp(page, app, 'Harbour puffin');
  await page.getByRole('button', { name: 'More' }).click();
  await dialog(page).getByText('A round', { exact: true }).click();
  await page.keyboard.press('Escape');
  await press(page, 'Space', 2);
  await expect(dial(page)).toHaveAccessibleName('Round done. 0 of 18 stitches');
  await page.getByRole('button', { name: 'Beak' }).click();
  await expectCount(page, 0, 5);
  await page.getByRole('button', { name: 'Body' }).click();

  await press(page, '?');
  await dialog(page).getByRole('button', { name: 'Learn its key' }).click();
  await press(page, 'F9');
  await expect(dialog(page).locator('kbd').filter({ hasText: 'F9' })).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Simulated clicker' }).click();
  await dialog(page).getByRole('button', { name: 'Read the words aloud' }).click();
  await page.keyboard.press('Escape');
  await expectRound(page, 'Round 4 of 31');
  await press(page, 'F9');
  await expectRound(page, 'Round 5 of 31');
  await expect.poll(() => page.evaluate(() => (window as unknown as { said: string[] }).said.at(-1))).toBe('3 single, increase');
  await page.reload();
  await expect(dial(page)).toHaveAccessibleName(/^Round done\./);
});

test('rows are a strip that turns, and the left hand has everything mirrored', async ({ app, page }) => {
  await takeUp(page, app, 'Signal kite');
  const way = page.locator('lem-strip path.way');
  await expect(way).toHaveAttribute('d', /^M-70/);
  await expectRound(page, 'Row 1 of 16, ends on 14');
  await press(page, 'Enter', 2);
  // The chain and the turn are no stitches.
  await press(page, 'Space', 2);
  await expect(page.locator('lem-strip path.next')).toHaveCount(1);
  await press(page, '?');
  await dialog(page).getByLabel('You hold the hook in the').selectOption('left');
  await dialog(page).getByLabel('Your marker goes').selectOption('last');
  await page.keyboard.press('Escape');
  await expect(way).toHaveAttribute('d', /^M70/);
  await test.step('the dial is mirrored too, turns on and on with the work, and back with undo', async () => {
    await takeUp(page, app, 'Harbour puffin');
    await expect(page.locator('lem-dial')).toHaveCSS('transform', 'matrix(-1, 0, 0, 1, 0, 0)');
    const turn = (): Promise<number> =>
      page
        .locator('lem-dial canvas')
        .evaluate((canvas) => Number(/rotate\((.+?)rad/.exec((canvas as HTMLElement).style.transform)![1]));
    const turns = [await turn()];
    for (let step = 0; step < 9; step++) {
      await press(page, 'Space');
      await expect.poll(turn).toBeGreaterThan(turns.at(-1)!);
      turns.push(await turn());
    }
    // Nine of eighteen stitches along: the ring of six, and half a round of increases.
    expect(turns.at(-1)! - turns[0]!).toBeGreaterThan(2.5 * Math.PI);
    expect(turns.at(-1)! - turns[0]!).toBeLessThan(3.5 * Math.PI);
    await press(page, 'z', 9);
    // Steps that are shown at once go the short way: the same place, up to whole turns.
    await expect.poll(async () => Math.cos((await turn()) - turns[0]!)).toBeCloseTo(1, 5);
  });
  await test.step('both are remembered on this device', async () => {
    await page.reload();
    await expect(page.locator('lem-dial.mirrored')).toBeVisible();
    await press(page, '?');
    await expect(dialog(page).getByLabel('Your marker goes')).toHaveValue('last');
  });
});

for (const theme of ['light', 'dark'] as const) {
  test(`nothing serious stands in the way of sight, touch or screen reader (${theme})`, async ({ app, page }) => {
    await page.emulateMedia({ colorScheme: theme });
    await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 13 });
    const check = async (): Promise<void> => {
      const { violations } = await new AxeBuilder({ page }).analyze();
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
      expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)).toEqual([]);
    };
    await check();
    await press(page, 'c');
    await expect(dialog(page)).toBeVisible();
    await check();
    await page.keyboard.press('Escape');
    await stage(page, 'Gather').click();
    await page.locator('lem-standing-set').waitFor();
    await check();
    // The evening has the same parts in other colours, and those of Gather have been seen.
    for (const view of theme === 'light' ? ['Yarn', 'To get'] : []) {
      await page.getByRole('navigation', { name: 'Gather' }).getByRole('link', { name: view, exact: true }).click();
      await page.locator('lem-yarn-thread, lem-list-view tr').first().waitFor();
      await check();
    }
    await page.goto(`${app.url}/basket`);
    await page.locator('button.yarn').first().waitFor();
    await check();
  });
}

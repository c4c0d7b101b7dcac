import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { expect, test, type App } from './app.js';
import { expectAllSent, stage, stitchDone, takeFromShelf } from './pages.js';

const view = (page: Page, name: string): Locator => page.getByRole('navigation', { name: 'Gather' }).getByRole('link', { name });
const row = (page: Page, name: string | RegExp): Locator => page.getByRole('row', { name });
const number = async (place: Locator): Promise<number> => Number.parseFloat((await place.innerText()).replace(/^[^\d]*/, ''));

async function toGather(page: Page, app: App, title: string, name?: string): Promise<void> {
  await takeFromShelf(page, app, title);
  await stage(page, 'Gather').click();
  if (name) await view(page, name).click();
}

/** Chooses from a list that opens. */
async function pick(page: Page, label: string, option: string | RegExp): Promise<void> {
  const select = page.locator('lem-select').filter({ has: page.getByLabel(label, { exact: true }) });
  // A list that has just opened moves to what is chosen, and a click on its way may meet another.
  await expect(async () => {
    // One that stayed open from the try before would be closed by a click.
    await page.keyboard.press('Escape');
    await select.click({ timeout: 3_000 });
    await page.locator('.ant-select-item-option').filter({ hasText: option }).click({ timeout: 3_000 });
    await expect(select).toContainText(option, { timeout: 1_000 });
  }).toPass();
}

async function putYarn(page: Page, words: Record<string, string>): Promise<void> {
  await page
    .getByRole('button', { name: /^(Yarn|Put in a yarn)$/ })
    .first()
    .click();
  for (const [label, value] of Object.entries(words)) await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
}

// The basket and what was measured are shared by all makes.
test.use({ alone: true });

test.describe('from an empty basket', () => {
  test.use({ arguments: ['--empty'] });

  test('to a shopping list that is ticked, printed and saved', async ({ app, page }) => {
    await page.goto(app.url);
    await page.getByRole('link', { name: 'Paste a pattern' }).click();
    await page.getByRole('textbox', { name: 'Pattern text' }).click();
    await page.keyboard.insertText(
      'Bollard\nMedium yarn, a 3.5 mm hook, two 10 mm eyes.\n\n## Post\nWith grey:\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: (1 sc, inc) x 6 (18)\nR4: (2 sc, inc) x 6 (24)\nR5-R16: sc around (24)\nSet the eyes between R12 and R13, 4 stitches apart.\nStuff firmly. Hang it from 20 cm of cord.\nR17: (2 sc, dec) x 6 (18)\nR18: (1 sc, dec) x 6 (12)\nR19: dec x 6 (6)',
    );
    await page.getByRole('button', { name: 'Keep this pattern' }).click();
    await view(page, 'Yarn').click();
    await expect(page.getByText('The basket is empty.')).toBeVisible();
    await page.getByRole('link', { name: 'Put in the yarns you own' }).click();

    await test.step('a yarn without a name or with no grams is refused at the field', async () => {
      await page.getByRole('button', { name: 'Put in a yarn' }).click();
      await page.getByLabel('Metres in 100 g').fill('190');
      await page.getByRole('button', { name: 'Put in', exact: true }).click();
      await expect(page.getByText('A yarn needs a name.')).toBeVisible();
      await expect(page.getByText('Grams: give a number.')).toBeVisible();
      await page.getByRole('button', { name: 'Close' }).click();
    });
    await putYarn(page, { Name: 'Quay', Colour: 'grey', 'Grams left': '4', 'Metres in 100 g': '190', 'A ball as sold': '25' });
    await expect(page.getByRole('button', { name: /Quay grey/ })).toContainText('4.0 g');
    await expectAllSent(page);
    await page.goBack();

    await pick(page, 'Yarn for grey', 'Quay grey');
    await expect(page.locator('article.short .verdict')).toContainText(/Runs out in Post R\d+/);
    await expect(page.getByText('Buy 1 × 25 g.')).toBeVisible();
    await view(page, 'To get').click();
    await expect(row(page, /Quay, grey/)).toContainText('1 × 25 g');
    await expect(row(page, /Safety eyes/)).toContainText('2');
    await expect(row(page, /Cord/)).toContainText('20 cm');
    const things = await number(page.getByRole('status').filter({ hasText: 'left to buy' }));
    await page.getByRole('checkbox', { name: 'Quay, grey got' }).check();
    await expect(page.getByRole('status').filter({ hasText: 'left to buy' })).toContainText(`${things - 1} thing`);
    await expectAllSent(page);
    await page.reload();
    await expect(page.getByRole('checkbox', { name: 'Quay, grey got' })).toBeChecked();
    for (const [name, has] of [
      ['Text', '✓ Quay, grey'],
      ['Markdown', '- [x] Quay, grey'],
      ['CSV', 'Yarn,"Quay, grey"'],
    ] as const) {
      const saved = page.waitForEvent('download');
      await page.getByRole('button', { name, exact: true }).click();
      expect(await readFile(await (await saved).path(), 'utf8')).toContain(has);
    }
    await page.emulateMedia({ media: 'print' });
    await expect(page.locator('lem-in-hand')).toBeHidden();
    await expect(page.getByRole('heading', { name: 'Bollard: what is needed' })).toBeVisible();
    await page.emulateMedia({ media: 'screen' });

    await test.step('for a child under three, nothing small', async () => {
      await view(page, 'Eyes, stuffing').click();
      await expect(page.getByText('4 stitches between')).toBeVisible();
      await expect(page.getByText('Or, as some read it: 3 stitches between')).toBeVisible();
      await page.getByRole('checkbox', { name: 'For a child under three' }).check();
      await expect(page.getByRole('heading', { name: 'Post: embroidered eyes' })).toBeVisible();
      await expect(page.getByText('leave cords and loops away')).toBeVisible();
      await view(page, 'To get').click();
      await expect(row(page, /Black thread for the eyes/)).toBeVisible();
      await expect(row(page, /Safety eyes \d/)).toHaveCount(0);
      await stage(page, 'Work').click();
      await expect(page.getByText('For a child under three, embroider the eyes')).toBeVisible();
    });
    await expect(page.locator('body')).not.toContainText(/NaN|Infinity|undefined/);
  });
});

test('a swatch changes every number, and leaving it out brings them back', async ({ app, page }) => {
  await toGather(page, app, 'Harbour puffin');
  const body = row(page, /^Body/);
  const across = (): Promise<number> => number(body.getByRole('cell').first());
  const before = await across();
  await view(page, 'Yarn').click();
  const amount = page.locator('article .amount').first();
  const yarnBefore = await amount.innerText();
  await view(page, 'Eyes, stuffing').click();
  const stuffing = (): Promise<number> => number(row(page, /^Body/).getByRole('cell').nth(2));
  const stuffingBefore = await stuffing();

  await page.getByRole('button', { name: 'Measure a swatch or a part' }).click();
  await page.getByLabel('Stitches', { exact: true }).fill('20');
  await page.locator('#swatch-width').fill('12');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.getByRole('alert')).toContainText('Check the count, and that the length is in millimetres.');
  await page.locator('#swatch-width').fill('130');
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(page.locator('lem-in-hand')).toContainText('Measured once with this yarn and hook');
  await expect(page.locator('lem-in-hand')).toContainText('One stitch is 6.5 mm wide');
  await expect.poll(stuffing).toBeGreaterThan(stuffingBefore * 1.5);
  await view(page, 'Yarn').click();
  await expect(amount).not.toHaveText(yarnBefore);
  await view(page, 'Size').click();
  await expect.poll(across).toBeGreaterThan(before * 1.15);

  await test.step('it holds for other makes with the same yarn and hook', async () => {
    await expectAllSent(page);
    await toGather(page, app, 'Seal pup');
    await expect(page.locator('lem-in-hand')).toContainText('One stitch is 6.5 mm wide');
  });
  await page.getByRole('button', { name: 'Measure a swatch or a part' }).click();
  await page.getByRole('button', { name: /^Leave out Medium, 3.5 mm: 20 stitches in 130 mm/ }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await expect(page.locator('lem-in-hand')).toContainText('From tables');
});

test('a colour that runs out in round 19, the plan that avoids it, and the warning at the hook', async ({ app, page }) => {
  await toGather(page, app, 'Harbour puffin', 'Yarn');
  const black = page.locator('article').filter({ has: page.getByLabel('Yarn for black', { exact: true }) });
  await test.step('the black is weighed on the simulated scale', async () => {
    await black.getByRole('button', { name: 'Weigh what is left' }).click();
    await black.getByRole('button', { name: 'Simulated scale' }).click();
    // 9 g on the pan, less 1.8 g for another make: by the amounts above, enough for the body up to its 18th round.
    const pan = black.getByRole('slider', { name: 'Grams on the simulated pan' });
    await pan.fill('9');
    await expect(black.locator('.reading')).toContainText('9.0 g steady');
    await black.getByRole('button', { name: 'Take it' }).click();
  });
  await expect(black.locator('.verdict')).toContainText('Runs out in Body R19');
  await test.step('the warning is there while working', async () => {
    await stage(page, 'Work').click();
    await expect(page.locator('aside')).toContainText('Boathouse black runs out in Body R19.');
    await page.getByRole('link', { name: 'What to do' }).click();
  });
  await black
    .getByRole('listitem')
    .filter({ hasText: 'Slipway charcoal black' })
    .getByRole('button', { name: 'Do that' })
    .click();
  await expect(page.locator('article.short')).toHaveCount(0);
  await stage(page, 'Work').click();
  await expect(stitchDone(page)).toBeVisible();
  await expect(page.locator('aside')).not.toContainText('runs out');
  await page.goBack();
  await page.getByRole('button', { name: 'Undo choice' }).click();
  await expect(page.locator('article.short')).toHaveCount(1);
});

test('what is worked comes off the yarn, in the basket too', async ({ app, page }) => {
  await toGather(page, app, 'Harbour puffin', 'Yarn');
  const left = (): Promise<number> => number(page.locator('article .amount').first());
  const before = await left();
  await stage(page, 'Work').click();
  for (let round = 0; round < 12; round++) await page.keyboard.press('Enter');
  await expectAllSent(page);
  await page.goto(`${app.url}/basket`);
  const black = page.getByRole('button', { name: /^Boathouse black/ });
  await expect(black.locator('.left b')).not.toHaveText('23 g');
  const grams = await number(black.locator('.left b'));
  await page.goBack();
  await stage(page, 'Gather').click();
  await view(page, 'Yarn').click();
  await expect.poll(left).toBeLessThan(before - 0.5);
  expect(grams).toBeGreaterThan(23 - before);
  expect(grams).toBeLessThan(23);
});

test('two choices side by side, and a wanted size', async ({ app, page }) => {
  await toGather(page, app, 'Striped lighthouse', 'Compare');
  const tower = row(page, /^Tower/);
  await expect(tower.getByRole('cell').last()).toContainText('+');
  await pick(page, 'Other yarn weight', '2 Fine');
  await pick(page, 'Other hook', /^\s*4 mm\s*$/);
  await expect(tower.getByRole('cell').last()).toContainText('−');
  await page.getByRole('button', { name: 'Take the other' }).click();
  await expect(page.getByRole('radio', { name: '2 Fine' })).toBeChecked();
  await expect(row(page, /^Yarn and hook/)).toContainText('Medium');
  await view(page, 'Size').click();
  await page.getByText('I want it so big').click();
  await page.getByLabel('Tower high').fill('300');
  const plush = row(page, /^Super bulky/);
  await plush.getByRole('button', { name: /Take Super bulky/ }).click();
  await expect(page.getByRole('radio', { name: '6 Super bulky' })).toBeChecked();
  await page.getByLabel('Tower high').fill('0');
  await expect(page.getByRole('alert')).toContainText('Give a height from 5 to 3000 mm.');
  await page.getByText('Size by hook').click();
  await expect(page.locator('lem-size-chart path.suits.mine')).toBeVisible();
});

test('the basket goes out and comes in as CSV: bad rows one by one, nothing half taken, all of it undone', async ({
  app,
  page,
}) => {
  await page.goto(`${app.url}/basket`);
  const yarns = page.locator('button.yarn');
  await expect(yarns.first()).toBeVisible();
  const count = await yarns.count();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const csv = await readFile(await (await saved).path(), 'utf8');
  const file = page.getByLabel('Basket as a CSV file');
  const take = (text: string): Promise<void> =>
    file.setInputFiles({ name: 'basket.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });

  await take(csv.replace(',44,', ',minus,').replace(',4,', ',9,'));
  await expect(page.getByRole('alert')).toContainText('Nothing was taken from the file.');
  await expect(page.getByRole('alert').getByRole('listitem')).toHaveCount(2);
  await expect(yarns).toHaveCount(count);
  await page.getByRole('button', { name: 'Close' }).click();

  await take(`${csv}Mist,3,linen,teal,250,40,,50,\r\n`);
  await expect(page.getByRole('status').first()).toContainText(
    `${count + 1} yarns taken from the file: 1 new, ${count} renewed.`,
  );
  await expect(yarns).toHaveCount(count + 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(yarns).toHaveCount(count);

  await test.step('a yarn is taken out, put back, and kept while the server is away', async () => {
    await yarns.filter({ hasText: 'Gull' }).click();
    await page.getByRole('button', { name: 'Take out of the basket' }).click();
    await expect(yarns.filter({ hasText: 'Gull' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(yarns.filter({ hasText: 'Gull' })).toHaveCount(1);
    await app.stop('SIGKILL');
    await putYarn(page, { Name: 'Storm', Colour: 'navy', 'Grams left': '20' });
    await expect(yarns.filter({ hasText: 'Storm' })).toBeVisible();
    await app.start();
    await expectAllSent(page);
    await page.reload();
    await expect(yarns.filter({ hasText: 'Storm' })).toBeVisible();
  });
});

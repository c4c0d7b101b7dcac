import { AxeBuilder } from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';
import { expect, test, type App } from './app.js';
import { dialog, editor, expectAllSent, expectRound, dial, openStage, press, putDemo, takeUp } from './pages.js';

const point = (page: Page, index: number, of: number): Locator =>
  page.getByRole('slider', { name: new RegExp(`^Point ${index} of ${of}\\b`) });
const round = (page: Page, number: number): Locator => page.getByRole('slider', { name: new RegExp(`^Round ${number}:`) });
const rounds = (page: Page): Locator => page.getByRole('slider', { name: /^Round \d+:/ });
const counts = (page: Page): Promise<number[]> =>
  rounds(page).evaluateAll((steps) => steps.map((step) => Number(step.getAttribute('aria-valuenow'))));
const written = (page: Page): Locator => dialog(page).getByLabel('The pattern');
/** A picture of one grey pixel. */
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNsaGj4DwAFhAKA0cXKlwAAAABJRU5ErkJggg==',
  'base64',
);

/** The best rounds are there, and not only the first. */
const settled = async (page: Page): Promise<void> => {
  await expect(rounds(page).first()).toBeVisible();
  await expect(page.getByText('Looking for better ones')).toBeHidden();
};

/** The text of the make that is open, all of it: its editor draws what is in sight. */
async function textOf(page: Page, app: App): Promise<string> {
  const id = /make\/([^/]+)/.exec(page.url())![1]!;
  const answer = await page.request.get(`${app.url}/api/makes/${id}`);
  return ((await answer.json()) as { text: string }).text;
}

/** Begins a sketch with a shape that is offered. */
async function beginWith(page: Page, app: App, shape: string): Promise<void> {
  await page.goto(`${app.url}/studio`);
  await page.getByRole('button', { name: shape, exact: true }).click();
  await settled(page);
}

/** A part of the make that was chosen: the shapes one can begin with have some of the same names. */
const partOfMake = (page: Page, name: string): Locator =>
  page.locator('lem-select ~ button').and(page.getByRole('button', { name, exact: true }));

/** Chooses from a list that opens: one that has just opened moves to what is chosen, and a click on its way may meet another. */
async function choose(page: Page, field: string, option: string): Promise<void> {
  const item = page.locator('nz-option-item').getByText(option, { exact: true }).last();
  await expect(async () => {
    if (!(await item.isVisible())) await page.locator(field).click({ timeout: 3_000 });
    await item.click({ timeout: 3_000 });
    await expect(page.locator('nz-select').filter({ has: page.locator(field) })).toContainText(option, { timeout: 1_000 });
  }).toPass();
}

test('a body is drawn point by point, kept through a reload, written as a pattern, and its first round worked', async ({
  app,
  page,
}) => {
  await page.goto(`${app.url}/studio`);
  await page.getByRole('button', { name: 'A clean sheet, draw it yourself' }).click();
  const paper = page.locator('lem-paper svg');
  const { width } = (await paper.boundingBox())!;
  const mm = 96 / 25.4;
  for (const [r, z] of [
    [0, 0],
    [24, 6],
    [30, 30],
    [20, 56],
    [0, 66],
  ] as const)
    await paper.click({ position: { x: width / 2 + r * mm, y: 70 + z * mm } });
  await expect(point(page, 5, 5)).toHaveAccessibleName(/^Point 5 of 5: 0\.0 mm from the middle, 6[567]/);
  await settled(page);
  // One point is dragged, one moved by keys; both are undone, and done again.
  const third = point(page, 3, 5);
  const before = await third.getAttribute('aria-valuenow');
  const box = (await third.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  const dragged = await third.getAttribute('aria-valuenow');
  expect(Number(dragged)).toBeGreaterThan(Number(before) + 5);
  await third.focus();
  await press(page, 'ArrowRight', 4);
  await expect(third).toHaveAttribute('aria-valuenow', String(Number(dragged) + 2));
  await press(page, 'Control+z');
  await expect(third).toHaveAttribute('aria-valuenow', dragged!);
  await press(page, 'Control+z');
  await expect(third).toHaveAttribute('aria-valuenow', before!);
  await press(page, 'Control+y', 2);
  await expect(third).toHaveAttribute('aria-valuenow', String(Number(dragged) + 2));
  await page.getByLabel('Name of the sketch').fill('Net buoy');
  await page.getByLabel('Name of the sketch').blur();
  await settled(page);
  const found = await counts(page);
  await page.reload();
  await settled(page);
  await expect(page.getByLabel('Name of the sketch')).toHaveValue('Net buoy');
  expect(await counts(page)).toEqual(found);
  await page.getByRole('link', { name: 'Sketches' }).click();
  await page.getByRole('link', { name: /Net buoy/ }).click();
  await settled(page);
  expect((await new AxeBuilder({ page }).include('main').analyze()).violations).toEqual([]);
  await page.getByRole('button', { name: 'Write it as a pattern' }).click();
  await expect(written(page)).toContainText(`R1: ${found[0]} sc in ring (${found[0]})`);
  await expect(written(page)).toContainText('Stuff now, firmly');
  await dialog(page).getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
  await expect(page.getByText(`1 part, 1 piece, ${found.reduce((sum, each) => sum + each, 0)} stitches`)).toBeVisible();
  await page.getByRole('navigation').getByRole('link', { name: 'Work' }).click();
  await expectRound(page, `Round 1 of ${found.length}`);
  await dial(page).focus();
  await press(page, 'Enter');
  await expectRound(page, `Round 2 of ${found.length}`);
});

test('steps are dragged and set by keys, and painted; the outline decides again when it is asked', async ({ app, page }) => {
  await beginWith(page, app, 'Ball');
  const ball = await counts(page);
  await round(page, 8).focus();
  await press(page, 'ArrowUp', 2);
  await expect(round(page, 8)).toHaveAttribute('aria-valuenow', String(ball[7]! + 2));
  await expect(page.getByText('set by hand', { exact: true })).toBeVisible();
  await press(page, '+');
  await expect(rounds(page)).toHaveCount(ball.length + 1);
  const box = (await round(page, 9).locator('i').boundingBox())!;
  await page.mouse.move(box.x + 8, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 8, box.y - 16, { steps: 4 });
  await page.mouse.up();
  const now = await counts(page);
  expect(now[8]).toBeGreaterThan(ball[7]! + 2);
  // Whatever is dragged, no round asks for more than can be worked over the one below.
  now.slice(1).forEach((makes, i) => expect(makes <= 2 * now[i]! && 2 * makes >= now[i]!).toBe(true));
  await page.getByRole('button', { name: 'Paint with red' }).click();
  const [from, to] = [(await round(page, 4).boundingBox())!, (await round(page, 6).boundingBox())!];
  await page.mouse.move(from.x + 5, from.y + from.height - 24);
  await page.mouse.down();
  await page.mouse.move(to.x + 5, to.y + to.height - 24, { steps: 4 });
  await page.mouse.up();
  await page.getByRole('button', { name: 'Write it as a pattern' }).click();
  await expect(written(page)).toContainText(/R3: .*\. Change to red\.\nR4/);
  await expect(written(page)).toContainText(/R6: .*\. Change to white\.\nR7/);
  await press(page, 'Escape');
  await page.getByRole('button', { name: 'Set by hand: let the outline decide again' }).click();
  await settled(page);
  expect(await counts(page)).toEqual(ball);
});

test('what cannot be crocheted is brought to the nearest that can, and says why', async ({ app, page }) => {
  await beginWith(page, app, 'Ball');
  const panel = page.getByRole('complementary', { name: 'The part' });
  await page.locator('#part-across').fill('1200');
  await expect(page.getByRole('alert')).toContainText('1000');
  await page.locator('#part-across').fill('60');
  // A waist no stitch can follow.
  const many = await page.getByRole('slider', { name: /^Point \d+ of/ }).count();
  const middle = point(page, Math.ceil(many / 2), many);
  await middle.focus();
  for (let i = 0; i < 8; i++) await press(page, 'Shift+ArrowLeft');
  await expect(panel).toContainText(/lies [\d.]+ mm off: (narrower|more than six stitches a round would ruffle)/);
  await middle.focus();
  await press(page, 'Delete');
  await expect(page.getByRole('slider', { name: /^Point \d+ of/ })).toHaveCount(many - 1);
});

test('parts on one another are a figure, with a making-up that every stage reads', async ({ app, page }) => {
  await beginWith(page, app, 'Pear body');
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByRole('button', { name: 'Round head' }).click();
  await settled(page);
  await choose(page, '#part-on', 'Pear body');
  await choose(page, '#part-round', 'all round, sewn on by its edge');
  await page.getByLabel('from its start').fill('88');
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByRole('button', { name: 'Cone' }).click();
  await settled(page);
  await choose(page, '#part-on', 'Round head');
  await choose(page, '#part-round', 'one at each side');
  await expect(page.locator('#part-copies')).toHaveValue('2');
  // No two parts have one name.
  await page.locator('#part-name').fill('Round head');
  await page.locator('#part-name').blur();
  await expect(page.locator('#part-name')).toHaveValue('Round head 2');
  await page.locator('#part-name').fill('Cone');
  await page.locator('#part-name').blur();
  await page.locator('lem-studio-page').getByText('The figure').click();
  await expect(page.getByRole('img', { name: /in the round, \d+ mm tall/ })).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Write it as a pattern' }).click();
  await dialog(page).getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
  expect(await textOf(page, app)).toMatch(/Cone: on Round head, at R\d+, one at each side, sewn/);
  await page.getByRole('navigation').getByRole('link', { name: 'Assemble' }).click();
  await expect(page.locator('lem-assemble-stage')).toContainText('Round head');
});

test('a body grows out of two legs, bridged by chains, with counts that go together', async ({ app, page }) => {
  await beginWith(page, app, 'Tube');
  await page.locator('#part-name').fill('Leg');
  await page.locator('#part-name').blur();
  await page.locator('#part-copies').fill('2');
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByRole('button', { name: 'Egg', exact: true }).click();
  await settled(page);
  await choose(page, '#part-grows', 'Leg × 2');
  await settled(page);
  const [rim] = await counts(page);
  await page.locator('#part-chains').fill('5');
  await settled(page);
  expect((await counts(page))[0]).toBe(rim! + 4);
  await page.getByRole('button', { name: 'Write it as a pattern' }).click();
  await expect(written(page)).toContainText(`R1: join legs with ch 5, sc around (${rim! + 4})`);
  await dialog(page).getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
});

test('a bean bends by half of its rounds, a tube closes to a ring, and what is written of them makes them so again', async ({
  app,
  page,
}) => {
  await beginWith(page, app, 'Bean');
  // A name that nothing else on the shelf has.
  await page.getByLabel('Name of the sketch').fill('Bean in a ring');
  await page.getByLabel('Name of the sketch').blur();
  const panel = page.locator('lem-part-panel');
  await expect(panel).toContainText(/It bends by about \d+°, half of R\d+ to R\d+ in half double crochet/);
  // Further than its rounds can: it says how far it comes.
  await page.locator('#part-bend').fill('180');
  await expect(panel).toContainText(/It bends by about \d+° of 180°/);
  await page.locator('#part-bend').fill('25');
  await settled(page);
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByRole('button', { name: 'Ring of a tube' }).click();
  await settled(page);
  await expect(panel).toContainText(/A ring 6\d–\d+ mm across/);
  await expect(page.locator('lem-paper')).toContainText('sewn to its start');
  await page.getByRole('button', { name: 'Write it as a pattern' }).click();
  await expect(written(page)).toContainText(/R\d+–R\d+: \d+ sc, \d+ hdc \(\d+\)/);
  await expect(written(page)).toContainText('Bend it round and sew its two ends together.');
  await dialog(page).getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
  const text = await textOf(page, app);
  // Back from the pattern both are what they were drawn as.
  await page.goto(`${app.url}/studio`);
  expect(text).toContain('The taller half is the outer side of the bend.');
  await page.getByRole('button', { name: 'Choose a part of a make' }).click();
  await choose(page, '#start-make', 'Bean in a ring');
  await partOfMake(page, 'Ring of a tube').click();
  await settled(page);
  await expect(page.getByLabel('Ends sewn together')).toBeChecked();
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByRole('button', { name: 'Choose a part of a make' }).click();
  await choose(page, '#start-make', 'Bean in a ring');
  await partOfMake(page, 'Bean').click();
  await settled(page);
  await expect(page.locator('#part-bend')).toHaveValue(/^2\d$/);
  await expect(panel).toContainText('single crochet');
});

test('a step shows what was before it, and can be gone back on after a reload', async ({ app, page }) => {
  await beginWith(page, app, 'Egg');
  const panel = page.locator('lem-part-panel');
  const tall = await page.locator('#part-tall').inputValue();
  await panel.getByRole('button', { name: 'Taller' }).click();
  await expect(panel).toContainText(/Before: 56 mm wide, 7\d mm tall, \d+ rounds/);
  await expect(page.locator('lem-paper path.was')).toHaveCount(2);
  await expect(page.locator('#part-tall')).not.toHaveValue(tall);
  await panel.getByRole('button', { name: 'Flatter' }).click();
  await panel.getByRole('button', { name: '3 rounds longer' }).click();
  // Anything else puts what was before away.
  await page.locator('#part-across').fill('60');
  await page.locator('#part-across').blur();
  await expect(page.locator('lem-paper path.was')).toHaveCount(0);
  await expectAllSent(page);
  await page.reload();
  await settled(page);
  const undo = page.getByRole('button', { name: 'Undo' });
  for (let i = 0; i < 4; i++) await undo.click();
  await expect(page.locator('#part-tall')).toHaveValue(tall);
  await expect(page.locator('#part-across')).toHaveValue('56');
});

test('a picture is traced on this device alone, moved, kept through a reload and taken away', async ({ app, page }) => {
  await beginWith(page, app, 'Egg');
  const sent: string[] = [];
  page.on('request', (request) => {
    if (request.method() !== 'GET') sent.push(`${request.url()} ${request.postData() ?? ''}`);
  });
  const picture = page.locator('lem-paper image');
  await page.getByLabel('Trace a picture').setInputFiles({ name: 'gull.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(picture).toBeVisible();
  const before = Number(await picture.getAttribute('x'));
  const box = (await page.locator('lem-paper svg').boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 110, box.y + 60, { steps: 3 });
  await page.mouse.up();
  expect(Number(await picture.getAttribute('x'))).toBeCloseTo(before + 50, 0);
  await page.getByLabel('Move the picture').uncheck();
  const many = await page.getByRole('slider', { name: /^Point \d+ of/ }).count();
  // A press on the line is a point more, to follow the picture with.
  const [one, two] = [(await point(page, 2, many).boundingBox())!, (await point(page, 3, many).boundingBox())!];
  await page.mouse.click((one.x + two.x) / 2 + one.width / 2, (one.y + two.y) / 2 + one.height / 2);
  await expect(page.getByRole('slider', { name: /^Point \d+ of/ })).toHaveCount(many + 1);
  await expectAllSent(page);
  await page.reload();
  await expect(picture).toBeVisible();
  await expect(page.getByRole('slider', { name: /^Point \d+ of/ })).toHaveCount(many + 1);
  expect(sent.some((each) => each.includes('/api/sketches'))).toBe(true);
  expect(sent.some((each) => each.includes('data:image'))).toBe(false);
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(picture).toBeHidden();
  await page
    .getByLabel('Trace a picture')
    .setInputFiles({ name: 'gull.txt', mimeType: 'text/plain', buffer: Buffer.from('gull') });
  await expect(page.getByRole('alert')).toContainText('“gull.txt” is no picture');
});

test('a wing of the puffin is drawn anew in its place, and what was worked stays', async ({ app, page }) => {
  const make = await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 12 });
  // Other journeys have puffins on this shelf too: this one has a name of its own.
  const address = `${app.url}/api/makes/${make}`;
  const { version, text: was } = (await (await page.request.get(address)).json()) as { version: number; text: string };
  const renamed = await page.request.patch(address, {
    data: { version, text: was.replace('# Harbour puffin', '# Puffin to wing') },
  });
  expect(renamed.ok()).toBe(true);
  await page.goto(`${app.url}/studio`);
  await page.getByRole('button', { name: 'Choose a part of a make' }).click();
  await choose(page, '#start-make', 'Puffin to wing');
  await page.getByRole('button', { name: 'Wing', exact: true }).click();
  await expect(rounds(page)).toHaveCount(11);
  await page.getByRole('button', { name: '3 rounds longer' }).click();
  await settled(page);
  // The rounds of the make stay, and there are three more where it is widest.
  expect(await counts(page)).toEqual([6, 9, 12, 15, 15, 15, 15, 15, 15, 15, 15, 12, 12, 9]);
  await page.getByRole('button', { name: 'Write it as a pattern' }).click();
  await dialog(page).getByText('Into a make').click();
  await choose(page, '#write-make', 'Puffin to wing');
  await expect(dialog(page).locator('#write-place').locator('xpath=ancestor::nz-select')).toContainText('instead of Wing');
  await dialog(page).getByRole('button', { name: 'Write it there' }).click();
  await expect(page).toHaveURL(/\/make\/.*\/pattern$/);
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
  const text = await textOf(page, app);
  expect(text).toContain('## Wing (make 2)');
  expect(text).toContain('Wing 2: mirrors Wing 1');
  await page.goto(`${app.url}/make/${make}/work`);
  await expectRound(page, 'Round 13 of 31');
});

test('the puffin is made a fifth larger in the same yarn with every count right, and back by one undo', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Harbour puffin');
  await openStage(page, app, make, 'pattern');
  await page.getByRole('tab', { name: 'Shape' }).click();
  await page.getByRole('button', { name: 'Larger, smaller, another shape' }).click();
  const panel = page.getByRole('region', { name: 'Larger, smaller, another shape' });
  await expect(panel.getByRole('row', { name: /^Body 31 → 37 48 → 57/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Body now 1\d\d mm tall, then 1\d\d mm/ })).toBeVisible({ timeout: 20_000 });
  // Only the wings, or by another shape; the table says what changes.
  await page.getByText('Only Body').click();
  await expect(panel.getByRole('row', { name: 'Wing as it is' })).toBeVisible();
  await panel.getByText('Shape', { exact: true }).click();
  await panel.getByRole('button', { name: 'taller' }).click();
  await expect(panel.getByRole('row', { name: /^Body 31 → 3[3-6]/ })).toBeVisible();
  await panel.getByText('Times', { exact: true }).click();
  await panel.getByText('The whole figure').click();
  await panel.getByLabel('Times as large').fill('9');
  await expect(panel.getByRole('alert')).toContainText('4');
  await panel.getByLabel('Times as large').fill('1.2');
  await expect(panel.getByRole('row', { name: /^Wing 11 → 13/ })).toBeVisible();
  const total = /(\d+) stitches, about/.exec(await panel.innerText())![1]!;
  expect(Number(total)).toBeGreaterThan(1.3 * 1577);
  await panel.getByRole('button', { name: 'Write it into the pattern' }).click();
  await expect(page.getByRole('heading', { name: 'Every count is right' })).toBeVisible();
  await expect(page.getByText(`4 parts, 6 pieces, ${total} stitches`)).toBeVisible();
  await expect(editor(page)).toContainText('two 16 mm eyes');
  await editor(page).click();
  await press(page, 'Control+z');
  await expect(page.getByText('4 parts, 6 pieces, 1577 stitches')).toBeVisible();
});

test('on a phone the paper, the figure and the steps stand below one another, and a point follows a finger', async ({
  app,
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await beginWith(page, app, 'Drop');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const many = await page.getByRole('slider', { name: /^Point \d+ of/ }).count();
  const middle = point(page, 3, many);
  const before = Number(await middle.getAttribute('aria-valuenow'));
  await middle.focus();
  await press(page, 'ArrowRight', 6);
  await expect.poll(async () => Number(await middle.getAttribute('aria-valuenow'))).toBeCloseTo(before + 3, 5);
  await page.getByRole('button', { name: 'Write it' }).click();
  await expect(written(page)).toBeVisible();
});

test('what is more than a sketch holds is not made, and said; what was there stays through a reload', async ({ app, page }) => {
  await beginWith(page, app, 'Ball');
  await page.locator('#part-tall').fill('950');
  await page.locator('#part-tall').blur();
  await page.getByRole('button', { name: 'Taller' }).click();
  await expect(page.getByRole('alert')).toContainText('more than a sketch holds');
  await expect(page.locator('#part-tall')).toHaveValue('950');
  await expectAllSent(page);
  await page.reload();
  await expect(page.locator('#part-tall')).toHaveValue('950');
});

test.describe('with a server that goes away', () => {
  test.use({ alone: true });

  test('what is drawn meanwhile is kept, and sent by whichever screen opens next', async ({ app, page, context }) => {
    await beginWith(page, app, 'Egg');
    await page.getByLabel('Name of the sketch').fill('Pebble');
    await page.getByLabel('Name of the sketch').blur();
    await expectAllSent(page);
    const kept = async (): Promise<[string, number][]> => {
      const answer = (await (await page.request.get(`${app.url}/api/sketches`)).json()) as {
        sketch: { name: string; parts: { outline: { points: { r: number }[] } }[] };
      }[];
      return answer.map(({ sketch }) => [sketch.name, Math.max(...(sketch.parts[0]?.outline.points ?? []).map(({ r }) => r))]);
    };
    await expect.poll(kept).toContainEqual(['Pebble', 28]);
    await app.stop();
    // Drawing, finding rounds and going back take no server.
    await page.locator('#part-across').fill('70');
    await page.locator('#part-across').blur();
    await settled(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.locator('#part-across')).toHaveValue('56');
    await page.getByRole('button', { name: 'Do it again' }).click();
    await expect(page.locator('#part-across')).toHaveValue('70');
    await page.getByRole('button', { name: 'Part', exact: true }).click();
    await page.getByRole('button', { name: 'Ball', exact: true }).click();
    await settled(page);
    await page.close();
    await app.start();
    const other = await context.newPage();
    await other.goto(`${app.url}/basket`);
    await expect.poll(kept, { timeout: 15_000 }).toContainEqual(['Pebble', 35]);
  });

  test('two windows on one sketch: what is done in one stands in the other, and nobody is asked', async ({
    app,
    page,
    context,
  }) => {
    await beginWith(page, app, 'Ball');
    await expectAllSent(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.locator('#part-across')).toHaveValue('60');
    await page.locator('#part-across').fill('48');
    await page.locator('#part-across').blur();
    await expectAllSent(page);
    await other.bringToFront();
    await other.reload();
    await expect(other.locator('#part-across')).toHaveValue('48');
    await other.getByRole('button', { name: 'Taller' }).click();
    await expect(other.locator('#part-tall')).toHaveValue('70');
    await expectAllSent(other);
    await page.reload();
    await expect(page.locator('#part-tall')).toHaveValue('70');
  });
});

import ICAL from 'ical.js';
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, test } from './app.js';
import { putMake } from './pages.js';

const PEBBLE =
  '# Pebble\nUS terms\n\n## Pebble\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: (1 sc, inc) × 6 (18)\nR4–R16: sc around (18)\nR17: (1 sc, dec) × 6 (12)\nR18: dec × 6 (6)\n';
const cell = (page: Page, day: string) => page.locator(`lem-plan-calendar [data-day="${day}"]`);

test.use({ alone: true });

test('five by a date: an evening dragged away makes them late, a way out brings them back, the calendar is saved', async ({
  app,
  page,
}) => {
  await page.clock.install({ time: '2026-11-10T12:00:00' });
  await putMake(page, app, PEBBLE);
  await page.goto(app.url);
  await page.getByRole('link', { name: 'Plan' }).click();
  await page.getByRole('button', { name: 'Add' }).click();
  await page.getByLabel('Make', { exact: true }).click();
  await page.locator('.ant-select-item-option', { hasText: 'Pebble' }).click();
  await page.getByLabel('How many').fill('5');
  await page.getByLabel('By', { exact: true }).fill('2026-11-19');
  const wish = page.locator('lem-wish-list li').first();
  await expect(wish).toContainText('5 × Pebble');

  // Two evenings only: nothing in a usual week, two hours on Friday and on Tuesday.
  await page.getByText('Hours and money', { exact: true }).click();
  for (const day of ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Saturdays']) await page.getByLabel(day).fill('0');
  await page.getByLabel('Fridays').fill('0');
  for (const day of ['2026-11-13', '2026-11-17']) {
    await cell(page, day).getByRole('button').first().click();
    await page.locator('#day-minutes').fill('130');
  }
  await expect(cell(page, '2026-11-17').locator('.hours')).toHaveText('2.2 h');
  await expect(wish).toContainText('In time');
  await expect(page.locator('.tonight')).toContainText('Fri 13 Nov');

  const box = (await cell(page, '2026-11-17').locator('.hours').boundingBox())!;
  const to = (await cell(page, '2026-11-24').boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 24, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(cell(page, '2026-11-24').locator('.hours')).toHaveText('2.2 h');
  await expect(cell(page, '2026-11-17').locator('.hours')).toBeHidden();
  await expect(wish).toContainText(/Late|Too late/);

  await page.getByText('Wish', { exact: true }).click();
  await page
    .getByRole('group', { name: 'What would help' })
    .getByRole('button', { name: /^Make \d instead/ })
    .click();
  await expect(wish).toContainText('In time');
  await expect(page.getByLabel('How many')).not.toHaveValue('5');

  // The board counts pieces; tonight's portion follows.
  await page.getByText('Board', { exact: true }).click();
  await page
    .getByRole('button', { name: /^One more: Pebble/ })
    .first()
    .click();
  await expect(page.locator('lem-batch-board li').first()).toContainText(/1 of \d/);

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save for a calendar' }).click(),
  ]);
  const file = await readFile(await download.path(), 'utf8');
  const events = new ICAL.Component(ICAL.parse(file) as unknown[])
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each));
  const days = Object.fromEntries(events.map(({ summary, startDate }) => [summary, startDate.toString()]));
  expect(Object.entries(days).find(([title]) => title.startsWith('Due: '))?.[1]).toBe('2026-11-19');
  expect(days['Crochet, 2.2 h']).toBe('2026-11-24');

  // A calendar program reads the same under an address of its own.
  await page.getByText('Hours and money', { exact: true }).click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('Address of the calendar').first().inputValue();
  await expect.poll(async () => (await page.request.get(address)).text()).toContain('Due: ');

  await page.reload();
  await expect(wish).toContainText('Pebble');
  await expect(cell(page, '2026-11-24').locator('.hours')).toHaveText('2.2 h');
});

test('a day gone by, no hours, and a make without rounds are said', async ({ app, page }) => {
  await page.clock.install({ time: '2026-11-10T12:00:00' });
  await putMake(page, app, '# Nothing yet\n');
  await page.goto(`${app.url}/plan`);
  await page.getByRole('button', { name: 'Add' }).click();
  await page.getByLabel('Make', { exact: true }).click();
  await page.locator('.ant-select-item-option', { hasText: 'Nothing yet' }).click();
  const panel = page.locator('lem-wish-panel');
  await expect(panel).toContainText('This pattern has no rounds');
  await page.getByLabel('Make', { exact: true }).click();
  await page.locator('.ant-select-item-option', { hasText: 'Harbour puffin' }).click();
  await page.getByLabel('By', { exact: true }).fill('2026-11-09');
  await expect(panel).toContainText('has gone by. Choose another day.');
  await page.getByLabel('By', { exact: true }).fill('2026-12-24');
  await page.getByLabel('How many').fill('10000');
  await expect(panel).toContainText('Not within five years at these hours');
  await page.getByLabel('How many').fill('10001');
  await expect(panel).toContainText('Give a whole number from 1 to 10000');
});

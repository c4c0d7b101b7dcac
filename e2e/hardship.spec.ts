import type { APIRequestContext } from '@playwright/test';
import { expect, test } from './app.js';
import {
  answered,
  atHook,
  dial,
  dialog,
  expectAllSent,
  expectCount,
  expectRound,
  press,
  putMake,
  stage,
  takeFromShelf,
  takeUp,
  watchWorkers,
} from './pages.js';

const TUBE = '# Tube\nUS terms\n\n## Tube\nR1: 12 sc in ring (12)\nR2–R40: sc around (12)';

interface Stored {
  readonly id: string;
  readonly kind: string;
  readonly at: number;
}
const eventsOf = async (request: APIRequestContext, url: string, make: string): Promise<Stored[]> =>
  ((await (await request.get(`${url}/api/makes/${make}/events`)).json()) as { events: Stored[] }).events;

test('no screen shows a number that is none, whatever the pattern and the tools', async ({ app, page }) => {
  test.setTimeout(120_000);
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  await watchWorkers(page);
  const texts = [
    '',
    '# Only a title',
    '# Words\n\nOnce upon a time there was a harbour.',
    '# One\nUS terms\n\n## Knot\nR1: 1 sc in ring (1)',
    '# Open\nUS terms\n\n## Rope\nR1: 4 sc in ring (4)\nR2: sc around until it is 0 cm long',
    '# Nought\nUS terms\n\n## Ball\nR1: 6 sc in ring (6)\nR2: 0 sc (0)\nR3: inc × 6 (12)',
    '# Flat\nUS terms\n\n## Tape\nRow 1: ch 2, 1 sc (1)\nRows 2–3: ch 1, turn, sc across (1)',
    '# Slips\nUK terms\n\n## Ball (make 3)\nWith moonlight:\nR1: 6 dc in ring (7)\nR2: (1 dc, inc) x 6 (12)\nSet the eyes between R1 and R2, 40 stitches apart.\nStuff it.',
  ];
  const tools = [
    { yarnWeight: 0, hookMm: 0.6 },
    { yarnWeight: 7, hookMm: 30 },
  ];
  for (const [index, text] of texts.entries()) {
    const make = await putMake(page, app, text, tools[index % 2]);
    await page.goto(`${app.url}/make/${make}/pattern`);
    const link = (name: string) => page.getByRole('navigation').getByRole('link', { name });
    for (const name of ['Pattern', 'Gather', 'Yarn', 'Eyes, stuffing', 'To get', 'Compare', 'Work']) {
      await link(name).click();
      await expect(link(name)).toHaveAttribute('aria-current', /step|page/);
      await expect(page.locator('lem-pattern-desk, lem-gather-stage, lem-work-stage')).toBeVisible();
      // Shapes come from a worker.
      await answered(page);
      const shown = await page.locator('body').innerText();
      expect(shown, `${name} of ${text}`).not.toMatch(/NaN|Infinity|undefined|\[object|-\d+(\.\d+)? (mm|g|cm|min)\b/);
      const drawn = await page.locator('svg [d*="NaN"], svg [points*="NaN"], svg [transform*="NaN"], svg [cx="NaN"]').count();
      expect(drawn, `${name} of ${text}`).toBe(0);
    }
  }
  expect(errors).toEqual([]);
});

test.describe('with a server that falls over', () => {
  test.use({ alone: true });

  test('killing the server again and again in a burst of steps loses no event it acknowledged, and none at all in the end', async ({
    app,
    page,
  }) => {
    const make = await putMake(page, app, TUBE);
    const acknowledged = new Set<string>();
    page.on('response', (response) => {
      const asked = response.request();
      if (!response.ok() || asked.method() !== 'POST' || !asked.url().endsWith('/events')) return;
      const { events } = asked.postDataJSON() as { events: { id: string }[] };
      for (const { id } of events) acknowledged.add(id);
    });
    await atHook(page, app, make);
    for (let burst = 0; burst < 3; burst++) {
      await press(page, 'Space', 15);
      // Whatever is on its way at this moment.
      await page.waitForTimeout(110 + 35 * burst);
      await app.stop('SIGKILL');
      await press(page, 'Space', 5);
      const before = [...acknowledged];
      await app.start();
      const kept = new Set((await eventsOf(page.request, app.url, make)).map(({ id }) => id));
      for (const id of before) expect(kept.has(id)).toBe(true);
    }
    await expectRound(page, 'Round 6 of 40');
    await expectCount(page, 0, 12);
    await expectAllSent(page);
    expect(acknowledged.size).toBeGreaterThan(20);
    const steps = (await eventsOf(page.request, app.url, make)).filter(({ kind }) => kind === 'reached');
    expect(new Set(steps.map(({ id }) => id)).size).toBe(60);
    await page.reload();
    await expectRound(page, 'Round 6 of 40');
  });
});

test('two devices that were both away end in one state, whoever comes back first', async ({ app, page, browser }) => {
  const make = await putMake(page, app, TUBE.replace('## Tube', '## Tube (make 2)'));
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, reducedMotion: 'reduce' });
  const other = await phone.newPage();
  for (const each of [page, other]) await atHook(each, app, make);
  const own = page.context();
  for (const context of [own, phone]) await context.setOffline(true);
  await press(page, 'Enter', 3);
  // The clock of the same second: the later word wins, in both.
  await other.getByRole('button', { name: 'Tube 2 of 2' }).click();
  await press(other, 'Enter', 5);
  await press(other, 'Space', 4);
  await other.getByRole('button', { name: 'Tube 1 of 2' }).click();
  await press(other, 'Enter', 1);
  await press(other, 'Space', 7);
  await expectCount(other, 7, 12);
  await phone.setOffline(false);
  await expectAllSent(other);
  await own.setOffline(false);
  await expectAllSent(page);
  for (const each of [page, other]) {
    await each.bringToFront();
    await each.getByRole('button', { name: 'Tube 1 of 2' }).click();
    await expectRound(each, 'Round 2 of 40');
    await expectCount(each, 7, 12);
    await each.getByRole('button', { name: 'Tube 2 of 2' }).click();
    await expectRound(each, 'Round 6 of 40');
    await expectCount(each, 4, 12);
  }
  // Undo takes back what was said last of this piece, though another device said it.
  await press(page, 'z');
  await expectCount(page, 3, 12);
  await expectCount(other, 3, 12);
  await phone.close();
});

test.describe('at another time of day', () => {
  test.use({ fresh: true });

  test('time is counted from step to step, and stops when the hands do', async ({ app, page }) => {
    await page.clock.install({ time: new Date('2026-03-04T18:00:00') });
    const make = await putMake(page, app, TUBE);
    await atHook(page, app, make);
    await expect(page.locator('.today')).toBeHidden();
    const work = async (minutes: number): Promise<void> => {
      for (let step = 0; step < minutes / 2; step++) {
        await page.clock.fastForward(120_000);
        await press(page, 'Space');
      }
    };
    await press(page, 'Space');
    await work(12);
    await press(page, 'Enter');
    await expect(page.locator('.today')).toHaveText('12 min today');
    await test.step('a pause is no work, and a new day begins at nought', async () => {
      await page.clock.fastForward('01:30:00');
      await press(page, 'Space');
      await work(6);
      await press(page, 'Enter');
      await expect(page.locator('.today')).toHaveText('18 min today');
      await page.clock.fastForward('12:00:00');
      await page.reload();
      await expectRound(page, 'Round 3 of 40');
      await press(page, 'Enter');
      await expectRound(page, 'Round 4 of 40');
      await expect(page.locator('.today')).toBeHidden();
    });
    await test.step('what is left is told at this maker’s pace', async () => {
      await press(page, 'p');
      // 36 of 480 stitches, 24 of them in the 18 minutes, the others at once.
      await expect(dialog(page).getByRole('row', { name: /Tube/ })).toContainText('444 stitches');
      const [, pace] = /At ([\d.]+) stitches a minute/.exec((await dialog(page).textContent())!)!;
      expect(Number(pace)).toBeGreaterThan(20 / 18);
      expect(Number(pace)).toBeLessThan(36 / 18 + 0.1);
    });
  });
});

test('everything at the hook can be done with keys, and every dialog gives the hands back to the dial', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin', { piece: 'body/1', round: 4 });
  for (const [key, title] of [
    ['c', 'Count is off'],
    ['r', 'Rip back'],
    ['d', 'I did it differently'],
    ['p', 'Pieces'],
    ['?', 'Keys, pedal and hand'],
  ] as const) {
    await press(page, key);
    await expect(page.getByRole('dialog', { name: title })).toBeVisible();
    // Keys of the dial do nothing while a dialog is open.
    await press(page, 'ArrowRight');
    await press(page, 'Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await expect(dial(page)).toBeFocused();
    await expectCount(page, 0, 30);
  }
  await test.step('a round’s count is typed and answered without the mouse', async () => {
    await press(page, 'c');
    await expect(page.getByRole('dialog', { name: 'Count is off' })).toBeVisible();
    await page.getByLabel(/You count/).focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('23');
    await expect(dialog(page)).toContainText('1 too few');
    const rip = dialog(page).getByRole('button', { name: 'Rip back', exact: true });
    for (let tab = 0; tab < 12 && !(await rip.evaluate((node) => node === document.activeElement)); tab++)
      await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await expectRound(page, 'Round 4 of 31, ends on 24');
    await expect(dial(page)).toBeFocused();
  });
  await test.step('back to a round’s start, and undone', async () => {
    await press(page, 'Space', 5);
    await press(page, 'ArrowLeft');
    await expectCount(page, 0, 24);
    await press(page, 'z');
    // Of "1 sc, inc, 2 sc, inc …" five actions: seven stitches.
    await expectCount(page, 7, 24);
  });
});

test('inches and a child under three are taken up on every screen', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin');
  await stage(page, 'Gather').click();
  await page.getByText('in', { exact: true }).click();
  await expect(page.getByRole('row', { name: /Body/ })).toContainText(/\d\.\d in/);
  await expect(page.getByRole('table').first()).not.toContainText(/\d mm/);
  await page.getByRole('link', { name: 'Eyes, stuffing' }).click();
  await page.getByLabel('For a child under three').check();
  await expect(page.getByRole('heading', { name: 'Body: embroidered eyes' })).toBeVisible();
  await page.getByRole('link', { name: 'To get' }).click();
  await expect(page.getByRole('rowheader', { name: /Black thread for the eyes/ })).toBeVisible();
  await expect(page.getByText(/Safety eyes/)).toHaveCount(0);
  await stage(page, 'Work').click();
  await expect(page.locator('figcaption')).toHaveText(/[\d.]+ of [\d.]+ in high\s*[\d.]+ in across/);
  await press(page, 'Enter', 11);
  await expect(page.locator('aside')).toContainText(/[Ee]mbroider/);
  await expect(page.locator('aside')).not.toContainText('mm suits this head');
  await expectAllSent(page);
  await page.reload();
  await expect(page.locator('figcaption')).toContainText(' in high');
});

test.describe('with the yarns of the demo', () => {
  test.use({ alone: true });

  test('a make of the demo can be worked from its first ring to its last stitch', async ({ app, page }) => {
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    await takeFromShelf(page, app, 'Harbour puffin');
    const pieces = await page.locator('lem-piece-chips button').allTextContents();
    for (let piece = 0; piece < pieces.length; piece++) {
      const where = page.locator('.where');
      for (let round = 0; round < 80; round++) {
        const words = (await where.textContent())!.trim();
        // A worked piece stands with its name alone.
        if (!/^(Round|Row) \d/.test(words)) break;
        await press(page, 'ArrowRight');
        if ((await where.textContent())!.trim() === words) await press(page, 'Enter');
        await expect(where).not.toHaveText(words);
      }
      const next = page.locator('.say').getByRole('button', { name: /^Take / });
      if (piece === pieces.length - 1) continue;
      await next.click();
      await expect(where).toHaveText(/^\s*(Round|Row) \d/);
    }
    await expect(page.locator('.say')).toContainText('Every piece of this make is worked.');
    await press(page, 'p');
    await expect(dialog(page).getByRole('row', { name: /100 %/ })).toHaveCount(pieces.length);
    await press(page, 'Escape');
    await stage(page, 'Gather').click();
    await page.getByRole('link', { name: 'Yarn', exact: true }).click();
    await expect(page.locator('lem-gather-stage')).toContainText('All worked.');
    await expect(page.locator('lem-gather-stage')).not.toContainText('Runs out');
    expect(errors).toEqual([]);
    await page.goto(app.url);
    await expect(page.locator('lem-plank').filter({ hasText: 'Every piece is worked' })).toHaveCount(1);
    await expect(page.getByRole('link', { name: 'Begin' })).toHaveCount(7);
  });
});

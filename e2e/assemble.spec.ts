import { inflateSync } from 'node:zlib';
import type { Locator, Page } from '@playwright/test';
import { expect, test, type App } from './app.js';
import { atHook, beginAt, dial, editor, openStage, press, putDemo, putMake } from './pages.js';

const onMap = (page: Page, key: string): Locator => page.locator(`.map [data-feature="${key}"]`);
const said = (page: Page): Locator => page.locator('.map .said');
/** The pattern as it is kept. */
async function textOf(page: Page, app: App, make: string): Promise<string> {
  const answer = await page.request.get(`${app.url}/api/makes/${make}`);
  return ((await answer.json()) as { text: string }).text;
}

async function assemble(page: Page, app: App, make: string): Promise<void> {
  await openStage(page, app, make, 'assemble');
  await expect(page.locator('lem-pin-map').first()).toBeVisible();
}

async function drag(page: Page, from: Locator, right: number, down: number): Promise<void> {
  const box = (await from.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + right / 2, y + down / 2);
  await page.mouse.move(x + right, y + down, { steps: 2 });
}

test('eyes are dragged, and one undo takes them back', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Harbour puffin');
  await assemble(page, app, make);
  await expect(onMap(page, 'eye 1')).toHaveAccessibleName('Eyes 1: after 19. Arrow keys move it.');
  await expect(onMap(page, 'eye 2')).toHaveAccessibleName('Eyes 2: after 28. Arrow keys move it.');

  await test.step('dragged outwards both go, each other’s mirror image', async () => {
    await drag(page, onMap(page, 'eye 2').locator('.pin'), 30, 0);
    await expect(onMap(page, 'eye 2')).not.toHaveAccessibleName(/after 28/);
    await page.mouse.up();
    const names = await Promise.all(['eye 1', 'eye 2'].map((key) => onMap(page, key).getAttribute('aria-label')));
    const [left, right] = names.map((name) => Number(/after (\d+)/.exec(name!)![1]));
    expect(right! - left!).toBeGreaterThan(10);
    expect(left! + right!).toBe(47);
    await expect(said(page)).toContainText(`after stitch ${right}`);
  });
  await test.step('one undo takes the drag back', async () => {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(onMap(page, 'eye 2')).toHaveAccessibleName(/after 28/);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  });
});

test('the eyes of the puffin are moved by keys; text, map and hook say the same', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Harbour puffin');
  await assemble(page, app, make);
  const between = (text: string): string => /Set the eyes between (.*) between them/.exec(text)![1]!;
  await test.step('keys move it by a stitch and by a round', async () => {
    await onMap(page, 'eye 2').focus();
    await press(page, 'ArrowRight');
    await expect(onMap(page, 'eye 2')).toHaveAccessibleName(/after 29/);
    await onMap(page, 'eye 2').focus();
    await press(page, 'ArrowDown');
    await expect(said(page)).toContainText('Between R10 and R11, after stitch');
  });
  const holes = /after stitch (\d+)/.exec((await said(page).textContent())!)![1]!;
  await test.step('the words of the pattern say the same, and nothing else of them has changed', async () => {
    await openStage(page, app, make, 'pattern');
    await expect(editor(page)).toBeVisible();
    await expect.poll(async () => between(await textOf(page, app, make))).toBe('R10 and R11, 11 stitches');
    expect(await textOf(page, app, make)).toContain('between them. Try the place first: the backs do not come off again.');
  });
  await test.step('at the hook they are counted out, in time', async () => {
    await beginAt(page, app, make, { piece: 'body/1', round: 13 });
    await atHook(page, app, make);
    await expect(page.locator('lem-coming-up lem-due-card, lem-due-card').first()).toContainText(
      new RegExp(`between R10 and R11, after stitch \\d+ and after stitch ${holes}`),
    );
  });
});

test('flippers are asked for in time, and worked in with the count kept', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Seal pup');
  await beginAt(page, app, make, { piece: 'body/1', round: 4 });
  await atHook(page, app, make);
  const needed = page.locator('aside lem-needed-card');
  await expect(needed).toContainText('Before R10: Flipper 1 and Flipper 2, worked first.');
  await needed.getByRole('button').click();
  await expect(page.locator('.where')).toContainText('Round 1 of 7');
  await beginAt(
    page,
    app,
    make,
    { piece: 'flipper/1', round: 7 },
    { piece: 'flipper/2', round: 7 },
    { piece: 'body/1', round: 9, action: 8 },
  );
  await atHook(page, app, make);
  await page.locator('lem-piece-chips').getByRole('button', { name: /Body/ }).click();
  await expect(dial(page)).toHaveAccessibleName(/8 of 40 stitches/);
  await expect(page.locator('.limb')).toHaveText(
    'Flipper 1: its open edge, stitches 1 to 4, through both layers; outside to outside.',
  );
  await expect(needed).toBeEmpty();
  for (let stitch = 0; stitch < 4; stitch++) await press(page, 'Space');
  await expect(dial(page)).toHaveAccessibleName(/12 of 40 stitches/);
  await expect(page.locator('.limb')).toBeHidden();
  for (let stitch = 0; stitch < 28; stitch++) await press(page, 'Space');
  await expect(page.locator('.where')).toContainText('Round 11 of 21, ends on 40');
  for (let stitch = 0; stitch < 9; stitch++) await press(page, 'Space');
  await expect(page.locator('.limb')).toHaveText('Past Flipper 1: into the wall’s own stitches, behind it.');
});

test('legs come before the bridge; steps are done one by one, and kept', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Lamp keeper');
  await openStage(page, app, make, 'assemble');
  const now = page.locator('lem-step-panel .now');
  const step = (name: string): Locator => page.locator('lem-step-panel ol').getByRole('button', { name });
  await expect(now).toContainText('Work Leg 1');
  await expect(step('Work Body up to R26')).toContainText('after Leg 1');
  await page.getByRole('button', { name: 'Order', exact: true }).click();
  await expect(
    page.getByRole('img', { name: /^The order of 15 steps: Work Leg 1, then Work Leg 2, then Work Body/ }),
  ).toBeVisible();
  const whole = [
    { piece: 'leg/1', round: 10 },
    { piece: 'leg/2', round: 10 },
    { piece: 'body/1', round: 32 },
    { piece: 'arm/1', round: 12 },
  ];
  await beginAt(page, app, make, ...whole);
  await openStage(page, app, make, 'assemble');
  await expect(now).toContainText('Set the eyes');
  await expect(now).toContainText(/Eyes 1 Between R23 and R24, after stitch \d+ of Body/);
  await now.getByRole('button', { name: 'Eyes are in' }).click();
  await now.getByRole('button', { name: 'Not for me' }).click();
  await expect(step('Stitch the mouth')).toContainText('left out');
  await step('Sew Arm 2 on').click();
  await expect(now).toContainText('First: ');
  await step('Sew Rain hat on').click();
  await expect(now).toContainText('All round R27 of Body, start over start.');
  await page.reload();
  await expect(step('Set the eyes')).toContainText('done');
  await step('Set the eyes').click();
  await now.getByRole('button', { name: 'Not yet after all' }).click();
  await expect(step('Set the eyes')).not.toContainText('done');
});

test('four spots go evenly round the cap; what was put elsewhere is kept as made, and the text stays', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Jelly pilot');
  await assemble(page, app, make);
  await page.getByRole('button', { name: 'Cap', exact: true }).click();
  await expect(onMap(page, 'spot 4')).toBeVisible();
  const names = await Promise.all([1, 2, 3, 4].map((nth) => onMap(page, `spot ${nth}`).getAttribute('aria-label')));
  const after = names.map((name) => Number(/after (\d+)/.exec(name!)![1])).sort((a, b) => a - b);
  const gaps = after.map((each, i) => ((after[(i + 1) % 4]! - each + 17) % 18) + 1);
  // Eighteen stitches over four.
  expect(gaps.sort()).toEqual([4, 4, 5, 5]);

  await page.getByRole('button', { name: 'Bell', exact: true }).click();
  await page.getByRole('button', { name: 'I put it elsewhere' }).click();
  const mouth = await onMap(page, 'mouth 1').getAttribute('aria-label');
  await onMap(page, 'mouth 1').focus();
  await press(page, 'ArrowRight');
  await expect(onMap(page, 'mouth 1')).not.toHaveAccessibleName(mouth!);
  const put = await onMap(page, 'mouth 1').getAttribute('aria-label');
  await page.reload();
  await expect(onMap(page, 'mouth 1')).toHaveAccessibleName(put!);
  expect(await textOf(page, app, make)).toContain('Mouth: on Bell, 2 rounds below Eyes, centred between Eyes, embroidered');
});

test('what is wrong in the making-up is said at its place, and the rest is still placed', async ({ app, page }) => {
  const text =
    'Buoy\nUS terms\n\n## Float\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: (1 sc, inc) x 6 (18)\nR4-R9: sc around (18)\n\n## Fin (make 2)\nR1: 4 sc in ring (4)\nR2: sc around (4)\n\n## Put together\nFin 1: on Float, at R40\nFin 2: on Float, at R6, at the left\nSew it all.';
  const make = await putMake(page, app, text);
  await openStage(page, app, make, 'pattern');
  await expect(page.locator('.said.error').first()).toHaveText('There is no R40 on Float: it has 9 rounds.');
  await assemble(page, app, make);
  await expect(page.locator('.told')).toContainText('There is no R40 on Float: it has 9 rounds.');
  await expect(onMap(page, 'fin 2 2')).toBeVisible();
  await expect(onMap(page, 'fin 1 1')).toBeHidden();
});

/** How far every path drawn in a PDF reaches across and down its page, mm: what its content streams say, unpacked (ISO 32000). */
function reachesIn(pdf: Buffer): { readonly width: number; readonly height: number }[] {
  const reaches: { width: number; height: number }[] = [];
  const MM = 25.4 / 72;
  for (let at = pdf.indexOf('stream'); at >= 0; at = pdf.indexOf('stream', at + 6)) {
    const from = at + (pdf[at + 6] === 13 ? 8 : 7);
    let content: string;
    try {
      content = inflateSync(pdf.subarray(from, pdf.indexOf('endstream', from))).toString('latin1');
    } catch {
      continue;
    }
    // What is drawn in a group is in dots, 300 an inch, as the page itself begins with.
    let scale = /^\.2[34]\d* 0 0 -\.2[34]/.test(content) ? [1, 1] : [0.24, 0.24];
    const kept: number[][] = [];
    let numbers: number[] = [];
    let points: number[][] = [];
    for (const token of content.split(/\s+/)) {
      const value = Number(token);
      if (token !== '' && !Number.isNaN(value)) {
        numbers.push(value);
        continue;
      }
      if (token === 'q') kept.push(scale);
      else if (token === 'Q') scale = kept.pop() ?? [1, 1];
      else if (token === 'cm') scale = [scale[0]! * Math.abs(numbers.at(-6)!), scale[1]! * Math.abs(numbers.at(-3)!)];
      else if (token === 'm' || token === 'l') points.push(numbers.slice(-2));
      else if (token === 're')
        reaches.push({ width: numbers.at(-2)! * scale[0]! * MM, height: Math.abs(numbers.at(-1)!) * scale[1]! * MM });
      else if (['S', 's', 'f', 'f*', 'B', 'b', 'n'].includes(token) && points.length > 0) {
        const [xs, ys] = [points.map(([x]) => x!), points.map(([, y]) => y!)];
        reaches.push({
          width: (Math.max(...xs) - Math.min(...xs)) * scale[0]! * MM,
          height: (Math.max(...ys) - Math.min(...ys)) * scale[1]! * MM,
        });
        points = [];
      }
      numbers = [];
    }
  }
  return reaches;
}

test('pin maps are printed at true scale on A4 and Letter, with the steps', async ({ app, page }) => {
  const make = await putDemo(page, app, 'Jelly pilot');
  await assemble(page, app, make);
  await page.emulateMedia({ media: 'print' });
  await page.evaluate(() => dispatchEvent(new Event('beforeprint')));
  const bands = await page
    .locator('lem-pin-sheet section')
    .first()
    .locator('.band')
    .evaluateAll((paths) =>
      paths.map((path) => {
        const { width, height } = (path as SVGPathElement).getBBox();
        return { width, height };
      }),
    );
  expect(bands).toHaveLength(13);
  await expect(page.locator('lem-pin-sheet li')).toHaveCount(36);
  for (const format of ['A4', 'Letter']) {
    const reaches = reachesIn(await page.pdf({ format }));
    // The ruler to measure the sheet by, and every round of the first map as long and as high as it is on the piece.
    expect(
      reaches.some(({ width }) => Math.abs(width - 100) < 0.1),
      `${format}: a line of 100 mm`,
    ).toBe(true);
    for (const band of bands) {
      const off = (reach: (typeof reaches)[number]): number => Math.hypot(reach.width - band.width, reach.height - band.height);
      // A tenth of a millimetre: what a drawing program may round away.
      expect(Math.min(...reaches.map(off)), `${format}: a round ${band.width} mm long`).toBeLessThan(0.1);
    }
  }
});

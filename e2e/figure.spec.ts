import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { expect, test } from './app.js';
import { launchOptions } from './chromium.js';
import { dial, dialog, editor, openStage, paste, press, putDemo, putMake, stage } from './pages.js';

const BUOY =
  'Buoy\nUS terms\n\n## Float\nWith red:\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: (1 sc, inc) x 6 (18)\nR4: (2 sc, inc) x 6 (24)\nR5-R8: sc around (24)\nR9: (2 sc, dec) x 6 (18)\nR10: (1 sc, dec) x 6 (12)\nR11: dec x 6 (6)';

const figure = (page: Page, name: string | RegExp): Locator => page.getByRole('img', { name });
/** Until it is drawn, whichever way the device draws it. */
const drawn = (page: Page): Locator => page.locator('[data-drawn="none"], [data-drawn="no WebGL"]').first();
/** The line at the cursor. */
const line = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = getSelection()?.anchorNode;
    const element = at instanceof Element ? at : at?.parentElement;
    return element?.closest('.cm-line')?.textContent ?? '';
  });
const said = (page: Page): Locator => page.locator('lem-part-shape .said').first();
const high = async (page: Page): Promise<number> => Number(/([\d.]+) mm high/.exec((await said(page).textContent())!)![1]);

async function download(page: Page, kind: string): Promise<Buffer> {
  await page.locator('lem-shape-view').getByRole('button', { name: 'Save as' }).click();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: kind }).click()]);
  return readFile(await file.path());
}

test.use({ fresh: true, inTheRound: true, launchOptions: launchOptions(true) });

test('a stitch clicked on the shape finds its line, and a changed count changes the shape', async ({ app, page }) => {
  await openStage(page, app, await putMake(page, app, BUOY), 'pattern');
  await page.getByRole('tab', { name: 'Shape' }).click();
  await drawn(page).waitFor();
  await expect(figure(page, /^Float in the round: about \d+ mm across, about \d+ mm high; /)).toBeVisible();
  const shape = figure(page, /^Float in the round: /);
  await test.step('a click in its middle is in the straight rounds', async () => {
    await shape.click();
    await expect.poll(() => line(page)).toMatch(/R(4|5-R8|9): /);
  });
  await test.step('the keys turn it to its top, where the last rounds are', async () => {
    await page.getByRole('button', { name: 'Top', exact: true }).click();
    // A click is on what is seen, and the top comes in sight when the frame before is drawn.
    await expect(async () => {
      await shape.click();
      expect(await line(page)).toMatch(/R(1|2|10|11): /);
    }).toPass();
    await shape.press('f');
  });
  const before = await high(page);
  await editor(page).click();
  await paste(page, BUOY.replace('R5-R8', 'R5-R14').replace('R9:', 'R15:').replace('R10:', 'R16:').replace('R11:', 'R17:'));
  await expect.poll(() => high(page)).toBeGreaterThan(before + 20);

  await test.step('a slip glows where it sits and is said elsewhere; the shape stays', async () => {
    await paste(page, BUOY.replace('R9: (2 sc, dec) x 6 (18)', 'R9: (2 sc, dec) x 5 (15)'));
    await expect(page.getByRole('heading', { name: /to look at/ })).toBeVisible();
    await expect(shape).toBeVisible();
  });
  await paste(page, BUOY);
  await expect.poll(() => high(page)).toBeCloseTo(before, 0);

  await test.step('it is saved as a picture, an outline at true scale, and a surface', async () => {
    expect((await download(page, 'Picture (.png)')).subarray(1, 4).toString()).toBe('PNG');
    const svg = (await download(page, 'Outline at true scale (.svg)')).toString();
    const [, tall] = /height="([\d.]+)mm"/.exec(svg)!;
    expect(Math.abs(Number(tall) - 4 - before)).toBeLessThan(8);
    const gltf = await download(page, 'Surface with colours (.glb)');
    expect(gltf.subarray(0, 4).toString()).toBe('glTF');
    const stl = await download(page, 'Surface to print a former (.stl)');
    // A binary STL: 80 bytes of heading, the number of triangles, 50 bytes each.
    expect(stl.length).toBe(84 + 50 * stl.readUInt32LE(80));
  });
});

test('stacked rounds and staggered ones are seen side by side', async ({ app, page }) => {
  await openStage(page, app, await putMake(page, app, BUOY), 'pattern');
  await page.getByRole('tab', { name: 'Shape' }).click();
  await page.getByRole('button', { name: 'Stagger these rounds' }).click();
  await expect(figure(page, /^Float in the round: .*mm high/)).toHaveCount(2);
  await page.getByRole('button', { name: 'Write it into the pattern' }).click();
  await expect(page.locator('.cm-content')).not.toContainText('R4: (2 sc, inc) x 6 (24)');
});

test('without WebGL the shape is drawn on paper, with the same to be seen and clicked', async ({ app, page }) => {
  await page.addInitScript(() => {
    const plain = HTMLCanvasElement.prototype;
    const real = Object.getOwnPropertyDescriptor(plain, 'getContext')!.value as (kind: string, ...rest: unknown[]) => unknown;
    Object.defineProperty(plain, 'getContext', {
      value(this: HTMLCanvasElement, kind: string, ...rest: unknown[]) {
        return kind.startsWith('webgl') ? null : real.call(this, kind, ...rest);
      },
    });
  });
  await openStage(page, app, await putMake(page, app, BUOY), 'pattern');
  await page.getByRole('tab', { name: 'Shape' }).click();
  await expect(page.locator('[data-drawn="no WebGL"]')).toBeVisible();
  const facets = page.locator('lem-figure svg path');
  await expect.poll(() => facets.count()).toBeGreaterThan(100);
  await expect(said(page)).toContainText(/mm across, about \d+ mm high/i);
  await facets.last().click();
  await expect.poll(() => line(page)).toMatch(/R\d/);
});

test('what grows together stands together in Gather, and the piece at the hook is seen as far as it is', async ({
  app,
  page,
}) => {
  await openStage(page, app, await putDemo(page, app, 'Lamp keeper'), 'gather');
  await drawn(page).waitFor();
  await expect(figure(page, /^Everything side by side: Body about \d+ mm wide and 1[6-9]\d mm high; Arm × 2/)).toBeVisible();
  await expect(page.locator('lem-figure .name')).toHaveText(['Body', 'Arm × 2', 'Rain hat', 'Lamp']);
  await expect(page.getByText('Only two fingers will go in')).toBeVisible();
  await page.getByText('From the side').click();
  await expect(page.locator('lem-standing-set')).toBeVisible();
  await stage(page, 'Work').click();
  await expect(dial(page)).toBeVisible();
  await dial(page).focus();
  await press(page, 'Enter', 4);
  await page.getByRole('button', { name: 'The part from the side. See it in the round' }).click();
  await expect(dialog(page).getByRole('heading', { name: 'Leg 1 of 2 after R4' })).toBeVisible();
  await expect(dialog(page).getByRole('img', { name: /^Leg in the round: / })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
  await page.keyboard.press('v');
  await expect(dialog(page)).toBeVisible();
});

test('the beak is dragged over the body of the figure put together, and its line follows', async ({ app, page }) => {
  const beak = page.locator('.map [data-feature="beak 1"]');
  const make = await putDemo(page, app, 'Harbour puffin');
  await openStage(page, app, make, 'assemble');
  await page.locator('[data-drawn="none"], [data-drawn="no WebGL"]').first().waitFor();
  const together = page.getByRole('img', { name: /^Harbour puffin put together/ });
  await expect(together).toBeVisible();
  await together.press('f');
  const before = (await beak.getAttribute('aria-label'))!;
  const box = (await together.boundingBox())!;
  // The beak is in the middle, a little under the top; it is taken hold of where it is found.
  for (let down = 0.2; down < 0.6 && (await beak.getAttribute('aria-label')) === before; down += 0.06) {
    await page.mouse.move(box.x + box.width / 2 + 42, box.y + box.height * down);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 70, box.y + box.height * (down + 0.1), { steps: 4 });
    await page.mouse.move(box.x + box.width / 2 + 80, box.y + box.height * (down + 0.12), { steps: 4 });
    await page.mouse.up();
    await together.press('f');
  }
  await expect(beak).not.toHaveAccessibleName(before);
  const kept = async (): Promise<string> =>
    (await (await page.request.get(`${app.url}/api/makes/${make}`)).text()).split('Put together')[1]!;
  await expect.poll(kept).toMatch(/Beak: on Body, at R\d+, \d+ stitch(es)? (left|right) of the front, sewn/);
});

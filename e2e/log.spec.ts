import { expect, test, type App } from './app.js';
import { editor, press, putMake, stitchDone } from './pages.js';
import type { Page } from '@playwright/test';

const PEBBLE =
  '# Pebble\nUS terms\n\n## Pebble\nWith grey:\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3–R5: sc around (12)\nR6: dec × 6 (6)\n';
const MINUTE = 60_000;

/** Two evenings at the hook, the second with a rip in it; an hour ahead of UTC, as the maker was. */
async function twoEvenings(page: Page, app: App, make: string): Promise<void> {
  const evening = Date.UTC(2026, 9, 5, 18, 30);
  const next = evening + 2 * 24 * 60 * MINUTE;
  const steps = [
    [evening, 1, 0],
    [evening + 2 * MINUTE, 2, 0],
    [evening + 4 * MINUTE, 3, 0],
    [next, 4, 0],
    [next + MINUTE, 3, 0],
    [next + 3 * MINUTE, 4, 0],
  ] as const;
  const events = steps.map(([at, round, action], i) => ({
    ...{ id: crypto.randomUUID(), piece: 'pebble/1', at, zone: 60, kind: 'reached', round, action },
    ...(i === 4 ? { why: 'count' } : {}),
  }));
  const answer = await page.request.post(`${app.url}/api/makes/${make}/events`, { data: { events } });
  expect(answer.status()).toBe(204);
}

/** A photo as a camera writes it: lying on its side, with a place in it. Red above where it is held upright. */
async function cameraPhoto(page: Page): Promise<Buffer> {
  const base64 = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [64, 48];
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = 'blue';
    pen.fillRect(0, 0, 64, 48);
    pen.fillStyle = 'red';
    pen.fillRect(0, 0, 20, 48);
    return canvas.toDataURL('image/jpeg', 0.95).split(',')[1]!;
  });
  const jpeg = Buffer.from(base64, 'base64');
  // Exif 2.3 (recalled): one entry, the orientation (0x0112) 6, "turn it a quarter to the right"; then words of a place.
  const tiff = Buffer.from('4d4d002a0000000800010112000300000001000600000000000000', 'hex');
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff, Buffer.from('QUAY STREET 9', 'latin1')]);
  const head = Buffer.from([0xff, 0xe1, (body.length + 2) >> 8, (body.length + 2) & 255]);
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)]);
}

test('a small make is finished, its log tells what it took, and another is begun like it', async ({ app, page }) => {
  const make = await putMake(page, app, PEBBLE);
  await twoEvenings(page, app, make);
  await page.goto(`${app.url}/make/${make}/work`);
  await expect(stitchDone(page)).toBeVisible();
  await press(page, 'Enter', 2);
  await expect(page.getByText('Every piece of this make is worked.')).toBeVisible();
  await page.getByRole('link', { name: 'Log' }).click();

  // Two evenings of four and three minutes, by the clock the maker had; the rip with its reason.
  await expect(page.locator('.took')).toContainText('7 min in 3 sittings');
  const first = page.locator('lem-day-line .sitting').first();
  await expect(first).toHaveAccessibleName(/Mon 5 Oct, 19:30 to 19:34: 4 min, 30 stitches/);
  await expect(page.locator('.story')).toContainText('12 stitches ripped back to R4, the count was off');

  // A sitting that was not tapped is put in, and taken back.
  await page.getByText('Sittings', { exact: true }).click();
  await page.getByRole('button', { name: 'Put a sitting in' }).click();
  await page.getByLabel('Day', { exact: true }).fill('2026-10-06');
  await page.getByLabel('From', { exact: true }).fill('23:30');
  await page.getByLabel('To', { exact: true }).fill('00:15');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('.took')).toContainText('52 min in 4 sittings');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.took')).toContainText('7 min in 3 sittings');

  // The finished piece: measured, with notes, and a photo that keeps neither place nor its side.
  await page.getByText('The piece', { exact: true }).click();
  await page.getByRole('button', { name: 'It is finished' }).click();
  await page.getByLabel('Tall').fill('31');
  await page.getByLabel('Notes for the next one').fill('next time 4 mm hook');
  await page.getByLabel('For whom').fill('Bo');
  await page.getByLabel('For whom').press('Tab');
  await page.getByLabel('Add a photo').setInputFiles({ name: 'p.jpg', mimeType: 'image/jpeg', buffer: await cameraPhoto(page) });
  await expect(page.locator('.photos img')).toHaveJSProperty('complete', true);
  const url = async (): Promise<string | undefined> => {
    const photos = (await (await page.request.get(`${app.url}/api/photos`)).json()) as { photo: { id: string; make: string } }[];
    return photos.find(({ photo }) => photo.make === make)?.photo.id;
  };
  await expect.poll(async () => (await page.request.get(`${app.url}/api/photos/${await url()}/picture`)).status()).toBe(200);
  const picture = await (await page.request.get(`${app.url}/api/photos/${await url()}/picture`)).body();
  expect(picture.toString('latin1')).not.toMatch(/QUAY|Exif/);
  const upright = await page.locator('.photos img').evaluate((img: HTMLImageElement) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [img.naturalWidth, img.naturalHeight];
    const pen = canvas.getContext('2d')!;
    pen.drawImage(img, 0, 0);
    return { size: [img.naturalWidth, img.naturalHeight], top: [...pen.getImageData(24, 4, 1, 1).data].slice(0, 3) };
  });
  expect(upright.size).toEqual([48, 64]);
  expect(upright.top[0]).toBeGreaterThan(180);
  expect(upright.top[2]).toBeLessThan(80);

  await page.reload();
  await expect(page.getByLabel('Tall')).toHaveValue('31');
  await expect(page.getByLabel('For whom')).toHaveValue('Bo');
  await expect(page.getByLabel('Notes for the next one')).toHaveValue('next time 4 mm hook');

  // Not finished after all: what was measured is still there when it is.
  await page.getByRole('button', { name: 'Not yet after all' }).click();
  await page.getByRole('button', { name: 'It is finished' }).click();
  await expect(page.getByLabel('Tall')).toHaveValue('31');

  // No picture at all is said to be none.
  await page.getByLabel('Add a photo').setInputFiles({ name: 'tea.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('tea') });
  await expect(page.getByRole('alert')).toContainText('“tea.jpg” cannot be opened here');

  // Another like it, held against this one.
  await page.getByRole('button', { name: 'Make another like this' }).click();
  await expect(page).not.toHaveURL(new RegExp(make));
  await expect(stitchDone(page)).toBeVisible();
  await page.getByRole('link', { name: 'Pattern' }).click();
  await expect(editor(page)).toContainText('R3–R5: sc around');
  await page.getByRole('link', { name: 'Log' }).click();
  await page.getByText('Twins', { exact: true }).click();
  await expect(page.locator('lem-twins-panel')).toContainText('31 mm');
});

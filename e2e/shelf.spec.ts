import { expect, test } from './app.js';
import { dial, stitchDone, takeFromShelf, takeUp } from './pages.js';

test.describe('with the demo alone on it', () => {
  test.use({ alone: true });

  test('a make taken off the shelf can be put back, with its progress', async ({ app, page }) => {
    await takeFromShelf(page, app, 'Harbour puffin');
    for (let i = 0; i < 3; i++) await page.keyboard.press('Enter');
    await page.getByRole('link', { name: 'Back to the shelf' }).click();
    const plank = page.locator('lem-plank').filter({ hasText: 'Harbour puffin' });
    await expect(plank).toContainText('Body, round 4 of 31');
    await plank.getByRole('button', { name: 'Take Harbour puffin off the shelf' }).click();
    await expect(plank).toBeHidden();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await expect(plank).toContainText('Body, round 4 of 31');
    await expect(plank.getByRole('link', { name: 'Carry on' })).toBeVisible();
  });

  test('a make taken off the shelf stays off when what was asked for before comes late', async ({ app, page }) => {
    await page.goto(app.url);
    const plank = page.locator('lem-plank').filter({ hasText: 'Harbour puffin' });
    await expect(plank).toBeVisible();
    let come = (): void => undefined;
    const late = new Promise<void>((resolve) => (come = resolve));
    await page.route('**/api/makes', async (route) => {
      const response = await route.fetch();
      const makes = (await response.json()) as { title: string }[];
      await late;
      const told = makes.map((make) => (make.title === 'Jelly pilot' ? { ...make, title: 'Jelly pilot, told late' } : make));
      await route.fulfill({ response, json: told });
    });
    // Until the server says, it shows what was told last.
    await page.reload();
    await plank.getByRole('button', { name: 'Take Harbour puffin off the shelf' }).click();
    await expect(plank).toBeHidden();
    come();
    await expect(page.getByRole('heading', { name: 'Jelly pilot, told late' })).toBeVisible();
    await expect(plank).toBeHidden();
  });
});

test.describe('with a server that goes away', () => {
  test.use({ alone: true });

  test('a make that is not there, and a server that is away, say what to do', async ({ app, page }) => {
    await page.goto(`${app.url}/make/0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111/work`);
    await expect(page.getByRole('heading')).toContainText(['', 'This make is not on the shelf.']);
    await page.getByRole('link', { name: 'Back to the shelf' }).last().click();
    await expect(page.getByRole('link', { name: 'Harbour puffin', exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'New make' }).click();
    await expect(page.getByRole('heading', { name: 'New make' })).toBeVisible();
    await app.stop();
    await page.getByRole('link', { name: 'Back to the shelf' }).click();
    // The shelf stands as it was heard of last; what this device never heard of says what to do.
    await expect(page.getByRole('status')).toContainText('The server is away.');
    await expect(page.getByRole('link', { name: 'Harbour puffin', exact: true })).toBeVisible();
    await page.evaluate(() => indexedDB.deleteDatabase('lemniscus'));
    await page.getByRole('link', { name: 'New make' }).click();
    await page.getByRole('link', { name: 'Back to the shelf' }).click();
    await expect(page.getByRole('heading', { name: 'The server cannot be reached.' })).toBeVisible();
    await app.start();
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('link', { name: 'Harbour puffin', exact: true })).toBeVisible();
  });
});

test.describe('with a copy of everything', () => {
  test.use({ alone: true });

  test('it is saved, taken in again, and a damaged one says so', async ({ app, page }) => {
    await page.goto(app.url);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Save everything' }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^lemniscus-\d{4}-\d\d-\d\d\.zip$/);
    const copy = page.getByLabel('Take in a copy');
    await copy.setInputFiles(await download.path());
    await expect(page.getByText('8 makes in the copy, 0 of them new; no step that was not here.')).toBeVisible();
    await copy.setInputFiles({ name: 'tea.zip', mimeType: 'application/zip', buffer: Buffer.from('tea') });
    await expect(page.getByRole('alert')).toContainText('Nothing was taken in.');
  });
});

test.describe('without the demo', () => {
  test.use({ alone: true, arguments: ['--empty'] });

  test('the empty shelf leads to the first pattern', async ({ app, page }) => {
    await page.goto(app.url);
    await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible();
    await page.getByRole('link', { name: 'Paste a pattern' }).click();
    await expect(page).toHaveURL(/\/new$/);
  });
});

test.describe('on a phone', () => {
  test.use({ fresh: true, viewport: { width: 390, height: 844 }, hasTouch: true });

  test('the work fits without scrolling, and the action lies under the thumb', async ({ app, page }) => {
    await takeUp(page, app, 'Harbour puffin');
    await page.getByRole('button', { name: 'Round', exact: true }).tap();
    await dial(page).tap();
    await expect(dial(page)).toHaveAccessibleName('Stitch done. 2 of 12 stitches');
    const size = await page.evaluate(() => ({
      wide: document.documentElement.scrollWidth,
      high: document.documentElement.scrollHeight,
    }));
    expect(size).toEqual({ wide: 390, high: 844 });
    const go = (await stitchDone(page).boundingBox())!;
    expect(go.y + go.height).toBeLessThanOrEqual(844);
    expect(go.height).toBeGreaterThanOrEqual(44);
    const round = (await dial(page).boundingBox())!;
    expect(round.y + round.height).toBeLessThanOrEqual(go.y);
    expect(round.width).toBeGreaterThan(240);
  });
});

test('day and evening: the choice is kept, and text stands out from its ground in both', async ({ app, page }) => {
  await takeUp(page, app, 'Harbour puffin');
  /** WCAG 2.2 contrast ratio of the stage's words against the page. */
  const contrast = (): Promise<number> =>
    page.evaluate(() => {
      const light = (colour: string): number => {
        const [r, g, b] = (colour.match(/\d+/g) ?? []).map((part) => {
          const share = Number(part) / 255;
          return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
        });
        return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
      };
      const ground = light(getComputedStyle(document.body).backgroundColor);
      const words = ['.where', '.then', '.next', '.words-now', 'figcaption'].flatMap((each) => [
        ...document.querySelectorAll(each),
      ]);
      const ratios = words
        .map((word) => light(getComputedStyle(word).color))
        .map((ink) => (Math.max(ink, ground) + 0.05) / (Math.min(ink, ground) + 0.05));
      return Math.min(...ratios);
    });
  expect(await contrast()).toBeGreaterThanOrEqual(4.5);
  await page.getByRole('button', { name: 'Evening light' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'evening');
  expect(await contrast()).toBeGreaterThanOrEqual(4.5);
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'evening');
});

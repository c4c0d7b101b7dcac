import { devices, type Browser, type Page } from '@playwright/test';
import { expect, test, type App } from './app.js';
import { atHook, dial, expectAllSent, expectCount, press, putMake } from './pages.js';

const PEBBLE = '# Pebble\n\n## Pebble\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: sc around (12)\nR4: dec × 6 (6)\nFasten off.';
const ARGUMENTS = ['--home'];

/** A phone in the house that has accepted the certificate. */
async function phoneIn(browser: Browser): Promise<Page> {
  const { viewport, userAgent, isMobile, hasTouch } = devices['Pixel 7'];
  const options = { viewport: { ...viewport, width: 390 }, userAgent, isMobile, hasTouch };
  return (await browser.newContext({ ...options, ignoreHTTPSErrors: true, reducedMotion: 'reduce' })).newPage();
}

async function pairFrom(computer: Page, app: App, phone: Page): Promise<void> {
  await computer.goto(`${app.url}/devices`);
  const code = (await computer.locator('.code').innerText()).replace(' ', '');
  await phone.getByLabel('The six digits').fill(code);
  await phone.getByRole('button', { name: 'Pair this device' }).click();
}

test.describe('with the door to the house open', () => {
  test.use({ alone: true, arguments: ARGUMENTS });

  test('a phone is let in by the code, works while the computer is away, and both agree; sent away, it loses nothing', async ({
    app,
    page,
    browser,
  }) => {
    const make = await putMake(page, app, PEBBLE);
    const phone = await phoneIn(browser);
    await test.step('nothing is seen without the code', async () => {
      await phone.goto(`${app.homeUrl}/make/${make}/work`);
      await expect(phone.getByText('It shows six digits.')).toBeVisible();
      await expect(phone.getByText('Pebble')).toHaveCount(0);
      await phone.getByLabel('The six digits').fill('12345');
      await phone.getByRole('button', { name: 'Pair this device' }).click();
      await expect(phone.getByRole('alert')).toHaveText('The code has six digits.');
    });
    await test.step('with it the phone is in, and known on the computer', async () => {
      await pairFrom(page, app, phone);
      await expect(phone.getByRole('link', { name: 'Pebble', exact: true })).toBeVisible();
      await expect(page.getByText('Phone', { exact: true })).toBeVisible();
      await expect(page.getByRole('img', { name: `Code to scan: ${app.homeUrl}` })).toBeVisible();
    });
    await test.step('what the phone works stands on the computer, also what it worked while that was away', async () => {
      await phone.goto(`${app.homeUrl}/make/${make}/work`);
      await atHook(page, app, make);
      await dial(phone).tap();
      await dial(phone).tap();
      await expectCount(page, 2, 6);
      await app.stop('SIGKILL');
      await dial(phone).tap();
      await expect(phone.getByRole('status').filter({ hasText: 'Server away' })).toBeVisible();
      await press(page, 'Space', 2);
      await app.start(...ARGUMENTS);
      await expectAllSent(phone);
      await expectAllSent(page);
      await page.reload();
      await phone.reload();
      const done = await dial(page).getAttribute('aria-label');
      await expect(dial(phone)).toHaveAccessibleName(done!);
    });
    await test.step('opened anew it goes straight to the make worked last', async () => {
      await phone.goto(app.homeUrl);
      await expect(dial(phone)).toBeVisible();
      await phone.getByRole('link', { name: 'Back to the shelf' }).click();
      await expect(phone.getByRole('link', { name: 'Pebble', exact: true })).toBeVisible();
      await phone.goto(`${app.homeUrl}/make/${make}/work`);
    });
    await test.step('sent away it is told so, keeps what it does, and sends it once it is let in again', async () => {
      await page.goto(`${app.url}/devices`);
      await page.getByRole('button', { name: 'Send Phone away' }).click();
      await page.getByRole('button', { name: 'Yes, send it away' }).click();
      await expect(page.getByText('No other device yet.')).toBeVisible();
      const before = await dial(phone).getAttribute('aria-label');
      await dial(phone).tap();
      await expect(phone.getByRole('alert')).toContainText('This device is not known to the computer');
      await phone.getByRole('link', { name: 'Pair it again' }).click();
      await pairFrom(page, app, phone);
      await expect(dial(phone)).toBeVisible();
      await expectAllSent(phone);
      await expect(dial(phone)).not.toHaveAccessibleName(before!);
    });
    await phone.context().close();
  });
});

test('without it this machine alone is served, and says how to open the door', async ({ app, page }) => {
  await page.goto(app.url.replace('127.0.0.1', 'localhost'));
  await expect(page).toHaveURL(app.url + '/');
  await page.getByRole('link', { name: 'Devices' }).click();
  await expect(page.getByText('npm start -- --home')).toBeVisible();
});

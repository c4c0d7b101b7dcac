// node scripts/screenshots.mjs: takes the pictures of docs/screenshots/ anew, from the demo makes in a database of its own.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { buildPackages, buildWeb } from './build.mjs';
import { CHROMIUM, ensureChromium } from './chromium.mjs';
import { ensureInstalled, root } from './install.mjs';

ensureInstalled();
ensureChromium();
buildPackages();
buildWeb();

const data = mkdtempSync(join(tmpdir(), 'lemniscus-screenshots-'));
const server = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
  env: { ...process.env, PORT: '0', LEMNISCUS_DATA: data },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const [line] = await once(server.stdout, 'data');
const url = /http:\S+/.exec(String(line))[0];
const browser = await chromium.launch({ executablePath: CHROMIUM.path, args: CHROMIUM.args });

async function open(options = {}) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', ...options });
  return context.newPage();
}

async function take(page, name) {
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
}

async function press(page, key, times = 1) {
  for (let i = 0; i < times; i++) await page.keyboard.press(key);
}

async function work(page, title) {
  await page.goto(url);
  await page.getByRole('link', { name: title, exact: true }).click();
  await page.locator('lem-dial').waitFor();
}

const page = await open();
// A lighthouse well begun, and a puffin half way through a round of increases.
await work(page, 'Striped lighthouse');
await press(page, 'Enter', 33);
await work(page, 'Harbour puffin');
await page.getByRole('button', { name: 'Wing 1 of 2' }).click();
await press(page, 'Enter', 11);
await page.getByRole('button', { name: 'Body' }).click();
await press(page, 'Enter', 8);
await press(page, 'ArrowRight', 3);
await press(page, 'Space', 4);
await take(page, 'work');
await page.getByRole('link', { name: 'Gather' }).click();
await take(page, 'gather');
await page.goto(url);
await take(page, 'shelf');

const slips = readFileSync(join(root, 'demo/harbour-puffin.md'), 'utf8')
  .replace('(2 sc, inc) × 5, 1 sc (24)', '(2 sc, inc) × 5 (24)')
  .replace('(5 sc, inc) × 6 (42)', '(5 sc, inc) × 6 (41)');
await page.goto(`${url}/new`);
await page.locator('.cm-content').click();
await page.keyboard.insertText(slips);
await press(page, 'Control+Home');
await take(page, 'pattern');

const evening = await open({ colorScheme: 'dark' });
await work(evening, 'Harbour puffin');
await press(evening, 'Enter', 16);
await press(evening, 'ArrowRight', 3);
await press(evening, 'Space', 5);
await take(evening, 'work-evening');

const phone = await open({ viewport: { width: 390, height: 844 }, hasTouch: true });
await work(phone, 'Striped lighthouse');
await press(phone, 'Space', 9);
await take(phone, 'work-phone');

await browser.close();
server.kill('SIGTERM');
await once(server, 'exit');
rmSync(data, { recursive: true });

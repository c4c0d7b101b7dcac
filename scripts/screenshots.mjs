// node scripts/screenshots.mjs: takes the pictures of docs/screenshots/ anew, from the demo makes in a database of its own.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { buildPackages, buildWeb } from './build.mjs';
import { CHROMIUM_ARGS, chromiumPath, ensureChromium, WEBGL_ARGS } from './chromium.mjs';
import { ensureInstalled, root } from './install.mjs';

ensureInstalled();
await ensureChromium();
await buildPackages();
await buildWeb();

const data = mkdtempSync(join(tmpdir(), 'lemniscus-screenshots-'));
const server = spawn(process.execPath, [join(root, 'server/dist/main.js'), '--home'], {
  env: { ...process.env, PORT: '0', HOME_PORT: '4601', HOME_ADDRESSES: '192.168.1.20,127.0.0.2', LEMNISCUS_DATA: data },
  stdio: ['ignore', 'pipe', 'inherit'],
});
process.once('exit', () => server.kill());
const [line] = await once(server.stdout, 'data');
const url = /http:\S+/.exec(String(line))[0];
let browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_ARGS, ...WEBGL_ARGS] });

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

/** Opens the demo's own make of that name, which nobody has begun but these pictures. */
async function work(page, title) {
  const makes = await (await page.request.get(`${url}/api/makes`)).json();
  const own = makes.filter((make) => make.title === title && !seasoned.has(make.id)).sort((a, b) => a.createdAt - b.createdAt);
  await page.goto(`${url}/make/${own[0].id}/work`);
  await page.locator('lem-dial').waitFor();
}

/** Until a figure is drawn and has settled. */
async function drawn(page) {
  await page.locator('[data-drawn="none"]').first().waitFor();
  await page.waitForTimeout(2_500);
}

const page = await open();
const season = await (await page.request.get(`${url}/api/makes`)).json();
/** Makes of the demo season: begun before these pictures. */
const seasoned = new Set(season.filter(({ said }) => Object.keys(said).length > 0).map(({ id }) => id));
// What the puffin took, and what is planned.
const [shot] = await (await page.request.get(`${url}/api/photos`)).json();
await page.goto(`${url}/make/${shot.photo.make}/log`);
await page.locator('lem-day-line .sitting').first().waitFor();
await page.locator('.photos img').waitFor();
await take(page, 'log');
await page.goto(`${url}/plan`);
await page.locator('lem-wish-list .late').first().waitFor();
await page.locator('lem-wish-list .late button').first().click();
await page.getByRole('group', { name: 'What would help' }).getByRole('button').first().waitFor();
await take(page, 'plan');

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
await page.goto(`${url}/devices`);
await page.locator('lem-qr-code').waitFor();
await take(page, 'devices');
await page.goto(`${url}/basket`);
await page.locator('.yarn').first().waitFor();
await take(page, 'basket');
await page.goto(url);
await page.locator('lem-plank svg path').nth(40).waitFor();
await take(page, 'shelf');

await work(page, 'Lamp keeper');
await page.getByRole('link', { name: 'Gather' }).click();
await drawn(page);
await page.getByRole('row', { name: /Rain hat/ }).click();
await take(page, 'gather');
await work(page, 'Harbour puffin');
await page.getByRole('link', { name: 'Pattern' }).click();
await page.getByRole('tab', { name: 'Shape' }).click();
await page.getByRole('button', { name: 'Larger, smaller, another shape' }).click();
await page.getByRole('row', { name: /^Body 31 →/ }).waitFor();
await drawn(page);
await take(page, 'pattern-resize');
await work(page, 'Lamp keeper');
await page.getByRole('link', { name: 'Pattern' }).click();
await page.getByRole('tab', { name: 'Map' }).click();
await page.getByRole('button', { name: 'Body', exact: true }).click();
await take(page, 'pattern');

const demo = (name) => readFileSync(join(root, 'demo', name), 'utf8');
// The count off, among decreases.
await work(page, 'Seal pup');
await page.getByRole('button', { name: 'Body' }).click();
await press(page, 'Enter', 16);
await press(page, 'ArrowRight', 3);
await press(page, 'Space', 2);
await press(page, 'Enter');
await press(page, 'c');
await page.locator('.near button').nth(1).click();
await take(page, 'work-count-is-off');
await page.keyboard.press('Escape');

/** A demo make of its own, its pieces so far. */
async function begun(file, pieces) {
  const id = randomUUID();
  const make = { id, text: demo(`${file}.md`), yarnWeight: 4, hookMm: 3.5 };
  await page.request.post(`${url}/api/makes`, { data: make });
  const events = Object.entries(pieces).map(([piece, [round, action = 0]], i) => ({
    id: randomUUID(),
    piece,
    at: Date.now() + i,
    kind: 'reached',
    round,
    action,
  }));
  await page.request.post(`${url}/api/makes/${id}/events`, { data: { events } });
  return `${url}/make/${id}`;
}

// A wing of the puffin on its way over the map; the figure follows.
await page.goto(`${await begun('harbour-puffin', { 'body/1': [31], 'wing/1': [11], 'wing/2': [11], 'beak/1': [6] })}/assemble`);
await drawn(page);
await page.locator('lem-step-panel ol').getByRole('button', { name: 'Sew Wing 1 on flat' }).click();
const pin = await page.locator('.map [data-feature="wing 1 1"] .pin').first().boundingBox();
await page.mouse.move(pin.x + 5, pin.y + 5);
await page.mouse.down();
await page.mouse.move(pin.x - 8, pin.y - 10, { steps: 4 });
await page.waitForTimeout(2_500);
await take(page, 'assemble');
await page.mouse.up();
/** A file beside its reading, a line of it looked at. */
async function review(on, file, line, name) {
  await on.goto(`${url}/new`);
  await on.locator('.tools input[type=file]').setInputFiles(join(root, 'demo', file));
  await on.locator('lem-review .line', { hasText: line }).first().locator('.say').click();
  await take(on, name);
}
await review(page, 'mooring-buoy.vtt', 'R5:', 'review-talk');

// The gull of the demo as a figure, an egg being dragged in the evening, a body on a phone.
await page.goto(`${url}/studio`);
await page.getByText('Harbour gull').click();
await page.getByText('The figure', { exact: true }).click();
await drawn(page);
await page.waitForTimeout(3_000);
await take(page, 'studio');
const evening = await open({ colorScheme: 'dark' });
await evening.goto(`${url}/studio`);
await evening.getByRole('button', { name: 'Egg', exact: true }).click();
await drawn(evening);
const handle = await evening.getByRole('slider', { name: /^Point 5 of/ }).boundingBox();
const [x, y] = [handle.x + handle.width / 2, handle.y + handle.height / 2];
await evening.mouse.move(x, y);
await evening.mouse.down();
await evening.mouse.move(x + 34, y + 4, { steps: 6 });
await evening.waitForTimeout(2_000);
await take(evening, 'studio-egg');
await evening.mouse.up();
const pocket = await open({ viewport: { width: 390, height: 844 }, hasTouch: true });
await pocket.goto(`${url}/studio`);
await pocket.getByRole('button', { name: 'Head and body in one' }).click();
await drawn(pocket);
await take(pocket, 'studio-phone');

const phone = await open({ viewport: { width: 390, height: 844 }, hasTouch: true });
await work(phone, 'Striped lighthouse');
await press(phone, 'Space', 9);
await take(phone, 'work-phone');

// Cards: beside the hook, among all, on the phone; tasks with their why. Thousands of strokes: without the software WebGL.
await browser.close();
browser = await chromium.launch({ executablePath: chromiumPath(), args: CHROMIUM_ARGS });
const reader = await open();
await reader.addInitScript(() => {
  Math.random = () => 0.42;
});
await work(reader, 'Harbour puffin');
await reader.getByRole('button', { name: 'Foot 1 of 2' }).click();
await press(reader, 'Enter', 2);
await press(reader, 'k');
await press(reader, 'ArrowRight', 2);
await take(reader, 'work-card');
await reader.goto(`${url}/know-how?card=invisible%20decrease`);
await reader.locator('lem-card-tile svg').nth(4).waitFor();
await reader.locator('lem-technique-card input').focus();
await press(reader, 'ArrowRight', 3);
await take(reader, 'know-how');
await reader.goto(`${url}/know-how/reading`);
await reader.getByRole('button', { name: 'Begin', exact: true }).click();
const wanted = new Map([['Finding increases', 'reading-increases']]);
while (wanted.size > 0) {
  // One of the eleven kinds is left out of ten tasks.
  const more = reader.getByRole('button', { name: 'Ten more' });
  if (await more.isVisible()) await more.click();
  await reader.locator('lem-task-picture svg').waitFor();
  const is = (await reader.locator('.where').innerText()).split(' · ')[1];
  if (await reader.locator('#answer').count()) {
    await reader.locator('#answer').fill('9');
    await press(reader, 'Enter');
  } else if (await reader.locator('.options button').count()) await press(reader, '1');
  else {
    for (const at of [0, 4]) await reader.locator('.spot').nth(at).click({ force: true });
    await reader.getByRole('button', { name: 'That is it' }).click();
  }
  await reader.locator('.verdict').waitFor();
  if (wanted.has(is)) await take(reader, wanted.get(is));
  wanted.delete(is);
  await reader.getByRole('button', { name: /^Next|^See how/ }).click();
}
await browser.close();
server.kill('SIGTERM');
await once(server, 'exit');
rmSync(data, { recursive: true });

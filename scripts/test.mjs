// npm test: installs what is missing, then format, lint, types, unit tests, build and the journey in Chromium.
// The last line sums up: N passed, N failed.
import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPackages, buildWeb } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { bin, ensureInstalled, root } from './install.mjs';

ensureInstalled();
const reports = mkdtempSync(join(tmpdir(), 'lemniscus-test-'));
let passed = 0;
let failed = 0;

/** Runs a step. What it says is kept together until it ends where others run beside it; `alone` it is said at once. */
function step(name, command, args, { env = {}, alone = false } = {}) {
  return new Promise((done) => {
    if (alone) console.log(`\n— ${name}`);
    const stdio = alone ? ['ignore', 'inherit', 'inherit'] : ['ignore', 'pipe', 'pipe'];
    const child = spawn(command, args, { cwd: root, stdio, env: { ...process.env, ...env } });
    const said = [];
    child.stdout?.on('data', (data) => said.push(data));
    child.stderr?.on('data', (data) => said.push(data));
    child.on('error', () => done(false));
    child.on('close', (status) => {
      if (!alone) console.log(`\n— ${name}\n${Buffer.concat(said).toString()}`);
      done(status === 0);
    });
  });
}

/** A step that is one check by itself. */
async function check(name, command, args) {
  if (await step(name, command, args)) passed++;
  else failed++;
}

/** Adds a runner's own counts; a runner that fails without a failed test counts as one. */
function counted(ok, file, countsOf) {
  try {
    const counts = countsOf(JSON.parse(readFileSync(join(reports, file), 'utf8')));
    passed += counts.passed;
    failed += counts.failed;
    if (!ok && counts.failed === 0) failed++;
  } catch {
    failed++;
  }
}

buildPackages();

// Two things at a time: most machines have two cores at least.
async function read() {
  await check('Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
  await check('Lint', bin('eslint'), ['.', '--max-warnings', '0']);
  await check('Types of tests and tools', bin('tsc'), ['-p', 'tsconfig.json']);
  await check('Types of the web’s tests', bin('tsc'), ['-p', 'web/tsconfig.json', '--noEmit']);
}
async function unitTests() {
  const unit = await step('Unit tests', bin('vitest'), [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${join(reports, 'unit.json')}`,
  ]);
  counted(unit, 'unit.json', (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests }));
}
await Promise.all([read(), unitTests()]);

console.log('\n— Build');
buildWeb();
ensureChromium();
const journey = await step('Journeys in Chromium', bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
  env: { PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') },
  alone: true,
});
counted(journey, 'e2e.json', ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }));

rmSync(reports, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

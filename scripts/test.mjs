// npm test: installs what is missing, then format, lint, types, unit tests, build and the journey in Chromium.
// The last line sums up: N passed, N failed.
import { spawnSync } from 'node:child_process';
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

function step(name, command, args, env = {}) {
  console.log(`\n— ${name}`);
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  return status === 0;
}

/** A step that is one check by itself. */
function check(name, command, args) {
  if (step(name, command, args)) passed++;
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

check('Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
buildPackages();
check('Lint', bin('eslint'), ['.', '--max-warnings', '0']);
check('Types of tests and tools', bin('tsc'), ['-p', 'tsconfig.check.json']);
const unit = step('Unit tests', bin('vitest'), [
  'run',
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(reports, 'unit.json')}`,
]);
counted(unit, 'unit.json', (report) => ({ passed: report.numPassedTests, failed: report.numFailedTests }));
console.log('\n— Build');
buildWeb();
ensureChromium();
const journey = step('Journeys in Chromium', bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json'),
});
counted(journey, 'e2e.json', ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }));

rmSync(reports, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

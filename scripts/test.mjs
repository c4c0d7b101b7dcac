// npm test: installs what is missing, then everything that is checked: packages, then unit tests beside the build of the
// application, then format, types and lint beside the journeys in Chromium. The last line sums up: N passed, N failed.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildPackages, buildWeb } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { bin, ensureInstalled } from './install.mjs';
import { Steps } from './steps.mjs';

ensureInstalled();
const chromium = ensureChromium();
const reports = mkdtempSync(join(tmpdir(), 'lemniscus-test-'));
const steps = new Steps();

/** A runner's report; null when it did not come to write one. */
function reportOf(file) {
  try {
    return JSON.parse(readFileSync(join(reports, file), 'utf8'));
  } catch {
    return null;
  }
}

async function unitTests() {
  const file = `--outputFile.json=${join(reports, 'unit.json')}`;
  const ok = await steps.run('Unit tests', bin('vitest'), ['run', '--reporter=default', '--reporter=json', file]);
  const report = reportOf('unit.json');
  steps.add(ok && report !== null, { passed: report?.numPassedTests ?? 0, failed: report?.numFailedTests ?? 0 });
}

/** What reads the code over: it gives way to the journeys, and takes both processors when they are through. */
async function readOver() {
  const behind = true;
  const check = (name, tool, ...args) => steps.check(name, bin(tool), args, { behind });
  const types = async () => {
    await check('Format', 'prettier', '--check', '--log-level', 'warn', '.');
    await check('Types of tests and tools', 'tsc', '-p', 'tsconfig.json');
    await check('Types of the web’s tests', 'tsc', '-p', 'web/tsconfig.json', '--noEmit');
  };
  await Promise.all([check('Lint', 'eslint', '.', '--max-warnings', '0'), types()]);
}

/** The titles of the tests in a report of journeys that went well only at their second try. */
function flakyIn({ suites = [], specs = [] }) {
  const own = specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky'));
  return [...own.map(({ file, line, title }) => `${file}:${line} ${title}`), ...suites.flatMap(flakyIn)];
}

async function journeys() {
  const ok = await steps.run('Journeys in Chromium', bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], {
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') },
    aloud: true,
  });
  const report = reportOf('e2e.json');
  const { expected = 0, flaky = 0, unexpected = 0 } = report?.stats ?? {};
  steps.add(ok && report !== null, { passed: expected + flaky, failed: unexpected });
  return report ? flakyIn(report) : [];
}

await buildPackages();
await Promise.all([unitTests(), buildWeb()]);
await chromium;
const [flaky] = await Promise.all([journeys(), readOver()]);
rmSync(reports, { recursive: true, force: true });
if (flaky.length > 0)
  console.log(`\nWent well only at the second try, a fault to mend:\n${flaky.map((one) => `- ${one}`).join('\n')}`);
steps.end();

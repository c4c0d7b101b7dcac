// npm run check: what a change needs while one works on it, in under a minute once it has run before: its format and
// lint, all types and templates, and the unit tests that it can reach. npm test checks everything.
import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { buildPackages } from './build.mjs';
import { bin, ensureInstalled, root } from './install.mjs';
import { Steps } from './steps.mjs';

ensureInstalled();
const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' }).split('\n').filter(Boolean);
const changed = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')].filter((file) =>
  existsSync(join(root, file)),
);
const linted = changed.filter((file) => /\.(ts|html|mjs)$/.test(file) && !file.endsWith('.d.ts'));

const steps = new Steps();

/** Types of a project; what was found the time before is taken up where nothing changed. */
function types(name, project) {
  const known = join(root, '.build', `${project.replaceAll('/', '-')}.tsbuildinfo`);
  return steps.check(name, bin('tsc'), ['-p', project, '--noEmit', '--incremental', '--tsBuildInfoFile', known]);
}

await buildPackages();
await Promise.all([
  (async () => {
    await steps.check('Types and templates of the web', bin('ngc'), ['-p', 'web/tsconfig.app.json', '--noEmit']);
    await types('Types of tests and tools', 'tsconfig.json');
    await types('Types of the web’s tests', 'web/tsconfig.json');
  })(),
  (async () => {
    if (changed.length > 0)
      await steps.check('Format', bin('prettier'), ['--check', '--log-level', 'warn', '--ignore-unknown', ...changed]);
    if (linted.length > 0) await steps.check('Lint', bin('eslint'), ['--max-warnings', '0', '--no-warn-ignored', ...linted]);
    await steps.check('Unit tests', bin('vitest'), ['run', '--changed', '--passWithNoTests', '--reporter=dot', '--no-color']);
  })(),
]);
steps.end();

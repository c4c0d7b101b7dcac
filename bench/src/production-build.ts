import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Result } from './measure.js';

/** Builds a folder’s application for production, without anything an earlier build left; gives the time it took, s. */
function build(root: string, folder: string): number {
  // Beside the sources, so that packages are found; what stands in the folder itself is left alone.
  const copy = mkdtempSync(join(root, folder, '../.bench-'));
  cpSync(join(root, folder), copy, {
    recursive: true,
    filter: (path) => !/[/\\](dist|\.angular|node_modules)([/\\]|$)/.test(path),
  });
  const began = performance.now();
  const { status, stderr } = spawnSync(join(root, 'node_modules/.bin/ng'), ['build'], {
    cwd: copy,
    env: { ...process.env, NG_CLI_ANALYTICS: 'false', CI: 'true' },
    encoding: 'utf8',
  });
  const seconds = (performance.now() - began) / 1_000;
  rmSync(copy, { recursive: true });
  if (status !== 0) throw new Error(stderr);
  return seconds;
}

/** The production build of the whole application, beside that of a bare page. */
export function productionBuild(root: string): Promise<Result[]> {
  const ours = build(root, 'web');
  const baseline = build(root, 'bench/bare-page');
  return Promise.resolve([
    { name: 'production build from nothing', ours, baseline, baselineName: 'bare Angular + NG-ZORRO page', unit: 's' },
  ]);
}

import { parseArgs } from 'node:util';
import { checkPattern } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { read } from '@lemniscus/core/notation';
import { shapeReport, type PartShapeReport } from '@lemniscus/core/shape';
import { statedKit } from '@lemniscus/core/supply';
import { sizeOf } from './stitch-size.js';
import { readText } from './text-file.js';

const OPTIONS = {
  yarn: { type: 'string' },
  hook: { type: 'string' },
  stitch: { type: 'string' },
  json: { type: 'boolean' },
} as const;

/**
 * `lemniscus shape FILE [--yarn 4] [--hook 3.5] [--stitch 5x4.8] [--json]`: what the parts of a pattern become, each by its
 * rounds and by every stitch relaxed. The stitch is as given in mm, else as yarn and hook make it, else as the pattern says.
 * @returns the exit code: 0 when done, 2 when something cannot be taken; null when misused
 */
export async function shape(args: readonly string[]): Promise<number | null> {
  let given: ReturnType<typeof parse>;
  try {
    given = parse(args);
  } catch {
    return null;
  }
  const [file, more] = given.positionals;
  if (file === undefined || more !== undefined) return null;
  const text = await readText(file);
  if ('refused' in text) return refused(text.refused);
  const count = checkPattern(read(text.text));
  const size = sizeOf(given.values, statedKit(count.pattern));
  if (typeof size === 'string') return refused(size);
  const parts = shapeReport(count, size);
  if (parts.length === 0) return refused(`${file}: there is no part with stitches in it.`);
  if (given.values.json) console.log(JSON.stringify({ title: count.pattern.title, stitch: size, parts }, null, 2));
  else process.stdout.write(forPeople(count.pattern.title, size, parts));
  return 0;
}

const parse = (args: readonly string[]) => parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true });

function refused(words: string): number {
  console.error(words);
  return 2;
}

const OUTCOME = { settled: '', going: ', not settled', restless: ', it ruffles or folds and did not settle' } as const;

function forPeople(title: string, { width, height }: StitchSize, parts: readonly PartShapeReport[]): string {
  const mm = (value: number): string => value.toFixed(1).padStart(8);
  const lines = [
    `${title || 'Untitled'}, stitches of ${width.toFixed(2)} × ${height.toFixed(2)} mm (a model: yarn has the last word)`,
  ];
  for (const { part, copies, stitches, outcome, flat, byRounds, relaxed, corners, lean, openings } of parts) {
    lines.push(
      '',
      `${part}${copies > 1 ? `, make ${copies}` : ''}: ${stitches} stitches${flat ? ', lies flat' : ''}${OUTCOME[outcome]}`,
    );
    lines.push(`  ${'mm'.padEnd(16)}${['rounds', 'relaxed'].map((name) => name.padStart(8)).join('')}`);
    for (const [name, key] of [
      ['across', 'diameter'],
      ['across that', 'second'],
      ['high', 'height'],
      ['wall', 'wall'],
    ] as const)
      lines.push(`  ${name.padEnd(16)}${mm(byRounds[key])}${mm(relaxed[key])}`);
    lines.push(`  ${'volume, cm³'.padEnd(16)}${mm(byRounds.volume / 1_000)}${mm(relaxed.volume / 1_000)}`);
    if (!flat) {
      const turns = corners.ridge === 0 ? '' : `, turning ${(100 * corners.ridge).toFixed(1)} % of a turn a round`;
      lines.push(
        `  corners: ${corners.count} of ${(100 * corners.swing).toFixed(1)} % of the radius${turns}; leans ${lean.toFixed(1)}°`,
      );
    }
    lines.push(`  ${flat ? 'width' : 'opening'} after`);
    for (const one of openings) lines.push(`  ${one.round.padEnd(16)}${mm(one.byRounds)}${mm(one.relaxed)}`);
  }
  return `${lines.join('\n')}\n`;
}

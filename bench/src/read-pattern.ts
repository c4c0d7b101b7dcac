import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { staggerPart } from '@lemniscus/core/spacing';
import { parser as markdown } from '@lezer/markdown';
import { compare, type Result } from './measure.js';

/** A pattern of rounds that grow and close by turns between 96 and 104 stitches, every total stated. */
export function longPattern(rounds: number): string {
  const lines = ['R1: 96 sc in ring (96)'];
  for (let number = 2; number <= rounds; number++) {
    lines.push(number % 2 === 0 ? `R${number}: (11 sc, inc) × 8 (104)` : `R${number}: 5 sc, dec, (11 sc, dec) × 7, 6 sc (96)`);
  }
  return `# Long pattern\nUS terms\n\n## Body\n${lines.join('\n')}\n`;
}

function expand(text: string): number {
  const count = checkPattern(read(text));
  if (count.diagnostics.length > 0) throw new Error('The pattern has slips.');
  return count.parts.reduce((sum, part) => sum + fabricOf(part).stitchCount, 0);
}

/** Rounds read at each size, so that the engine has seen as much of our code at one as at the other. */
const ROUNDS_READ = 30_000;

/** Reading, counting and expanding at three sizes: the ratios stay alike when the time a stitch stays flat. */
export async function readPattern(root: string): Promise<Result[]> {
  const results: Result[] = [];
  for (const rounds of [10, 100, 1_000]) {
    const text = longPattern(rounds);
    const stitches = expand(text).toLocaleString('en');
    const json = JSON.stringify(read(text).pattern);
    const times = await compare(
      ROUNDS_READ / rounds,
      () => expand(text),
      () => JSON.parse(json) as unknown,
    );
    results.push({
      name: `read, count and expand ${stitches} stitches`,
      ...times,
      baselineName: 'JSON.parse of its pattern',
      unit: 'ms',
    });
    if (rounds < 1_000) continue;
    const lezer = await compare(
      30,
      () => checkPattern(read(text)),
      () => markdown.parse(text),
    );
    results.push({
      name: `read and count ${stitches} stitches`,
      ...lezer,
      baselineName: 'a Lezer parser (Markdown) over the text',
      unit: 'ms',
    });
  }
  return [...results, await keystroke(root), await stagger()];
}

/** One keystroke in the largest demo pattern: all of it is read and counted again. */
async function keystroke(root: string): Promise<Result> {
  const folder = join(root, 'demo');
  const patterns = readdirSync(folder).filter((file) => file.endsWith('.md'));
  const texts = patterns.map((file) => readFileSync(join(folder, file), 'utf8'));
  const text = texts.reduce((a, b) => (b.length > a.length ? b : a));
  const json = JSON.stringify(read(text).pattern);
  let typed = 0;
  const times = await compare(
    200,
    () => checkPattern(read(text.slice(0, 400) + 'x'.repeat(typed++ % 5) + text.slice(400))),
    () => JSON.parse(json) as unknown,
  );
  return { name: 'one keystroke in the largest demo pattern', ...times, baselineName: 'JSON.parse of its pattern', unit: 'ms' };
}

async function stagger(): Promise<Result> {
  const text = longPattern(60);
  const count = checkPattern(read(text));
  const style = { terms: 'US', form: 'short' } as const;
  const times = await compare(
    20,
    () => staggerPart(count.parts[0]!, text, style),
    () => checkPattern(read(text)),
  );
  return { name: 'stagger 60 rounds of 100 stitches', ...times, baselineName: 'reading and counting them', unit: 'ms' };
}

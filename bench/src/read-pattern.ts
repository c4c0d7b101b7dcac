import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { compare, type Result } from './measure.js';

/** A pattern of 1,000 rounds and 100,000 stitches: growing and closing by turns between 96 and 104, every total stated. */
export function longPattern(): string {
  const rounds = ['R1: 96 sc in ring (96)'];
  for (let number = 2; number <= 1_000; number++) {
    rounds.push(number % 2 === 0 ? `R${number}: (11 sc, inc) × 8 (104)` : `R${number}: 5 sc, dec, (11 sc, dec) × 7, 6 sc (96)`);
  }
  return `# Long pattern\nUS terms\n\n## Body\n${rounds.join('\n')}\n`;
}

export async function readPattern(): Promise<Result> {
  const text = longPattern();
  const work = (): number => {
    const count = checkPattern(read(text));
    if (count.diagnostics.length > 0) throw new Error('The long pattern has slips.');
    return fabricOf(count.parts[0]!).stitchCount;
  };
  const json = JSON.stringify(read(text).pattern);
  const times = await compare(40, work, () => JSON.parse(json) as unknown);
  return {
    name: `read, count and expand ${work().toLocaleString('en')} stitches`,
    ...times,
    baselineName: 'JSON.parse of its pattern',
    unit: 'ms',
  };
}

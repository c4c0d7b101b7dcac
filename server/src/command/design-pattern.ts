import { parseArgs } from 'node:util';
import {
  describeBend,
  fitRounds,
  LARGEST_MM,
  primitive,
  PRIMITIVES,
  SEWN_ROUND,
  writePart,
  type Primitive,
  type RoundFit,
} from '@lemniscus/core/design';
import type { StitchSize } from '@lemniscus/core/gauge';
import { sizeOf } from './stitch-size.js';

const OPTIONS = {
  shape: { type: 'string' },
  across: { type: 'string' },
  tall: { type: 'string' },
  yarn: { type: 'string' },
  hook: { type: 'string' },
  stitch: { type: 'string' },
  json: { type: 'boolean' },
} as const;

/**
 * `lemniscus design --shape ball --across 60 [--tall 70] [--yarn 4 --hook 3.5 | --stitch 5x4.8] [--json]`: rounds whose
 * stuffed shape is as wished, as a pattern, with how well they fit.
 * @returns the exit code: 0 when done, 2 when something cannot be taken; null when misused
 */
export function design(args: readonly string[]): number | null {
  let given: ReturnType<typeof parse>;
  try {
    given = parse(args);
  } catch {
    return null;
  }
  const { shape: named, across, tall, json, ...kit } = given.values;
  if (named === undefined || across === undefined) return null;
  const wished = wishedShape(named, across, tall);
  if (typeof wished === 'string') return refused(wished);
  const size = sizeOf(kit);
  if (typeof size === 'string') return refused(size);
  const wish = primitive(wished);
  // What lies flat holds no stuffing.
  const flat = wish.points.every(({ z }) => z === wish.points[0]!.z);
  const fit = fitRounds(wish, size, flat ? { firmness: 0 } : {});
  if (!fit)
    return refused(
      `A ${wished.is} of ${across} mm is smaller than its first rounds in this yarn. Take it larger, or thinner yarn.`,
    );
  const start = (wish.straight ?? 0) > 0 ? 'oval' : wish.points[0]!.r > 0 ? 'open' : 'ring';
  const lines = writePart(fit.counts, { terms: 'US', start, bends: fit.bend.rounds });
  const words = wished.is === 'ring' ? [...lines, SEWN_ROUND] : lines;
  if (json)
    console.log(
      JSON.stringify(
        {
          shape: wished,
          stitch: size,
          counts: fit.counts,
          off: fit.off,
          worst: fit.worst,
          bends: fit.bend.degrees,
          lines: words,
        },
        null,
        2,
      ),
    );
  else process.stdout.write(forPeople(wished, size, fit, words));
  return 0;
}

const parse = (args: readonly string[]) => parseArgs({ args: [...args], options: OPTIONS });

function refused(words: string): number {
  console.error(words);
  return 2;
}

/** The shape that is meant, or why there is none. */
function wishedShape(named: string, across: string, tall: string | undefined): Primitive | string {
  const is = PRIMITIVES.find((each) => each === named);
  if (!is) return `--shape ${named}: give one of ${PRIMITIVES.join(', ')}.`;
  for (const [name, mm] of [
    ['across', across],
    ['tall', tall ?? across],
  ] as const)
    if (!(Number(mm) >= 5 && Number(mm) <= LARGEST_MM)) return `--${name} ${mm}: give millimetres from 5 to ${LARGEST_MM}.`;
  return { is, across: Number(across), tall: Number(tall ?? across) };
}

function forPeople({ is, across }: Primitive, { width, height }: StitchSize, fit: RoundFit, lines: readonly string[]): string {
  const mm = (value: number): string => value.toFixed(1);
  return [
    `# ${is.charAt(0).toUpperCase()}${is.slice(1)}, ${across} mm across`,
    'US terms',
    '',
    '## Piece',
    ...lines,
    '',
    `Stitches of ${width.toFixed(2)} × ${height.toFixed(2)} mm (a model: yarn has the last word).`,
    ...describeBend(fit.bend, fit.bend.degrees),
    `Stuffed it lies ${mm(fit.off)} mm from the wish on average, ${mm(fit.worst)} mm at most.`,
    '',
  ].join('\n');
}

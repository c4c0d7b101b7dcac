import { parseArgs } from 'node:util';
import { checkPattern, describe as describeFinding, type PatternCount } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { aimAt, LARGEST, resize as resized, SMALLEST, takes, type Aim, type Hands, type Reworked } from '@lemniscus/core/resize';
import { statedKit } from '@lemniscus/core/supply';
import { sizeOf } from './stitch-size.js';
import { readText } from './text-file.js';

const OPTIONS = {
  by: { type: 'string' },
  height: { type: 'string' },
  grams: { type: 'string' },
  eyes: { type: 'string' },
  part: { type: 'string', multiple: true },
  yarn: { type: 'string' },
  hook: { type: 'string' },
  stitch: { type: 'string' },
  json: { type: 'boolean' },
} as const;

/** Yarn weight where nobody says: medium (common practice). */
const USUAL_YARN = 4;

/**
 * `lemniscus resize FILE --by 1.2 [--part NAME]…`: the pattern so many times as large in the same yarn; or `--height MM`,
 * `--grams G`, `--eyes MM` to say what it is to become. Prints the new pattern; what it did goes to the other output.
 * @returns the exit code: 0 when done, 1 when something in it is to be looked at, 2 when something cannot be taken; null when misused
 */
export async function resize(args: readonly string[]): Promise<number | null> {
  let given: ReturnType<typeof parse>;
  try {
    given = parse(args);
  } catch {
    return null;
  }
  const [file, more] = given.positionals;
  const { by, height, grams, eyes, part: names = [], json, ...kit } = given.values;
  const aims = [by, height, grams, eyes].filter((each) => each !== undefined);
  if (file === undefined || more !== undefined || aims.length !== 1) return null;
  const text = await readText(file);
  if ('refused' in text) return refused(text.refused);
  const count = checkPattern(read(text.text));
  const only = partsNamed(count, names);
  if (typeof only === 'string') return refused(only);
  const stated = statedKit(count.pattern);
  const size = sizeOf(kit, stated);
  if (typeof size === 'string') return refused(size);
  const weight = kit.yarn === undefined ? (stated.yarnWeight ?? USUAL_YARN) : Number(kit.yarn);
  const hands: Hands = { stitch: size, yarnWeight: weight as Hands['yarnWeight'] };
  const made =
    by === undefined ? aimed(text.text, count, aimOf({ height, grams, eyes }), hands, only) : sized(text.text, count, by, only);
  if (typeof made === 'string') return refused(made);
  if (json) console.log(JSON.stringify({ ...summary(made, hands), text: made.made.text }, null, 2));
  else {
    process.stdout.write(made.made.text);
    console.error(told(made, hands).join('\n'));
  }
  return toLookAt(made.made).length > 0 ? 1 : 0;
}

const parse = (args: readonly string[]) => parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true });

interface Made {
  readonly by: number;
  readonly made: Reworked;
}

function refused(words: string): number {
  console.error(words);
  return 2;
}

function partsNamed({ parts }: PatternCount, names: readonly string[]): ReadonlySet<number> | null | string {
  if (names.length === 0) return null;
  const found = names.map((name) => parts.findIndex(({ part }) => part.name.toLowerCase() === name.toLowerCase()));
  const missing = names[found.indexOf(-1)];
  if (missing !== undefined)
    return `--part ${missing}: there is no such part. Its parts are ${parts.map(({ part }) => part.name).join(', ')}.`;
  return new Set(found);
}

function sized(text: string, count: PatternCount, by: string, only: ReadonlySet<number> | null): Made | string {
  if (!(Number(by) >= SMALLEST && Number(by) <= LARGEST))
    return `--by ${by}: give a factor from ${SMALLEST} to ${LARGEST}, as in 1.2.`;
  return { by: Number(by), made: resized(text, count, Number(by), only) };
}

function aimOf({
  height,
  grams,
  eyes,
}: {
  height?: string | undefined;
  grams?: string | undefined;
  eyes?: string | undefined;
}): Aim {
  if (height !== undefined) return { to: 'height', mm: Number(height) };
  if (grams !== undefined) return { to: 'yarn', grams: Number(grams) };
  return { to: 'eyes', mm: Number(eyes) };
}

function aimed(text: string, count: PatternCount, aim: Aim, hands: Hands, only: ReadonlySet<number> | null): Made | string {
  const wanted = aim.to === 'yarn' ? aim.grams : aim.mm;
  if (!(wanted > 0)) return 'Give a number above nothing, as in --height 150, --grams 40 or --eyes 12.';
  const found = aimAt(text, count, aim, hands, only);
  if (found) return found;
  return aim.to === 'eyes' ? 'The pattern names no eye size to go by. Use --by instead.' : 'There are no rounds to measure.';
}

const toLookAt = ({ looks, count }: Reworked): readonly string[] => [
  ...looks.map(
    ({ part, round }) => `${part}, R${round}: it says its stitches in its own way, which is left as it was. Look at it.`,
  ),
  ...count.diagnostics.filter(({ severity }) => severity === 'error').map((finding) => describeFinding(finding)),
];

const summary = ({ by, made }: Made, hands: Hands) => ({
  by,
  parts: made.parts.map(({ name, before, after }) => ({ name, before, after })),
  takes: takes(made.count, hands),
  look: toLookAt(made),
});

function told(found: Made, hands: Hands): readonly string[] {
  const { by, parts, takes: all, look } = summary(found, hands);
  const rounds = (counts: readonly number[]): string =>
    `${counts.length} rounds, ${counts.reduce((sum, each) => sum + each, 0)} stitches`;
  return [
    `${by.toFixed(2)} times as large:`,
    ...parts.map(({ name, before, after }) => `  ${name}: ${rounds(before)} → ${rounds(after)}`),
    `It takes ${all.stitches} stitches, about ${Math.round(all.metres)} m (${Math.round(all.grams)} g) of yarn and ${all.hours.toFixed(1)} hours at the hook.`,
    ...look.map((words) => `! ${words}`),
  ];
}

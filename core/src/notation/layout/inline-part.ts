import type { Token } from '../tokens.js';
import { readHeading, type HeadingLine } from './heading.js';
import { namesWork } from './label.js';

/** A part whose name and only round stand on one line. */
export interface InlinePart {
  readonly heading: HeadingLine;
  readonly tokens: readonly Token[];
  /** "Second leg: same": worked as another part. */
  readonly same: boolean;
}

const SAME: ReadonlySet<string> = new Set(['same', 'as', 'like', 'exactly', 'identical', 'repeat']);

/** Longest name with its "(make 2)". */
const MOST_NAME_TOKENS = 12;

/** "Nose: 6 sc in MR (6)", "Cheeks (make 2): 5 sc in MR", "Leaf / ch 5, …"; null where no name with work after it stands. */
export function inlinePart(text: string, tokens: readonly Token[]): InlinePart | null {
  for (let i = 1; i < Math.min(tokens.length - 1, MOST_NAME_TOKENS); i++) {
    const { key, from, to } = tokens[i]!;
    const spaced = from > tokens[i - 1]!.to && to < tokens[i + 1]!.from;
    const cuts = key === ':' || ((key === '/' || key === '-' || key === '=' || key === '|') && spaced);
    if (!cuts) continue;
    const name = tokens.slice(0, i);
    const rest = tokens.slice(i + 1);
    const led = rest[0]!.key === 'work' || rest[0]!.key === 'the' ? 1 : 0;
    const same = SAME.has(rest[led]?.key ?? '');
    const bracket = name.findIndex(({ key }) => key === '(' || key === '[');
    const bare = bracket > 0 ? name.slice(0, bracket) : name;
    if ((!same && namesWork(bare)) || !(same || namesWork(rest) || rest[0]!.key === 'join')) return null;
    const span = { from: name[0]!.from, to: name.at(-1)!.to };
    const heading = readHeading(text, name, span, false);
    return heading && heading.mark !== 'passing' ? { heading, tokens: rest, same } : null;
  }
  return null;
}

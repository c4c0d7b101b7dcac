import type { RawLine } from './raw-line.js';
import { rawLine } from './raw-line.js';

const TIME = String.raw`\d{1,2}[:.]\d{2}(?:[:.]\d{2})?(?:\s?[ap]\.?m\.?)?`;
const DATE = String.raw`\d{1,4}[./-]\d{1,2}[./-]\d{1,4}`;
const NAME = String.raw`[\p{L}~+][\p{L}\p{N} .’'~-]{0,30}`;
/** "[12:34, 3/5/2026] Anna: ", "12:34 – Anna: ", "03.05.26, 12:34 - Anna: " */
const STAMP = new RegExp(
  String.raw`^[\s>]*[\[(]?(?:${DATE},?\s+${TIME}|${TIME},?\s+${DATE}|${TIME})[\])]?\s*[-–—]?\s*(?:${NAME}:\s+)?`,
  'iu',
);
const SENDER = new RegExp(String.raw`^[\s>]*(\p{Lu}[\p{L}’'.-]{1,20}(?: \p{L}[\p{L}’'.-]{0,20})?):\s+(?=\S)`, 'u');
const NO_SENDER = /^(?:r|rnd|rd|row|round|rounds|rows|rnds|note|notes|tip|caption|photo|yarn|hook|colou?rs?|step)\b/i;

/** Tokens in which the colon after a time or a name stands. */
const MOST_BEFORE = 16;

/** How often one name has to stand before lines for it to be who wrote them. */
const OFTEN = 3;

/** The lines of a chat without the times and names before them. */
export function withoutSenders(text: string, lines: readonly RawLine[]): RawLine[] {
  const begins = lines.map((line) => beginningOf(text, line));
  const names = new Map<string, number>();
  for (const begin of begins) if (begin?.is === 'sender') names.set(begin.name, (names.get(begin.name) ?? 0) + 1);
  const stamped = begins.filter((begin) => begin?.is === 'stamp').length > 1;
  return lines.map((line, i) => {
    const begin = begins[i];
    const cut = begin?.is === 'stamp' ? stamped : begin ? names.get(begin.name)! >= OFTEN : false;
    return begin && cut ? rawLine(text, line.from + begin.length, line.to) : line;
  });
}

type Beginning =
  { readonly is: 'stamp'; readonly length: number } | { readonly is: 'sender'; readonly length: number; readonly name: string };

/** What may be a chat's time or name at the start of a line; both hold a colon near it. */
function beginningOf(text: string, { tokens, from, to }: RawLine): Beginning | null {
  // A chat that is quoted has a mark before each line.
  const first = tokens.find(({ key }) => key !== '>');
  if (!first || !tokens.slice(0, MOST_BEFORE).some(({ key }) => key === ':')) return null;
  const words = text.slice(from, Math.min(to, from + 120));
  const stamp = first.kind === 'number' || first.key === '[' || first.key === '(' ? STAMP.exec(words) : null;
  if (stamp) return { is: 'stamp', length: stamp[0].length };
  const sender = first.kind === 'word' ? SENDER.exec(words) : null;
  return sender && !NO_SENDER.test(sender[1]!) ? { is: 'sender', length: sender[0].length, name: sender[1]! } : null;
}

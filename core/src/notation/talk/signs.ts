import type { Terms } from '../stitch.js';
import { rulesOf } from './rules/index.js';
import type { Rule } from './rules/rule.js';
import type { Meant, Sign } from './sign.js';
import type { Spoken } from './words.js';

/** What the words of a talk say of the work, in the order they say it. */
export function signsOf(words: readonly Spoken[], terms: Terms): readonly Sign[] {
  const rules = rulesOf(terms);
  const text = `${words.map(({ key }) => key).join(' ')} `;
  const starts: number[] = [];
  let offset = 0;
  for (const { key } of words) {
    starts.push(offset);
    offset += key.length + 1;
  }
  const signs: Sign[] = [];
  for (let word = 0; word < words.length;) {
    const found = longestMatch(rules, text, starts[word]!);
    let next = word + 1;
    if (found) while (next < words.length && starts[next]! < starts[word]! + found.length) next++;
    if (found && found.meant !== 'nothing')
      signs.push({ ...found.meant, first: word, last: next - 1, leads: leads(words, word) });
    word = next;
  }
  return signs;
}

/** Words that begin what is new. */
export const THEN: ReadonlySet<string> = new Set('then next now okay ok after here alright right finally so'.split(' '));

function leads(words: readonly Spoken[], at: number): boolean {
  const before = words.slice(Math.max(0, at - 2), at).map(({ key }) => key);
  return before.length === 0 || before.at(-1) === '.' || words[at]!.afterComma || before.some((key) => THEN.has(key));
}

interface Match {
  readonly meant: Meant | 'nothing';
  readonly length: number;
}

/** The longest of all that may be meant; of those as long as one another, the first in the table. */
function longestMatch(rules: readonly Rule[], text: string, at: number): Match | null {
  let best: Match | null = null;
  for (const { pattern, meant } of rules) {
    pattern.lastIndex = at;
    const groups = pattern.exec(text);
    if (!groups || groups[0].length <= (best?.length ?? 0)) continue;
    const read = meant(groups);
    if (read) best = { meant: read, length: groups[0].length };
  }
  return best;
}

const IRREGULAR: Readonly<Record<string, string>> = { feet: 'foot', teeth: 'tooth', leaves: 'leaf', knives: 'knife' };

/** A word without its plural ending. */
export function singular(word: string): string {
  if (Object.hasOwn(IRREGULAR, word)) return IRREGULAR[word]!;
  return word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
}

/** A part's name for comparing: lower case, each word without its plural ending. */
export function singularName(name: string): string {
  return name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .map(singular)
    .join(' ');
}

const PLURALS: Readonly<Record<string, string>> = Object.fromEntries(Object.entries(IRREGULAR).map(([many, one]) => [one, many]));

/** A count with what is counted: "1 stitch", "6 stitches". Of several words the first is counted: "2 lines to look at". */
export function counted(count: number, noun: string): string {
  if (count === 1) return `1 ${noun}`;
  const [first, ...rest] = noun.split(' ');
  return [count, plural(first!), ...rest].join(' ');
}

/** The plural of a noun; of several words, of the last. */
export function plural(words: string): string {
  const last = words.lastIndexOf(' ') + 1;
  return words.slice(0, last) + pluralOf(words.slice(last));
}

function pluralOf(word: string): string {
  if (Object.hasOwn(PLURALS, word)) return PLURALS[word]!;
  if (/[^aeiou]y$/.test(word)) return `${word.slice(0, -1)}ies`;
  return /(s|x|ch|sh)$/.test(word) ? `${word}es` : `${word}s`;
}

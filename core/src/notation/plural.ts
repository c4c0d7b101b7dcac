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

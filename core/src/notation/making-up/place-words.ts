import { labelWord } from '../label-word.js';
import { ordinal, wholeNumber } from '../ordinals.js';
import type { Part } from '../pattern.js';
import { singular, singularName } from '../plural.js';
import type { Token } from '../tokens.js';
import type { Named, Side } from './placing.js';

/** Parts by the words of their names, as they are looked for. */
export interface PartName {
  readonly words: readonly string[];
  readonly part: number;
  readonly name: string;
  readonly copies: number;
}

export function namesOf(parts: readonly Part[]): PartName[] {
  return parts.map(({ name, copies }, part) => ({ words: singularName(name).split(' ').filter(Boolean), part, name, copies }));
}

export const ARTICLES: ReadonlySet<string> = new Set('the a an each both your this these its all'.split(' '));
export const PREPOSITIONS: ReadonlySet<string> = new Set(
  'on onto to of at in into through over against along from around'.split(' '),
);
export const STITCHES: ReadonlySet<string> = new Set('stitch stitches st sts'.split(' '));
const SIDES: ReadonlyMap<string, Side> = new Map([
  ['front', 'front'],
  ['back', 'back'],
  ['left', 'left'],
  ['right', 'right'],
  ['start', 'start'],
  ['marker', 'start'],
]);
const NO_FEATURE: ReadonlySet<string> = new Set(
  'them it and or stitch stitches st sts rounds round row rows marker end tail yarn'.split(' '),
);

/** Whether a name is a part's, or of something that every face has. */
export function isKnown({ name, part }: Named): boolean {
  return part !== null || /^(?:eye|nose|mouth|beak|snout|muzzle)s?$/i.test(name);
}

/** What stands at a place in a line: a part's name, a feature, a round, a side. */
export class PlaceWords {
  constructor(
    private readonly tokens: readonly Token[],
    private readonly names: readonly PartName[],
  ) {}

  key(i: number): string {
    return this.tokens[i]?.key ?? '';
  }

  /** All tokens of a stretch as a name: a part's with its copy, or a feature's. */
  named(from: number, to: number): Named | null {
    const name = this.nameAt(from);
    if (name && from + name.length === to) return name.named;
    const copy = wholeNumber(this.tokens[to - 1]);
    const end = copy === null ? to : to - 1;
    const words = this.tokens.slice(from, end);
    if (words.length === 0 || !words.every(({ kind, key }) => kind === 'word' || key === "'" || key === '-')) return null;
    return { name: words.map(({ text }) => text).join(' '), part: null, copy };
  }

  /** The name of a part at `at`, longest first, with which copy: "the first wing", "Wing 2". */
  nameAt(at: number): { readonly named: Named; readonly length: number } | null {
    let from = at;
    let copy: number | null = null;
    for (; ; from++) {
      const [nth] = ordinal(this.tokens, from);
      if (nth !== null) copy = nth;
      else if (!ARTICLES.has(this.key(from)) && !(SIDES.has(this.key(from)) && this.tokens[from + 1]?.kind === 'word')) break;
    }
    let best: PartName | null = null;
    for (const name of this.names) {
      const fits = name.words.every((word, i) => singular(this.key(from + i)) === word);
      if (fits && name.words.length > (best?.words.length ?? 0)) best = name;
    }
    if (!best) return null;
    const end = from + best.words.length;
    const number = wholeNumber(this.tokens[end]);
    const numbered = number !== null && number >= 1 && number <= best.copies && !STITCHES.has(this.key(end + 1));
    const written = this.tokens.slice(from, end).map(({ text }) => text);
    const named = {
      name: written.join(' '),
      part: best.part,
      copy: numbered ? number : copy !== null && copy <= best.copies ? copy : null,
    };
    return { named, length: end + (numbered ? 1 : 0) - at };
  }

  /** A feature that is no part: the word after the articles. */
  featureAt(at: number): { readonly named: Named; readonly length: number } | null {
    let from = at;
    while (ARTICLES.has(this.key(from))) from++;
    const token = this.tokens[from];
    if (token?.kind !== 'word' || NO_FEATURE.has(token.key) || PREPOSITIONS.has(token.key)) return null;
    return { named: { name: token.text, part: null, copy: null }, length: from + 1 - at };
  }

  anyAt(at: number): { readonly named: Named; readonly length: number } | null {
    return this.nameAt(at) ?? this.featureAt(at);
  }

  roundAt(i: number): { readonly number: number; readonly length: number } | null {
    if (labelWord(this.tokens[i])) {
      const number = wholeNumber(this.tokens[i + 1]);
      return number === null ? null : { number, length: 2 };
    }
    const [number, length] = ordinal(this.tokens, i);
    const after = this.tokens.slice(i + length, i + length + 5);
    return number !== null && after.some((token) => labelWord(token)) ? { number, length } : null;
  }

  bareAt(i: number): { readonly number: number; readonly length: number } | null {
    const [nth, length] = ordinal(this.tokens, i);
    if (nth !== null) return { number: nth, length };
    const number = wholeNumber(this.tokens[i]);
    return number === null || STITCHES.has(this.key(i + 1)) ? null : { number, length: 1 };
  }

  sideNamed(at: number): { readonly side: Side; readonly length: number } | null {
    const skip = ARTICLES.has(this.key(at)) ? 1 : 0;
    const side = SIDES.get(this.key(at + skip));
    const next = this.key(at + skip + 1);
    return side && !/^loops?$/.test(next) ? { side, length: skip + 1 + (next === 'side' ? 1 : 0) } : null;
  }
}

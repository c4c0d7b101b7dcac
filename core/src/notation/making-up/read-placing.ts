import type { Apart } from '../facts.js';
import { labelWord } from '../label-word.js';
import { ordinal, wholeNumber } from '../ordinals.js';
import type { Part } from '../pattern.js';
import { singular, singularName } from '../plural.js';
import { numberOf, type Token } from '../tokens.js';
import { fractionAt } from './fraction.js';
import type { Aside, Height, Join, Named, Placing, Round, Side, Tip } from './placing.js';

/** Parts by the words of their names, as they are looked for. */
export interface PartName {
  readonly words: readonly string[];
  readonly part: number;
  readonly name: string;
  readonly copies: number;
}

export interface PlaceContext {
  readonly names: readonly PartName[];
  /** The part that a note stands in; null in the making-up. */
  readonly of: number | null;
}

/** Only words with one of these can place anything. */
export const TELLS_PLACE =
  /\b(?:sew|sewn|attach|position|pin|mirror|stitch|join|whip|place|set|put|tie|knot|glue|embroider|spread)/i;

export function namesOf(parts: readonly Part[]): PartName[] {
  return parts.map(({ name, copies }, part) => ({ words: singularName(name).split(' ').filter(Boolean), part, name, copies }));
}

/** Where a line places something, as far as it says; null where it does not. Order and filling words do not matter. */
export function placingIn(tokens: readonly Token[], context: PlaceContext): Placing | null {
  const reader = new PlaceReader(tokens, context);
  return reader.read();
}

const VERBS: ReadonlySet<string> = new Set(
  'sew attach place pin set position join stitch put add glue embroider tie knot whip fix insert spread'.split(' '),
);
const ARTICLES: ReadonlySet<string> = new Set('the a an each both your this these its all'.split(' '));
const PREPOSITIONS: ReadonlySet<string> = new Set('on onto to of at in into through over against along from around'.split(' '));
const STITCHES: ReadonlySet<string> = new Set('stitch stitches st sts'.split(' '));
const SIDES: ReadonlyMap<string, Side> = new Map([
  ['front', 'front'],
  ['back', 'back'],
  ['left', 'left'],
  ['right', 'right'],
  ['start', 'start'],
  ['marker', 'start'],
]);
const TIPS: ReadonlyMap<string, Tip> = new Map(
  (
    [
      ['down', 'down downwards downward'],
      ['up', 'up upwards upward'],
      ['out', 'out outwards outward sideways'],
      ['front', 'forward forwards front'],
      ['back', 'back backwards'],
    ] as const
  ).flatMap(([tip, words]) => words.split(' ').map((word) => [word, tip] as const)),
);
const POINTS: ReadonlySet<string> = new Set('tip tips point points pointing pointed toes leaning facing'.split(' '));
const AND: ReadonlySet<string> = new Set(['and', '&', '-', 'to']);
const ENDS: ReadonlySet<string> = new Set(['.', ';', '!', '?']);
const NO_FEATURE: ReadonlySet<string> = new Set(
  'them it and or stitch stitches st sts rounds round row rows marker end tail yarn'.split(' '),
);

class PlaceReader {
  private host: Named | null = null;
  private height: Height | null = null;
  private round: Round | null = null;
  private count: number | null = null;
  private mirrors: Named | null = null;
  private tip: Tip | null = null;
  private join: Join | null = null;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly context: PlaceContext,
  ) {}

  read(): Placing | null {
    const begin = this.subject();
    if (!begin) return null;
    const { subject, at, sure, asked } = begin;
    for (let i = at; i < this.tokens.length;) i += Math.max(1, this.phrase(i, subject));
    if (this.height?.is === 'beside') this.round ??= { is: 'centred', of: this.height.of, aside: null };
    if (this.host?.part === subject.part && subject.part !== null && this.host.copy === subject.copy) this.host = null;
    if (!this.host && this.context.of !== null && this.context.of !== subject.part) this.host = this.own(this.context.of);
    const said = [this.height, this.round, this.mirrors].filter((each) => each !== null).length;
    const named = sure || asked;
    const placed = named && subject.part !== null ? said > 0 || this.host !== null : said > 0 && (named || this.host !== null);
    if (!placed) return null;
    const { host, height, round, count, mirrors, tip, join } = this;
    return { subject, host, height, round, count, mirrors, tip, join };
  }

  private own(part: number): Named {
    return { name: this.context.names[part]!.name, part, copy: null };
  }

  private key(i: number): string {
    return this.tokens[i]?.key ?? '';
  }

  /** What is placed, and where the words about its place begin; sure where a colon follows the name, asked where a verb stands before it. */
  private subject(): { readonly subject: Named; readonly at: number; readonly sure: boolean; readonly asked: boolean } | null {
    const colon = this.tokens.findIndex(({ key }) => key === ':');
    const first = this.tokens.findIndex(({ kind, key }) => kind !== 'mark' && key !== 'then' && key !== 'now');
    if (first < 0) return null;
    if (colon > first && colon - first <= 6) {
      const whole = this.named(first, colon);
      if (whole) return { subject: whole, at: colon + 1, sure: true, asked: false };
    }
    if (VERBS.has(this.key(first))) {
      this.joinAt(first);
      return this.afterVerb(first + 1);
    }
    const name = this.nameAt(first);
    if (name) return { subject: name.named, at: first + name.length, sure: false, asked: false };
    const feature = this.featureAt(first);
    const verb = ['is', 'are', 'go', 'goes', 'sit', 'along', ','].includes(this.key(first + (feature?.length ?? 0)));
    return feature && verb ? { subject: feature.named, at: first + feature.length, sure: false, asked: false } : null;
  }

  private afterVerb(at: number): ReturnType<PlaceReader['subject']> {
    const number = numberOf(this.tokens[at + (ARTICLES.has(this.key(at)) ? 1 : 0)]);
    if (number !== null && Number.isInteger(number)) this.count = number;
    const skip = number === null ? 0 : ARTICLES.has(this.key(at)) ? 2 : 1;
    const name = this.nameAt(at + skip) ?? (PREPOSITIONS.has(this.key(at + skip)) ? null : this.featureAt(at + skip));
    if (name) return { subject: name.named, at: at + skip + name.length, sure: false, asked: true };
    const { of } = this.context;
    return of === null ? null : { subject: this.own(of), at, sure: false, asked: true };
  }

  /** All tokens of a stretch as a name: a part's with its copy, or a feature's. */
  private named(from: number, to: number): Named | null {
    const name = this.nameAt(from);
    if (name && from + name.length === to) return name.named;
    const copy = wholeNumber(this.tokens[to - 1]);
    const end = copy === null ? to : to - 1;
    const words = this.tokens.slice(from, end);
    if (words.length === 0 || !words.every(({ kind, key }) => kind === 'word' || key === "'" || key === '-')) return null;
    return { name: words.map(({ text }) => text).join(' '), part: null, copy };
  }

  /** The name of a part at `at`, longest first, with which copy: "the first wing", "Wing 2". */
  private nameAt(at: number): { readonly named: Named; readonly length: number } | null {
    let from = at;
    let copy: number | null = null;
    for (; ; from++) {
      const [nth] = ordinal(this.tokens, from);
      if (nth !== null) copy = nth;
      else if (!ARTICLES.has(this.key(from)) && !(SIDES.has(this.key(from)) && this.tokens[from + 1]?.kind === 'word')) break;
    }
    let best: PartName | null = null;
    for (const name of this.context.names) {
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
  private featureAt(at: number): { readonly named: Named; readonly length: number } | null {
    let from = at;
    while (ARTICLES.has(this.key(from))) from++;
    const token = this.tokens[from];
    if (token?.kind !== 'word' || NO_FEATURE.has(token.key) || PREPOSITIONS.has(token.key)) return null;
    return { named: { name: token.text, part: null, copy: null }, length: from + 1 - at };
  }

  private anyAt(at: number): { readonly named: Named; readonly length: number } | null {
    return this.nameAt(at) ?? this.featureAt(at);
  }

  /** Takes the phrase at `i` in. @returns how many tokens it has, 0 for none */
  private phrase(i: number, subject: Named): number {
    return (
      this.mirrorAt(i) ||
      this.besideAt(i) ||
      this.roundsAt(i) ||
      this.asideAt(i) ||
      this.betweenAt(i) ||
      this.apartAt(i) ||
      this.spreadAt(i) ||
      this.afterAt(i) ||
      this.sideAt(i) ||
      this.endAt(i) ||
      this.tipAt(i) ||
      this.joinAt(i) ||
      this.countAt(i) ||
      this.hostAt(i, subject)
    );
  }

  private mirrorAt(i: number): number {
    const own = /^mirror(?:s|ed|ing)?$/.test(this.key(i));
    if (!own) return 0;
    const skip = ['of', 'image', 'to'].filter((word) => this.key(i + 1) === word || this.key(i + 2) === word).length;
    const name = this.anyAt(i + 1 + skip);
    if (!name) return 0;
    this.mirrors = name.named;
    return 1 + skip + name.length;
  }

  /** "one round below the eyes", "under the beak". */
  private besideAt(i: number): number {
    const number = numberOf(this.tokens[i]);
    const counted = number !== null && labelWord(this.tokens[i + 1]) !== null ? 2 : 0;
    const word = this.key(i + counted);
    const way = ['below', 'under', 'beneath', 'underneath'].includes(word) ? 'below' : word === 'above' ? 'above' : null;
    const name = way ? this.anyAt(i + counted + 1) : null;
    if (way && counted && !name && this.round?.is === 'centred') {
      this.height = { is: 'beside', of: this.round.of, rounds: number!, way };
      return counted + 1;
    }
    if (!way || !name || !(counted || this.known(name.named))) return 0;
    this.height = { is: 'beside', of: name.named, rounds: counted ? number! : 1, way };
    return counted + 1 + name.length;
  }

  private known({ name, part }: Named): boolean {
    return part !== null || /^(?:eye|nose|mouth|beak|snout|muzzle)s?$/i.test(name);
  }

  /** "between R9 and R10", "R12 to R18", "over rounds 5-7", "the third and fourth round". */
  private roundsAt(i: number): number {
    const first = this.roundAt(i);
    if (!first) return 0;
    let end = i + first.length;
    let last: number | null = null;
    if (AND.has(this.key(end))) {
      const skip = this.key(end + 1) === 'the' ? 1 : 0;
      const second = this.roundAt(end + 1 + skip) ?? this.bareAt(end + 1 + skip);
      if (second) {
        last = second.number;
        end += 1 + skip + second.length;
      }
    }
    if (labelWord(this.tokens[end])) end++;
    const before = this.key(i - 1) === 'the' ? this.key(i - 2) : this.key(i - 1);
    const gap = last !== null && before === 'between' && last - first.number === 1;
    const [low, high] = [Math.min(first.number, last ?? first.number), Math.max(first.number, last ?? first.number)];
    this.height ??= gap ? { is: 'gap', below: low } : { is: 'rounds', first: low, last: high };
    return end - i;
  }

  private roundAt(i: number): { readonly number: number; readonly length: number } | null {
    if (labelWord(this.tokens[i])) {
      const number = wholeNumber(this.tokens[i + 1]);
      return number === null ? null : { number, length: 2 };
    }
    const [number, length] = ordinal(this.tokens, i);
    const after = this.tokens.slice(i + length, i + length + 5);
    return number !== null && after.some((token) => labelWord(token)) ? { number, length } : null;
  }

  private bareAt(i: number): { readonly number: number; readonly length: number } | null {
    const [nth, length] = ordinal(this.tokens, i);
    if (nth !== null) return { number: nth, length };
    const number = wholeNumber(this.tokens[i]);
    return number === null || STITCHES.has(this.key(i + 1)) ? null : { number, length: 1 };
  }

  /** "a quarter round left of the front", "6 stitches to the right of the eyes". */
  private asideAt(i: number): number {
    const fraction = fractionAt(this.tokens, i);
    const number = fraction ? null : numberOf(this.tokens[i]);
    if (!fraction && (number === null || !STITCHES.has(this.key(i + 1)))) return 0;
    const from = i + (fraction ? fraction.length : 2);
    let at = from;
    while (at < from + 6 && ['round', 'turn', 'of', 'the', 'a', 'way', 'to', 'about', 'on'].includes(this.key(at))) at++;
    const toward = this.key(at);
    if (toward !== 'left' && toward !== 'right') return 0;
    const aside: Aside = fraction ? { toward, turns: fraction.turns } : { toward, stitches: number! };
    at++;
    if (this.key(at) === 'side') at++;
    if (this.key(at) !== 'of' && this.key(at) !== 'from') {
      this.round = { is: 'side', of: 'front', aside };
      return at - i;
    }
    const side = this.sideNamed(at + 1);
    const name = side ? null : this.anyAt(at + 1);
    this.round = name ? { is: 'centred', of: name.named, aside } : { is: 'side', of: side?.side ?? 'front', aside };
    return at + 1 + (side ?? name ?? { length: 0 }).length - i;
  }

  private sideNamed(at: number): { readonly side: Side; readonly length: number } | null {
    const skip = ARTICLES.has(this.key(at)) ? 1 : 0;
    const side = SIDES.get(this.key(at + skip));
    const next = this.key(at + skip + 1);
    return side && !/^loops?$/.test(next) ? { side, length: skip + 1 + (next === 'side' ? 1 : 0) } : null;
  }

  /** "centred between the Eyes", "between the eyes", "over the beak", "opposite the start". */
  private betweenAt(i: number): number {
    const key = this.key(i);
    if (key === 'opposite') {
      const skip = this.key(i + 1) === 'to' ? 1 : 0;
      const side = this.sideNamed(i + 1 + skip);
      const name = side ? null : this.anyAt(i + 1 + skip);
      if (side) this.round = { is: 'side', of: OPPOSITE[side.side], aside: null };
      else if (name) this.round = { is: 'opposite', of: name.named };
      return side || name ? 1 + skip + (side ?? name)!.length : 0;
    }
    const centred = ['centred', 'centered', 'centre', 'center', 'middle'].includes(key);
    const at = centred ? i + 1 : i;
    const leads = this.key(at) === 'between' || (centred && ['over', 'on', 'under', 'below', 'with'].includes(this.key(at)));
    const name = leads ? this.anyAt(at + 1) : null;
    if (!name || labelWord(this.tokens[at + 1]) || this.roundAt(at + 1) || (!centred && !this.known(name.named))) return 0;
    this.round = { is: 'centred', of: name.named, aside: null };
    return at + 1 + name.length - i;
  }

  /** "9 stitches between them", "4 sts apart", "4 apart". */
  private apartAt(i: number): number {
    const number = numberOf(this.tokens[i]);
    if (number === null || !Number.isInteger(number)) return 0;
    const unit = STITCHES.has(this.key(i + 1)) ? 1 : 0;
    const word = this.key(i + 1 + unit);
    const reading: Apart['reading'] | null =
      word === 'apart' ? 'unsaid' : unit && (word === 'between' || word === 'free') ? 'between' : null;
    if (!reading) return 0;
    this.round = { is: 'apart', apart: { count: number, reading }, side: 'front' };
    return 2 + unit + (this.key(i + 2 + unit) === 'them' ? 1 : 0);
  }

  /** "evenly", "evenly from the front", "stitches 1 to 17". */
  private spreadAt(i: number): number {
    if (STITCHES.has(this.key(i)) && wholeNumber(this.tokens[i + 1]) !== null && AND.has(this.key(i + 2))) {
      const [first, last] = [wholeNumber(this.tokens[i + 1])!, wholeNumber(this.tokens[i + 3])];
      if (last === null) return 0;
      this.round = { is: 'stitches', first: Math.min(first, last), last: Math.max(first, last) };
      return 4;
    }
    if (this.key(i) !== 'evenly') return 0;
    const from = this.tokens.findIndex(({ key }, at) => at > i && at <= i + 4 && key === 'from');
    const side = from < 0 ? null : this.sideNamed(from + 1);
    if (this.round?.is !== 'stitches') this.round = { is: 'evenly', from: side?.side ?? 'front' };
    return side ? from + 1 + side.length - i : 1;
  }

  /** "after stitch 14 and after stitch 23". */
  private afterAt(i: number): number {
    if (this.key(i) !== 'after' || !STITCHES.has(this.key(i + 1))) return 0;
    const stitches: number[] = [];
    let at = i;
    for (;;) {
      let next = at;
      while (['after', 'and', ',', ...STITCHES].includes(this.key(next))) next++;
      const number = wholeNumber(this.tokens[next]);
      if (number === null || next === at) break;
      stitches.push(number);
      at = next + 1;
    }
    if (stitches.length === 0) return 0;
    this.round = { is: 'after', stitches };
    return at - i;
  }

  private sideAt(i: number): number {
    const key = this.key(i);
    if (
      ['each', 'either', 'both', 'the'].includes(key) &&
      /^sides?$/.test(this.key(i + 1)) &&
      !(key === 'the' && this.key(i + 1) === 'side')
    ) {
      this.round ??= { is: 'sides' };
      return 2;
    }
    if (!['at', 'in', 'on', 'to', 'towards'].includes(key)) return 0;
    const side = this.sideNamed(i + 1);
    if (!side || this.nameAt(i + 1)) return 0;
    if (this.round?.is === 'apart') this.round = { ...this.round, side: side.side };
    else this.round ??= { is: 'side', of: side.side, aside: null };
    return 1 + side.length;
  }

  /** "in the middle of the base", "along the edge". */
  private endAt(i: number): number {
    const key = this.key(i);
    if (key === 'open' && this.key(i + 1) === 'edge') {
      this.join ??= 'sewn';
      return 2;
    }
    if (['middle', 'centre', 'center'].includes(key) && (this.key(i + 1) === 'of' || i + 1 >= this.tokens.length)) {
      const base = ['base', 'bottom', 'start', 'disc', 'sole'].includes(this.key(i + 3));
      if (!base) return 0;
      this.height ??= { is: 'start' };
      return 4;
    }
    const edge = ['along', 'on', 'round', 'to', 'at'].includes(key) && ['edge', 'rim', 'brim'].includes(this.key(i + 2));
    if (!edge || !ARTICLES.has(this.key(i + 1))) return 0;
    this.height ??= { is: 'edge' };
    return 3;
  }

  private tipAt(i: number): number {
    if (!POINTS.has(this.key(i))) return 0;
    const skip = this.key(i + 1) === 'to' || this.key(i + 1) === 'the' ? 1 : 0;
    const tip = TIPS.get(this.key(i + 1 + skip)) ?? (this.key(i + 2) === 'the' ? TIPS.get(this.key(i + 3)) : undefined);
    if (!tip) return 0;
    this.tip ??= tip;
    return 2 + skip;
  }

  private joinAt(i: number): number {
    for (const [words, join] of JOINS)
      if (words.every((word, k) => this.key(i + k) === word)) {
        if (this.join === null || this.join === 'sewn') this.join = join;
        return words.length;
      }
    return 0;
  }

  private countAt(i: number): number {
    const number = numberOf(this.tokens[i]);
    const next = this.key(i + 1);
    if (
      number === null ||
      !Number.isInteger(number) ||
      number < 1 ||
      !['on', 'along', 'evenly', 'of', 'over', ','].includes(next)
    )
      return 0;
    if (this.tokens[i - 1]?.kind === 'word') return 0;
    this.count ??= number;
    return 1;
  }

  private hostAt(i: number, subject: Named): number {
    if (!PREPOSITIONS.has(this.key(i)) || ENDS.has(this.key(i))) return 0;
    const name = this.nameAt(i + 1);
    if (!name || (name.named.part === subject.part && name.named.copy === null)) return 0;
    this.host ??= name.named;
    return 1 + name.length;
  }
}

const OPPOSITE: Readonly<Record<Side, Side>> = { front: 'back', back: 'front', left: 'right', right: 'left', start: 'front' };

const JOINS: readonly (readonly [readonly string[], Join])[] = (
  [
    ['worked in', 'worked in'],
    ['edge to edge', 'edge to edge'],
    ['made in place', 'made in place'],
    ['sewn flat', 'sewn flat'],
    ['pressed flat', 'sewn flat'],
    ['lying flat', 'sewn flat'],
    ['whipped', 'whipped'],
    ['whip', 'whipped'],
    ['embroidered', 'embroidered'],
    ['embroider', 'embroidered'],
    ['pushed in', 'pushed in'],
    ['knotted', 'tied'],
    ['tied', 'tied'],
    ['glued', 'glued'],
    ['glue', 'glued'],
    ['tie', 'tied'],
    ['knot', 'tied'],
    ['sewn', 'sewn'],
    ['sew', 'sewn'],
  ] as const
).map(([words, join]) => [words.split(' '), join]);

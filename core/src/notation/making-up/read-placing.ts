import type { Apart } from '../facts.js';
import { labelWord } from '../label-word.js';
import { wholeNumber } from '../ordinals.js';
import { numberOf, type Token } from '../tokens.js';
import { fractionAt } from './fraction.js';
import { ARTICLES, isKnown, PlaceWords, PREPOSITIONS, STITCHES, type PartName } from './place-words.js';
import type { Aside, Height, Join, Named, Placing, Round, Side, Tip } from './placing.js';

export interface PlaceContext {
  readonly names: readonly PartName[];
  /** The part that a note stands in; null in the making-up. */
  readonly of: number | null;
}

/** Only words with one of these can place anything. */
export const TELLS_PLACE =
  /\b(?:sew|sewn|attach|position|pin|mirror|stitch|join|whip|place|set|put|tie|knot|glue|embroider|spread)/i;

/** Where a line places something, as far as it says; null where it does not. Order and filling words do not matter. */
export function placingIn(tokens: readonly Token[], context: PlaceContext): Placing | null {
  const reader = new PlaceReader(tokens, context);
  return reader.read();
}

const VERBS: ReadonlySet<string> = new Set(
  'sew attach place pin set position join stitch put add glue embroider tie knot whip fix insert spread'.split(' '),
);
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

class PlaceReader {
  private host: Named | null = null;
  private height: Height | null = null;
  private round: Round | null = null;
  private count: number | null = null;
  private mirrors: Named | null = null;
  private tip: Tip | null = null;
  private join: Join | null = null;

  private readonly words: PlaceWords;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly context: PlaceContext,
  ) {
    this.words = new PlaceWords(tokens, context.names);
  }

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

  /** What is placed, and where the words about its place begin; sure where a colon follows the name, asked where a verb stands before it. */
  private subject(): { readonly subject: Named; readonly at: number; readonly sure: boolean; readonly asked: boolean } | null {
    const colon = this.tokens.findIndex(({ key }) => key === ':');
    const first = this.tokens.findIndex(({ kind, key }) => kind !== 'mark' && key !== 'then' && key !== 'now');
    if (first < 0) return null;
    if (colon > first && colon - first <= 6) {
      const whole = this.words.named(first, colon);
      if (whole) return { subject: whole, at: colon + 1, sure: true, asked: false };
    }
    if (VERBS.has(this.words.key(first))) {
      this.joinAt(first);
      return this.afterVerb(first + 1);
    }
    const name = this.words.nameAt(first);
    if (name) return { subject: name.named, at: first + name.length, sure: false, asked: false };
    const feature = this.words.featureAt(first);
    const verb = ['is', 'are', 'go', 'goes', 'sit', 'along', ','].includes(this.words.key(first + (feature?.length ?? 0)));
    return feature && verb ? { subject: feature.named, at: first + feature.length, sure: false, asked: false } : null;
  }

  private afterVerb(at: number): ReturnType<PlaceReader['subject']> {
    const number = numberOf(this.tokens[at + (ARTICLES.has(this.words.key(at)) ? 1 : 0)]);
    if (number !== null && Number.isInteger(number)) this.count = number;
    const skip = number === null ? 0 : ARTICLES.has(this.words.key(at)) ? 2 : 1;
    const name =
      this.words.nameAt(at + skip) ?? (PREPOSITIONS.has(this.words.key(at + skip)) ? null : this.words.featureAt(at + skip));
    if (name) return { subject: name.named, at: at + skip + name.length, sure: false, asked: true };
    const { of } = this.context;
    return of === null ? null : { subject: this.own(of), at, sure: false, asked: true };
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
    const own = /^mirror(?:s|ed|ing)?$/.test(this.words.key(i));
    if (!own) return 0;
    const skip = ['of', 'image', 'to'].filter((word) => this.words.key(i + 1) === word || this.words.key(i + 2) === word).length;
    const name = this.words.anyAt(i + 1 + skip);
    if (!name) return 0;
    this.mirrors = name.named;
    return 1 + skip + name.length;
  }

  /** "one round below the eyes", "under the beak". */
  private besideAt(i: number): number {
    const number = numberOf(this.tokens[i]);
    const counted = number !== null && labelWord(this.tokens[i + 1]) !== null ? 2 : 0;
    const word = this.words.key(i + counted);
    const way = ['below', 'under', 'beneath', 'underneath'].includes(word) ? 'below' : word === 'above' ? 'above' : null;
    const name = way ? this.words.anyAt(i + counted + 1) : null;
    if (way && counted && !name && this.round?.is === 'centred') {
      this.height = { is: 'beside', of: this.round.of, rounds: number!, way };
      return counted + 1;
    }
    if (!way || !name || !(counted || isKnown(name.named))) return 0;
    this.height = { is: 'beside', of: name.named, rounds: counted ? number! : 1, way };
    return counted + 1 + name.length;
  }

  /** "between R9 and R10", "R12 to R18", "over rounds 5-7", "the third and fourth round". */
  private roundsAt(i: number): number {
    const first = this.words.roundAt(i);
    if (!first) return 0;
    let end = i + first.length;
    let last: number | null = null;
    if (AND.has(this.words.key(end))) {
      const skip = this.words.key(end + 1) === 'the' ? 1 : 0;
      const second = this.words.roundAt(end + 1 + skip) ?? this.words.bareAt(end + 1 + skip);
      if (second) {
        last = second.number;
        end += 1 + skip + second.length;
      }
    }
    if (labelWord(this.tokens[end])) end++;
    const before = this.words.key(i - 1) === 'the' ? this.words.key(i - 2) : this.words.key(i - 1);
    const gap = last !== null && before === 'between' && last - first.number === 1;
    const [low, high] = [Math.min(first.number, last ?? first.number), Math.max(first.number, last ?? first.number)];
    this.height ??= gap ? { is: 'gap', below: low } : { is: 'rounds', first: low, last: high };
    return end - i;
  }

  /** "a quarter round left of the front", "6 stitches to the right of the eyes". */
  private asideAt(i: number): number {
    const fraction = fractionAt(this.tokens, i);
    const number = fraction ? null : numberOf(this.tokens[i]);
    if (!fraction && (number === null || !STITCHES.has(this.words.key(i + 1)))) return 0;
    const from = i + (fraction ? fraction.length : 2);
    let at = from;
    while (at < from + 6 && ['round', 'turn', 'of', 'the', 'a', 'way', 'to', 'about', 'on'].includes(this.words.key(at))) at++;
    const toward = this.words.key(at);
    if (toward !== 'left' && toward !== 'right') return 0;
    const aside: Aside = fraction ? { toward, turns: fraction.turns } : { toward, stitches: number! };
    at++;
    if (this.words.key(at) === 'side') at++;
    if (this.words.key(at) !== 'of' && this.words.key(at) !== 'from') {
      this.round = { is: 'side', of: 'front', aside };
      return at - i;
    }
    const side = this.words.sideNamed(at + 1);
    const name = side ? null : this.words.anyAt(at + 1);
    this.round = name ? { is: 'centred', of: name.named, aside } : { is: 'side', of: side?.side ?? 'front', aside };
    return at + 1 + (side ?? name ?? { length: 0 }).length - i;
  }

  /** "centred between the Eyes", "between the eyes", "over the beak", "opposite the start". */
  private betweenAt(i: number): number {
    const key = this.words.key(i);
    if (key === 'opposite') {
      const skip = this.words.key(i + 1) === 'to' ? 1 : 0;
      const side = this.words.sideNamed(i + 1 + skip);
      const name = side ? null : this.words.anyAt(i + 1 + skip);
      if (side) this.round = { is: 'side', of: OPPOSITE[side.side], aside: null };
      else if (name) this.round = { is: 'opposite', of: name.named };
      return side || name ? 1 + skip + (side ?? name)!.length : 0;
    }
    const centred = ['centred', 'centered', 'centre', 'center', 'middle'].includes(key);
    const at = centred ? i + 1 : i;
    const leads =
      this.words.key(at) === 'between' || (centred && ['over', 'on', 'under', 'below', 'with'].includes(this.words.key(at)));
    const name = leads ? this.words.anyAt(at + 1) : null;
    if (!name || labelWord(this.tokens[at + 1]) || this.words.roundAt(at + 1) || (!centred && !isKnown(name.named))) return 0;
    this.round = { is: 'centred', of: name.named, aside: null };
    return at + 1 + name.length - i;
  }

  /** "9 stitches between them", "4 sts apart", "4 apart". */
  private apartAt(i: number): number {
    const number = numberOf(this.tokens[i]);
    if (number === null || !Number.isInteger(number)) return 0;
    const unit = STITCHES.has(this.words.key(i + 1)) ? 1 : 0;
    const word = this.words.key(i + 1 + unit);
    const reading: Apart['reading'] | null =
      word === 'apart' ? 'unsaid' : unit && (word === 'between' || word === 'free') ? 'between' : null;
    if (!reading) return 0;
    this.round = { is: 'apart', apart: { count: number, reading }, side: 'front' };
    return 2 + unit + (this.words.key(i + 2 + unit) === 'them' ? 1 : 0);
  }

  /** "evenly", "evenly from the front", "stitches 1 to 17". */
  private spreadAt(i: number): number {
    if (STITCHES.has(this.words.key(i)) && wholeNumber(this.tokens[i + 1]) !== null && AND.has(this.words.key(i + 2))) {
      const [first, last] = [wholeNumber(this.tokens[i + 1])!, wholeNumber(this.tokens[i + 3])];
      if (last === null) return 0;
      this.round = { is: 'stitches', first: Math.min(first, last), last: Math.max(first, last) };
      return 4;
    }
    if (this.words.key(i) !== 'evenly') return 0;
    const from = this.tokens.findIndex(({ key }, at) => at > i && at <= i + 4 && key === 'from');
    const side = from < 0 ? null : this.words.sideNamed(from + 1);
    if (this.round?.is !== 'stitches') this.round = { is: 'evenly', from: side?.side ?? 'front' };
    return side ? from + 1 + side.length - i : 1;
  }

  /** "after stitch 14 and after stitch 23". */
  private afterAt(i: number): number {
    if (this.words.key(i) !== 'after' || !STITCHES.has(this.words.key(i + 1))) return 0;
    const stitches: number[] = [];
    let at = i;
    for (;;) {
      let next = at;
      while (['after', 'and', ',', ...STITCHES].includes(this.words.key(next))) next++;
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
    const key = this.words.key(i);
    if (
      ['each', 'either', 'both', 'the'].includes(key) &&
      /^sides?$/.test(this.words.key(i + 1)) &&
      !(key === 'the' && this.words.key(i + 1) === 'side')
    ) {
      this.round ??= { is: 'sides' };
      return 2;
    }
    if (!['at', 'in', 'on', 'to', 'towards'].includes(key)) return 0;
    const side = this.words.sideNamed(i + 1);
    if (!side || this.words.nameAt(i + 1)) return 0;
    if (this.round?.is === 'apart') this.round = { ...this.round, side: side.side };
    else this.round ??= { is: 'side', of: side.side, aside: null };
    return 1 + side.length;
  }

  /** "in the middle of the base", "along the edge". */
  private endAt(i: number): number {
    const key = this.words.key(i);
    if (key === 'open' && this.words.key(i + 1) === 'edge') {
      this.join ??= 'sewn';
      return 2;
    }
    if (['middle', 'centre', 'center'].includes(key) && (this.words.key(i + 1) === 'of' || i + 1 >= this.tokens.length)) {
      const base = ['base', 'bottom', 'start', 'disc', 'sole'].includes(this.words.key(i + 3));
      if (!base) return 0;
      this.height ??= { is: 'start' };
      return 4;
    }
    const edge = ['along', 'on', 'round', 'to', 'at'].includes(key) && ['edge', 'rim', 'brim'].includes(this.words.key(i + 2));
    if (!edge || !ARTICLES.has(this.words.key(i + 1))) return 0;
    this.height ??= { is: 'edge' };
    return 3;
  }

  private tipAt(i: number): number {
    if (!POINTS.has(this.words.key(i))) return 0;
    const skip = this.words.key(i + 1) === 'to' || this.words.key(i + 1) === 'the' ? 1 : 0;
    const tip =
      TIPS.get(this.words.key(i + 1 + skip)) ?? (this.words.key(i + 2) === 'the' ? TIPS.get(this.words.key(i + 3)) : undefined);
    if (!tip) return 0;
    this.tip ??= tip;
    return 2 + skip;
  }

  private joinAt(i: number): number {
    for (const [words, join] of JOINS)
      if (words.every((word, k) => this.words.key(i + k) === word)) {
        if (this.join === null || this.join === 'sewn') this.join = join;
        return words.length;
      }
    return 0;
  }

  private countAt(i: number): number {
    const number = numberOf(this.tokens[i]);
    const next = this.words.key(i + 1);
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
    if (!PREPOSITIONS.has(this.words.key(i)) || ENDS.has(this.words.key(i))) return 0;
    const name = this.words.nameAt(i + 1);
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

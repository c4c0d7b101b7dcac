import { BOUNDS } from './bounds.js';
import { chainCountsByPlace } from './chains.js';
import type { Doubt, ReadingDiagnostic } from './diagnostic.js';
import type { Meaning } from './phrases.js';
import type { Chain, Cluster, Close, Group, Item, OpenRun, Start, Stated, Times, Work } from './pattern.js';
import { PlaceReader, type SameAs } from './read-place.js';
import { CLOSER_OF, SEPARATORS, type Closer, type Into, type RoundContext } from './round-cursor.js';
import { join } from './span.js';
import type { Loop, StitchName } from './stitch.js';
import { numberOf, type Token } from './tokens.js';
import type { Match } from './vocabulary.js';

export interface RoundReading {
  readonly items: readonly Item[];
  readonly stated: Stated | null;
  readonly open: OpenRun | null;
  readonly same: SameAs | null;
  /** What could also have been meant, each worth a second reading with `otherwise`. */
  readonly doubts: ReadonlySet<Doubt>;
}

type WorkedMeaning = Extract<Meaning, { is: 'stitch' | 'increase' | 'decrease' }>;

/**
 * Reads what is worked in one round from its tokens (without the label).
 * What cannot be read goes to `report` with its place; the rest is kept.
 */
export function readRound(
  text: string,
  tokens: readonly Token[],
  context: RoundContext,
  report: (diagnostic: ReadingDiagnostic) => void,
): RoundReading {
  return new RoundReader(text, tokens, context, report).read();
}

/** Recursive descent over one line's tokens: `sequence` reads items, each item reads its own suffixes. */
class RoundReader extends PlaceReader {
  private stated: Stated | null = null;

  read(): RoundReading {
    const said = this.context.foundation;
    if (said?.from === 'chain' && said.sides === 1 && this.doubtful('oval')) this.foundation = { ...said, sides: 2 };
    const items = this.settled(this.sequence(null, 0));
    if (this.awaiting) this.unreadError(this.awaiting.span);
    const { stated, open, same, doubts } = this;
    return { items, stated, open, same, doubts };
  }

  /** Puts the foundation in front, a chain before a ring into its start, and decides which chains count. */
  private settled(read: readonly Item[]): Item[] {
    const colours = read.findIndex((item) => item.kind !== 'colour');
    const at = colours < 0 ? read.length : colours;
    const items = this.foundation ? [...read.slice(0, at), this.foundation, ...read.slice(at)] : [...read];
    const start = items.findIndex((item) => item.kind === 'start');
    const lifted = items.findIndex((item, i) => item.kind === 'chain' && item.count === 1 && i < start);
    if (lifted >= 0) {
      const chain = items[lifted] as Chain;
      const counted = this.unsaid.has(chain) ? this.doubtful('chain') : chain.counted;
      const own = items[start] as Start;
      items[start] = { ...own, chain: counted ? 'counted' : 'loose', span: join(chain.span, own.span) };
      items.splice(lifted, 1);
    }
    return items.map((item, i) => {
      if (item.kind === 'group') return this.withChains(item);
      if (item.kind !== 'chain' || !this.unsaid.has(item)) return item;
      const byPlace = chainCountsByPlace(items, i);
      const turns = items[i + 1]?.kind === 'close';
      return { ...item, counted: !turns && this.doubtful('chain') ? !byPlace : byPlace };
    });
  }

  private withChains(group: Group): Group {
    const items = group.items.map((item) => {
      if (item.kind === 'group') return this.withChains(item);
      return item.kind === 'chain' && this.unsaid.has(item) ? { ...item, counted: !this.doubtful('chain') } : item;
    });
    return { ...group, items };
  }

  private sequence(closer: Closer | null, depth: number): Item[] {
    const items: Item[] = [];
    let scope: Loop = 'both';
    let once: Loop = 'both';
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.key === closer) break;
      if (closer === '*' && this.is('from star')) break;
      if (depth === 0 && this.readStated(items.length > 0 || this.same !== null)) {
        items.push(...this.afterStated(items));
        break;
      }
      if (SEPARATORS.has(token.key) && !this.negative()) {
        this.at++;
        continue;
      }
      const left = depth === 0 ? this.leftLoopsAt(this.at) : null;
      if (left) {
        this.foundation = left.foundation;
        this.at += left.length;
        continue;
      }
      const loop = this.loopPrefix();
      if (loop) {
        if (loop.rest) scope = loop.loop;
        else once = loop.loop;
        continue;
      }
      const before = this.at;
      const read = this.item(depth, items);
      if (this.at === before) this.at++;
      const wanted = once === 'both' ? scope : once;
      items.push(...read.map((item) => inLoop(item, wanted)));
      if (read.length > 0) once = 'both';
    }
    return items;
  }

  /** "-2 sc": a minus that belongs to a number is no separator. */
  private negative(): boolean {
    const [minus, number] = [this.tokens[this.at]!, this.tokens[this.at + 1]];
    const spaced = this.at > 0 && this.tokens[this.at - 1]!.to === minus.from;
    return minus.key === '-' && number?.kind === 'number' && number.from === minus.to && !spaced && this.statedLength(true) === 0;
  }

  private item(depth: number, items: Item[]): Item[] {
    const token = this.tokens[this.at]!;
    if (token.key === '-') return this.negativeCount(token);
    const code = this.colourCode(token);
    if (code > 0) {
      this.at += code;
      return [{ kind: 'colour', name: this.context.colours.get(this.codeAt(token))!, span: this.spanFrom(token.from) }];
    }
    if (token.key === '(' || token.key === '[' || token.key === '*') return this.group(depth);
    if (token.key === ')' || token.key === ']') {
      this.at++;
      this.error({ code: 'unopened', closer: token.text }, token);
      return [];
    }
    const phrase = this.phrase();
    if (phrase && (token.kind !== 'number' || isWorked(phrase.meaning))) return this.phrased(phrase, token, items);
    const number = numberOf(token);
    if (number !== null) return this.counted(number, token, depth, items);
    return phrase ? this.phrased(phrase, token, items) : this.unread();
  }

  private negativeCount(minus: Token): Item[] {
    const number = this.tokens[this.at + 1]!;
    const span = join(minus, number);
    this.at += 2;
    this.error({ code: 'bad-count', text: this.words(span), most: BOUNDS.count }, span);
    return [];
  }

  /** Tokens that a colour's letter takes here: "A", "(A)", "A:"; 0 when it is none. */
  private colourCode(token: Token): number {
    const closer = CLOSER_OF[token.key];
    const at = this.at + (closer ? 1 : 0);
    const code = this.tokens[at];
    if (!code || !this.context.colours.has(code.text)) return 0;
    if (closer) return this.tokens[at + 1]?.key === closer ? 3 : 0;
    return this.tokens[at + 1]?.key === ':' ? 2 : 1;
  }

  private codeAt(token: Token): string {
    return CLOSER_OF[token.key] ? this.tokens[this.tokens.indexOf(token) + 1]!.text : token.text;
  }

  private phrased({ meaning, length }: Match, token: Token, items: Item[]): Item[] {
    switch (meaning.is) {
      case 'stitch':
      case 'increase':
      case 'decrease':
        this.at += length;
        return this.worked(meaning, null, token.from, items);
      case 'ring':
        this.awaiting = { from: 'ring', span: this.spanOf(length) };
        this.at += length;
        return [];
      case 'chain':
        return this.chain(length, items);
      case 'starting':
      case 'along':
      case 'into':
        return this.where(length, token);
      case 'nth chain':
        this.into();
        return [];
      case 'other side':
        this.otherSide(length);
        return [];
      case 'edge':
      case 'layers':
        this.at += length;
        this.workedOn(meaning.is, token.from);
        return [];
      case 'pick up':
        this.pickUp(length);
        return [];
      case 'join':
        return this.join(length, token, items);
      case 'close join':
        return this.closeOrBridge(length, token, items);
      case 'turn':
        return [this.close('turn', length, token)];
      case 'skip':
        return this.skip(length, token);
      case 'colour':
        this.at += length;
        return this.colour(token);
      case 'with':
        return this.withSomething(token, length);
      case 'remark':
        return [this.remark(token)];
      case 'until':
        return this.until(token);
      case 'as liked':
        this.open = { mm: null };
        this.at += length;
        return [];
      case 'same':
      case 'filler':
        return this.filler(length, token, meaning.is === 'same');
      default:
        return this.unread();
    }
  }

  private filler(length: number, token: Token, same: boolean): Item[] {
    if (this.sameAs(this.at + length, token)) return [];
    if (same) return this.unread();
    this.at += length;
    return [];
  }

  /** Words that say where the stitches go and change no count: "starting in 2nd ch from hook", "along the chain". */
  private where(length: number, token: Token): Item[] {
    const { meaning } = this.phrase()!;
    const back = this.at;
    this.at += length;
    if (meaning.is === 'along') {
      this.passPart();
      return [];
    }
    const place = this.into();
    if (place?.into === 'chain') this.firstChain(place.nth);
    else if (meaning.is === 'into' && !place) {
      this.at = back;
      return this.unread();
    } else if (!place) return [this.remark(token)];
    return [];
  }

  private passPart(): void {
    const part = this.partReference(this.at);
    if (part) this.at += part.length;
    else if (this.tokens[this.at]?.key === 'leg') this.at++;
  }

  private closeOrBridge(length: number, token: Token, items: Item[]): Item[] {
    if (this.partReference(this.at + length) && this.tokens[this.at]!.key === 'join') return this.join(1, token, items);
    return [this.close('join', length, token)];
  }

  private close(how: Close['how'], length: number, token: Token): Close {
    this.at += length;
    return { kind: 'close', how, span: this.spanFrom(token.from) };
  }

  /** "3 sc", "6 in ring", "6 × (…)". */
  private counted(number: number, token: Token, depth: number, items: Item[]): Item[] {
    const count = this.checkedCount(number, token);
    this.at++;
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'times') {
      const opener = this.tokens[this.at + phrase.length]?.key;
      if (opener === '(' || opener === '[' || opener === '*') {
        this.at += phrase.length;
        return this.group(depth, { times: count, from: token.from });
      }
      const after = this.phrase(this.at + phrase.length);
      if (after && isWorked(after.meaning)) {
        this.at += phrase.length + after.length;
        return this.worked(after.meaning, count, token.from, items);
      }
    }
    if (phrase?.meaning.is === 'chain') {
      this.at += phrase.length;
      return this.chains(count, this.spanFrom(token.from), items);
    }
    if (phrase?.meaning.is === 'skip') {
      this.at += phrase.length;
      return [{ kind: 'skip', count, span: this.spanFrom(token.from) }];
    }
    if (phrase && isWorked(phrase.meaning)) {
      this.at += phrase.length;
      return this.worked(phrase.meaning, count, token.from, items);
    }
    const from = this.awaiting?.from;
    if (from) return [this.start(from, 'sc', count, token.from)];
    if (phrase?.meaning.is === 'with' && this.is('ring', this.at + phrase.length)) {
      this.into();
      return [this.start('ring', 'sc', count, token.from)];
    }
    const after = this.tokens[this.at];
    const rest = this.skipToSeparator();
    const span = { from: token.from, to: rest.to };
    const words = this.words(rest).trim();
    const word = after ?? rest;
    if (words && !phrase) {
      const meant = after?.kind === 'word' ? this.meant(after) : null;
      this.error({ code: 'unknown-stitch', text: words, count, meant, word: { from: word.from, to: word.to } }, span);
    } else this.unreadError(span);
    return [];
  }

  /** The suffixes of a stitch already named: its count, where it goes, its loop. */
  private worked(meaning: WorkedMeaning, lead: number | null, from: number, items: readonly Item[]): Item[] {
    let count: Times | null = null;
    let into: Into | null = null;
    let loop: Loop = 'both';
    let through: string | null = null;
    for (;;) {
      const times: Times | null = count === null ? this.times() : null;
      if (times !== null) {
        count = times;
        continue;
      }
      if (count === null && lead === null && into === null) {
        const bare = this.bareCount();
        if (bare !== null) {
          count = bare;
          continue;
        }
      }
      if (this.foundation !== null || !this.leftLoopsAt(this.at)) {
        const suffix = this.loopSuffix();
        if (suffix) {
          loop = suffix;
          continue;
        }
      }
      const phrase = this.phrase();
      if (phrase?.meaning.is === 'through') {
        this.at += phrase.length;
        through = this.limb(items);
        continue;
      }
      if (phrase?.meaning.is === 'starting' || phrase?.meaning.is === 'along') {
        this.where(phrase.length, this.tokens[this.at]!);
        continue;
      }
      const place: Into | null = into === null || phrase?.meaning.is === 'around' ? this.into() : null;
      if (!place) break;
      if (place.into === 'edge' || place.into === 'layers') this.workedOn(place.into, from);
      else into = place;
    }
    if (count === null && lead === null && into === null && (this.is('until') || this.is('as liked'))) count = 'around';
    const span = this.spanFrom(from);
    const base: StitchName = meaning.stitch ?? 'sc';
    const number = typeof count === 'number' ? count : (lead ?? 1);
    if (into?.into === 'ring') return [this.start('ring', base, number, from)];
    if (into?.into === 'chain' && this.foundation?.from !== 'chain') return [this.start('chain 2', base, number, from)];
    if (this.awaiting && meaning.is === 'stitch' && !into) return [this.start(this.awaiting.from, base, number, from)];
    if (into?.into === 'chain') {
      this.firstChain(into.nth);
      into = { into: 'one' };
    }
    const whole: Omit<Work, 'per' | 'together' | 'count'> = {
      kind: 'work',
      stitch: base,
      school: meaning.is === 'decrease' ? meaning.school : 'open',
      loop,
      through,
      span,
    };
    return [...this.placed(whole, meaning, { lead, count, into }), ...this.sameInMore(whole, meaning, into)];
  }

  /** "sc in 2nd ch from hook and in each ch across": the same stitch in a second place. */
  private sameInMore(whole: Omit<Work, 'per' | 'together' | 'count'>, meaning: WorkedMeaning, first: Into | null): Item[] {
    const back = this.at;
    if (!first || this.tokens[this.at]?.key !== 'and' || !this.is('with', this.at + 1)) return [];
    this.at++;
    const from = this.tokens[this.at]!.from;
    const into = this.into();
    if (into && into.into !== 'ring' && into.into !== 'chain')
      return this.placed({ ...whole, span: this.spanFrom(from) }, meaning, { lead: null, count: null, into });
    this.at = back;
    return [];
  }

  /** Decides between "3 in each" and "one in each of 3" and the like. */
  private placed(
    whole: Omit<Work, 'per' | 'together' | 'count'>,
    meaning: WorkedMeaning,
    { lead, count, into }: { readonly lead: number | null; readonly count: Times | null; readonly into: Into | null },
  ): Item[] {
    const per = meaning.is === 'increase' ? meaning.per : 1;
    const together = meaning.is === 'decrease' ? meaning.together : 1;
    const { kind, stitch, school, loop, through, span } = whole;
    // Written out, as spreading objects takes most of the reading's time.
    const work = (own: Pick<Work, 'per' | 'together' | 'count'>): Item[] => [
      { kind, stitch, school, loop, through, span, per: own.per, together: own.together, count: own.count },
    ];
    if (into === null) return work({ per, together, count: count ?? lead ?? 1 });
    if (into.into === 'every') {
      const plain = into.step - together;
      const change: Work = { ...whole, per: lead !== null && lead > 1 ? lead : per, together, count: 1 };
      const before: Work = { ...whole, per: 1, together: 1, school: 'open', count: plain };
      return [{ kind: 'group', items: plain > 0 ? [before, change] : [change], times: 'around', span: whole.span }];
    }
    if (into.into === 'to last')
      return work({ per: lead !== null && lead > 1 ? lead : per, together, count: { toLast: into.count } });
    // "12 sc around" is twelve; "2 sc in each st around" is two in each.
    if (into.into === 'around' && lead !== null) return work({ per, together, count: lead });
    const spread: Times = into.into === 'each' || into.into === 'around' ? 'around' : into.into === 'next' ? into.count : 1;
    // "3 sc in next 3 sts" is one in each, "3 sc in each of next 3 sts" three; "dec over next 4 sts" is two decreases.
    const apart = into.into === 'next' && !into.each;
    const oneInEach = apart && lead === spread && lead > 1 && !this.doubtful('in-next');
    const several = meaning.is === 'stitch' && lead !== null && lead > 1 && !oneInEach;
    if (several) return work({ per: lead, together: 1, count: typeof count === 'number' && spread === 1 ? count : spread });
    if (spread === 1) return work({ per, together, count: count ?? lead ?? 1 });
    const fits = typeof spread === 'number' && spread % together === 0 ? spread / together : spread;
    return work({ per, together, count: fits });
  }

  private group(depth: number, prefix?: { readonly times: number; readonly from: number }): Item[] {
    const opener = this.tokens[this.at]!;
    const closer = CLOSER_OF[opener.key] ?? '*';
    if (depth >= BOUNDS.depth) {
      this.error({ code: 'too-deep' }, opener);
      this.at = this.tokens.length;
      return [];
    }
    this.at++;
    const star = closer === '*' ? 1 : 0;
    this.stars += star;
    const inside = this.sequence(closer, depth + 1);
    this.stars -= star;
    const closed = this.tokens[this.at]?.key === closer;
    if (closed) this.at++;
    else if (!this.is('from star')) this.unclosed(opener, closer, inside);
    const span = this.spanFrom(prefix?.from ?? opener.from);
    const items = inside.map((item) => this.withoutAround(item));
    if (!items.some((item) => item.kind === 'work' || item.kind === 'group' || item.kind === 'cluster' || item.kind === 'chain'))
      return items;
    const cluster = prefix ? null : this.cluster(items, opener.from);
    if (cluster) return [cluster];
    const repeat = prefix?.times ?? this.repeat();
    if (repeat === null && closed) this.report({ code: 'repeat-missing', severity: 'warning', span });
    const open = repeat !== null && typeof repeat !== 'number';
    if (open && depth > 0) this.error({ code: 'around-nested' }, span);
    const times = open && depth > 0 ? 1 : (repeat ?? 1);
    const group: Group = { kind: 'group', items, times, span: this.spanFrom(span.from) };
    return [inLoop(group, this.loopSuffix() ?? 'both')];
  }

  /** Where the missing mark most likely belongs: before the number of repeats, else after the last stitch. */
  private unclosed(opener: Token, closer: Closer, inside: readonly Item[]): void {
    const last = inside.at(-1);
    const closeAt = last?.kind === 'work' ? this.beforeTimes(last) : (last?.span.to ?? opener.to);
    this.error({ code: 'unclosed', opener: opener.text, closer, closeAt }, opener);
  }

  /** The end of an item without the "× 6" at its end. */
  private beforeTimes({ span }: Work): number {
    const own = this.tokens.filter((token) => token.from >= span.from && token.to <= span.to);
    const times = own.findIndex((token) => token.key === 'x');
    return times > 0 ? own[times - 1]!.to : span.to;
  }

  /** "(hdc, dc, tr) in next st": plain stitches in brackets that go into one stitch. */
  private cluster(items: readonly Item[], from: number): Cluster | null {
    const back = this.at;
    const place = this.into();
    const stitches = items.flatMap((item): Cluster['stitches'] => {
      if (item.kind === 'chain') return [{ stitch: 'ch', count: item.count }];
      const plain = item.kind === 'work' && item.per === 1 && item.together === 1 && typeof item.count === 'number';
      return plain ? [{ stitch: item.stitch, count: item.count as number }] : [];
    });
    const several = stitches.length > 1 || (stitches[0]?.count ?? 0) > 1;
    const count = place && stitches.length === items.length && several ? this.clusterTimes(place) : null;
    if (count === null) {
      this.at = back;
      return null;
    }
    const first = items[0]!;
    const loop = this.loopSuffix() ?? (first.kind === 'work' ? first.loop : 'both');
    return { kind: 'cluster', stitches, count, loop, span: this.spanFrom(from) };
  }

  /** How often a cluster is worked at a place; null where the place repeats a group instead. */
  private clusterTimes(place: Into): Times | null {
    if (place.into === 'one') return this.times() ?? 1;
    if (place.into === 'next') return place.count;
    if (place.into === 'each') return 'around';
    return place.into === 'to last' && place.each ? { toLast: place.count } : null;
  }

  private withoutAround(item: Item): Item {
    if ((item.kind !== 'work' && item.kind !== 'cluster') || typeof item.count === 'number') return item;
    this.error({ code: 'around-nested' }, item.span);
    return { ...item, count: 1 };
  }

  /** How often a group just closed is worked; null when nothing says so. */
  private repeat(): Times | null {
    const back = this.at;
    while (SEPARATORS.has(this.tokens[this.at]?.key ?? '') && this.tokens[this.at]?.key !== '.') this.at++;
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'from star') {
      this.at += phrase.length;
      return this.repeatsSaid() ?? this.openEnd() ?? 'around';
    }
    if (phrase?.meaning.is === 'filler') {
      this.at += phrase.length;
      const times = this.repeatsSaid();
      if (times !== null) return times;
    }
    this.at = back;
    return this.times() ?? this.bareCount() ?? this.openEnd();
  }

  /** "repeat 5 times": five in all, unless once more fits better; "5 more times" leaves no doubt. */
  private repeatsSaid(): Times | null {
    const from = this.at;
    const times = this.times();
    if (typeof times !== 'number') return times;
    const more = this.tokens.slice(from, this.at).some((token) => token.key === 'more');
    return !more && this.doubtful('star-repeat') ? times + 1 : times;
  }

  /** "around", "in each st around", "to last 2 sts" after a group. */
  private openEnd(): Times | null {
    const back = this.at;
    const place = this.into();
    if (place?.into === 'around' || place?.into === 'each') return 'around';
    if (place?.into === 'to last') return { toLast: place.count };
    this.at = back;
    return null;
  }

  /** A loop said before its stitches. With a comma, colon or brackets it holds for the rest; else for the next item. */
  private loopPrefix(): { readonly loop: Loop; readonly rest: boolean } | null {
    const back = this.at;
    const bracket = CLOSER_OF[this.tokens[this.at]?.key ?? ''];
    if (bracket) this.at++;
    else if (this.tokens[this.at]?.key === 'working') this.at++;
    const loop = this.loopSuffix();
    const next = this.tokens[this.at]?.key;
    if (!loop || (bracket && next !== bracket)) {
      this.at = back;
      return null;
    }
    if (bracket) this.at++;
    return { loop, rest: bracket !== undefined || next === ',' || next === ':' };
  }

  private withSomething(token: Token, length: number): Item[] {
    const phrase = this.phrase(this.at + length);
    if (phrase?.meaning.is === 'ring' || (phrase && isWorked(phrase.meaning))) {
      this.at += length;
      return [];
    }
    const next = this.tokens[this.at + length];
    const code = next !== undefined && this.context.colours.has(next.text);
    const words = next?.kind === 'word' && (!phrase || phrase.meaning.is === 'filler' || code);
    if (!words) {
      if (!this.awaiting && phrase?.meaning.is !== 'remark') return this.placeAlone();
      this.at += length;
      return [];
    }
    this.at += length;
    return this.colour(token);
  }

  /** "in each st around" with its stitch named before a comma, as in "sc, in each st around", cannot be told apart. */
  private placeAlone(): Item[] {
    return this.unread();
  }

  /** What follows the stated total: colours, chains, joins and turns are read, any other sentence is a remark. */
  private afterStated(before: readonly Item[]): Item[] {
    const items: Item[] = [];
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.kind === 'mark' && token.key !== '(' && token.key !== '*') {
        this.at++;
        continue;
      }
      const phrase = this.phrase();
      const is = phrase?.meaning.is;
      if (
        phrase &&
        (is === 'colour' ||
          is === 'turn' ||
          is === 'close join' ||
          (is === 'chain' && numberOf(this.tokens[this.at + 1]) !== null))
      ) {
        items.push(...this.phrased(phrase, token, [...before, ...items]));
        continue;
      }
      while (this.at < this.tokens.length && this.tokens[this.at]!.key !== '.') this.at++;
      const span = { from: token.from, to: this.tokens[this.at - 1]!.to };
      items.push({ kind: 'remark', text: this.words(span), span });
    }
    return items;
  }

  private readStated(worked: boolean): boolean {
    const length = this.statedLength(worked);
    if (length === 0) return false;
    const span = this.spanOf(length);
    const token = this.tokens.slice(this.at, this.at + length).find((each) => each.kind === 'number')!;
    this.at += length;
    const count = Number(token.text);
    if (Number.isInteger(count) && count <= BOUNDS.partStitches) this.stated = { count, span };
    else this.error({ code: 'bad-count', text: token.text, most: BOUNDS.partStitches }, token);
    return true;
  }

  private unread(): Item[] {
    const first = this.tokens[this.at]!;
    const span = join(first, this.skipToSeparator());
    this.unreadError(span);
    return [];
  }
}

function isWorked(meaning: Meaning): meaning is WorkedMeaning {
  return meaning.is === 'stitch' || meaning.is === 'increase' || meaning.is === 'decrease';
}

/** The item with `loop` on every stitch in it that names no loop itself. */
function inLoop(item: Item, loop: Loop): Item {
  if (loop === 'both') return item;
  if (item.kind === 'work' || item.kind === 'cluster') return item.loop === 'both' ? { ...item, loop } : item;
  if (item.kind === 'group') return { ...item, items: item.items.map((each) => inLoop(each, loop)) };
  return item;
}

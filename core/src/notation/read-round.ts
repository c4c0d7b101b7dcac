import { BOUNDS } from '../bounds/index.js';
import { chainCountsByPlace } from './chains.js';
import type { Doubt, ReadingDiagnostic } from './diagnostic.js';
import type { Chain, Close, Group, Item, OpenRun, Start, Stated } from './pattern.js';
import { GroupReader, inLoop } from './read-group.js';
import type { SameAs } from './read-place.js';
import { isWorked } from './read-worked.js';
import { CLOSER_OF, SEPARATORS, type Closer, type RoundContext } from './round-cursor.js';
import { join, type Span } from './span.js';
import type { Loop } from './stitch.js';
import { numberOf, type Token } from './tokens.js';
import type { Match } from './vocabulary.js';

export interface RoundReading {
  readonly items: readonly Item[];
  readonly stated: Stated | null;
  readonly open: OpenRun | null;
  readonly same: SameAs | null;
  /** Rounds the line is for, where it says so after its stitches: "for 10 rounds". */
  readonly rounds: number | null;
  /** What could also have been meant, each worth a second reading with `otherwise`. */
  readonly doubts: ReadonlySet<Doubt>;
}

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
class RoundReader extends GroupReader {
  private stated: Stated | null = null;

  read(): RoundReading {
    const said = this.context.foundation;
    if (said?.from === 'chain' && said.sides === 1 && this.doubtful('oval')) this.foundation = { ...said, sides: 2 };
    const items = this.settled(this.sequence(null, 0));
    if (this.awaiting) this.unreadError(this.awaiting.span);
    const { stated, open, same, rounds, doubts } = this;
    return { items, stated, open, same, rounds, doubts };
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
    const last = items.findLastIndex((item) => item.kind !== 'remark' && item.kind !== 'colour');
    return items.map((item, i): Item => {
      if (i === last && isLoneSlip(item) && i > 0 && this.doubtful('last-slip'))
        return { kind: 'close', how: 'join', span: item.span };
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

  protected override sequence(closer: Closer | null, depth: number): Item[] {
    const items: Item[] = [];
    let scope: Loop = 'both';
    let once: Loop = 'both';
    while (this.at < this.tokens.length) {
      const token = this.tokens[this.at]!;
      if (token.key === closer) break;
      if (closer === '*' && this.is('from star')) break;
      if (depth === 0 && this.readStated(items.length > 0 || this.same !== null)) {
        // "R2 (12): inc × 6" says its total first.
        if (items.length === 0 && this.same === null) continue;
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
        this.otherSide(length, items);
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
      case 'even':
        this.at += length;
        return [plainRound(this.spanFrom(token.from))];
      case 'for':
        this.at += length;
        return this.forRounds() ? [] : [this.remark(token)];
      case 'same':
      case 'filler':
        return this.filler(length, token, meaning.is === 'same', items);
      default:
        return this.unread();
    }
  }

  private filler(length: number, token: Token, same: boolean, items: Item[]): Item[] {
    if (this.sameAs(this.at + length, token)) return [];
    if (same) return this.unread();
    this.at += length;
    if (token.key.startsWith('rep')) this.repeatAll(items);
    return [];
  }

  /** "sc, inc; repeat 6 times": without brackets, all that was said so far is meant. */
  private repeatAll(items: Item[]): void {
    const plain = items.length > 0 && items.every((item) => item.kind === 'work' && typeof item.count === 'number');
    if (!plain) return;
    const ends = this.at >= this.tokens.length || this.statedLength(true) > 0 || this.tokens[this.at]!.key === '.';
    const times = this.repeatsSaid() ?? this.openEnd() ?? (ends ? 'around' : null);
    if (times === null) return;
    const span = this.spanFrom(items[0]!.span.from);
    items.splice(0, items.length, { kind: 'group', items: [...items], times, span });
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
      if (!this.awaiting && phrase?.meaning.is !== 'remark') return this.unread();
      this.at += length;
      return [];
    }
    this.at += length;
    return this.colour(token);
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
}

/** "…, sl st" at a round's end may close it, or be a stitch of it. */
function isLoneSlip(item: Item): boolean {
  return item.kind === 'work' && item.stitch === 'sl st' && item.count === 1 && item.per === 1;
}

/** "Work even": one stitch in each, the shortest there is. */
function plainRound(span: Span): Item {
  return { kind: 'work', stitch: 'sc', per: 1, together: 1, school: 'open', count: 'around', loop: 'both', through: null, span };
}

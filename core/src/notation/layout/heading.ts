import { asSeen } from '../fold.js';
import { NO_BOOK, colourLength, pastArticle, YARNS } from '../colours.js';
import { copiesSaid, laterCopies, type Copies } from './copies.js';
import { labelWord } from '../label-word.js';
import { join, type Span } from '../span.js';
import type { Terms } from '../stitch.js';
import { numberOf, type Token } from '../tokens.js';
import { longestPhrase, phraseInEither, vocabularyOf } from '../vocabulary.js';
import { saysWork } from '../says-work.js';

/** A line that may name a part or the pattern. */
export interface HeadingLine {
  readonly is: 'heading';
  readonly name: string;
  /** Just past the name. */
  readonly nameEnd: number;
  /** null when the heading does not say how many to make. */
  readonly copies: number | null;
  /** A number of copies that cannot be, and where it stands; null for none. */
  readonly badCopies: Token | null;
  readonly mark: 'marked' | 'colon' | 'bare' | 'passing';
  /** The colour the heading names for the whole part: "Arm, in brown"; null for none. */
  readonly colour: Span | null;
  /** The terms it names beside: "Shawl edge (UK terms)"; null for none. */
  readonly terms: Terms | null;
  readonly tokens: readonly Token[];
  readonly span: Span;
}

const MOST_HEADING_WORDS = 6;
/**
 * A heading may be marked as one ("# Wing", "Wing (make 2)", "Feet × 2", bold, "=== Wing ===") or end in a colon; a short
 * line of bare words may be one too, which the rounds that follow decide.
 * @param bold whether the whole line stands in bold type
 */
export function readHeading(text: string, all: readonly Token[], span: Span, bold: boolean): HeadingLine | null {
  let start = 0;
  while (FENCE.has(all[start]?.key ?? '')) start++;
  let end = all.length;
  while (end > start && FENCE.has(all[end - 1]!.key)) end--;
  const fenced = start > 0 && (all[0]!.key === '#' || end < all.length);
  const sentence = sentenceEnd(all, afterNumber(all, start), end);
  const colon = all[end - 1]?.key === ':';
  if (colon) end--;
  const first = copiesSaid(all, start, sentence);
  const said = first.copies === null && first.bad === null ? laterCopies(all, sentence, end, first) : first;
  const lead = leading(all, start, sentence);
  const colour = colourSaid(all, end);
  const name = nameIn(all, lead, sentence, said, colour?.lead ?? null);
  if (namesNothing(all, name)) return null;
  const marked = fenced || bold;
  const led = isLed(all, start, lead);
  const full = said.copies === null && sentence === end - 1 && all[sentence]?.key === '.';
  const ended = !led && (all[sentence]?.key === '!' || full);
  if (!marked && (!isPlain(name) || isNoName(all, name, led) || ended || end - lead > MOST_PASSING)) return null;
  const bare = lead === afterNumber(all, start) || led || saysTitle(all, start);
  const nameSpan = join(name[0]!, name[name.length - 1]!);
  return {
    is: 'heading',
    name: asSeen(text.slice(nameSpan.from, nameSpan.to)).trim(),
    nameEnd: nameSpan.to,
    copies: said.copies,
    badCopies: said.bad,
    mark: marked || said.copies !== null ? 'marked' : colon ? 'colon' : bare ? 'bare' : 'passing',
    colour: colour && { from: colour.from, to: colour.to },
    terms: null,
    tokens: all,
    span,
  };
}

/** Whether there is no name, or one of something that is no part, or the line says what is worked. */
function namesNothing(all: readonly Token[], name: readonly Token[]): boolean {
  if (name.length === 0 || isNoPart(name) || isBracketed(all, name) || isSupply(name)) return true;
  // "even for 3 rounds (12)", "Repeat this round 3 times"
  const again = AGAIN.has(name[0]!.key);
  const rounds = name.some((token, i) => labelWord(token) !== null && (again || numberOf(name[i - 1]) !== null));
  return rounds || (!all.some(({ key }) => key === '#') && (namesCount(all) || saysWork(all) !== null));
}

const AGAIN: ReadonlySet<string> = new Set(['repeat', 'rep', 'do', 'work']);

/** A few words with no other marks than names have. */
function isPlain(name: readonly Token[]): boolean {
  const words = name.filter(({ kind }) => kind !== 'mark').length;
  return words <= MOST_HEADING_WORDS && name.every(isNameToken) && name.some(({ kind }) => kind === 'word');
}

/** Whether words before a name turn to the next part: "now the ears", "on to the legs". */
function isLed(tokens: readonly Token[], start: number, lead: number): boolean {
  const onTo = tokens[start]?.key === 'on' && tokens[start + 1]?.key === 'to';
  return lead > start && (onTo || tokens.slice(start, lead).some(({ key }) => TURNS.has(key)));
}

/** Words that ask for something or speak of something else than a part. */
function isNoName(all: readonly Token[], name: readonly Token[], led: boolean): boolean {
  const yarn = all.some(({ key }) => YARNS.has(key));
  const lettered = LIST_LETTER.test(all[0]!.text);
  const coloured = (led || yarn || lettered) && colourLength(name, 0, NO_BOOK) === name.length;
  return asksFor(name) || NO_NAME_BEGINS.has(name[0]!.key) || coloured || (led && name.some(({ key }) => NO_NAME_HAS.has(key)));
}

/** Longest line in which a name is said in passing. */
const MOST_PASSING = 24;
/** Words that begin a sentence about something else than a part. */
const NO_NAME_BEGINS: ReadonlySet<string> = new Set(
  "colour color colours colors hi hello hey dear i i’m i'm you we thank thanks welcome please if when wish it that there what which who why how can do does did my".split(
    ' ',
  ),
);

/** Words that are in no name which a sentence leads to: "we start with black yarn". */
const NO_NAME_HAS: ReadonlySet<string> = new Set(
  'yarn ring circle loop chain hook break row round marker colour color stitch stitches cup tea'.split(' '),
);

const FENCE: ReadonlySet<string> = new Set(['#', '=', '-', '~', '•', '>', '<', '*', '|', '+', '"']);

/** Where the name's own clause ends: at a full stop, or a colon with a legend after it. */
function sentenceEnd(tokens: readonly Token[], start: number, end: number): number {
  for (let i = start + 1; i < end; i++) {
    const { key } = tokens[i]!;
    if (key === '.' || key === '!' || key === '...' || key === '?') return i;
  }
  return end;
}

/** Words that lead to a name: "Now for the ears", "okay so the little ball", "Part 1: Arm", "And one tail". */
const LEADS: ReadonlySet<string> = new Set(
  "now for the okay ok so and then begin start with let’s let's lets make making here here’s here's heres is this a an one your on to crochet work hi hii hiii us with let we we’ll we'll moving time".split(
    ' ',
  ),
);

/** Words that turn to the next part. */
const TURNS: ReadonlySet<string> = new Set(['now', 'begin', 'start', 'next', 'then', 'first', 'moving', 'time']);

/** "Pattern: The round robin" */
const saysTitle = (tokens: readonly Token[], at: number): boolean => tokens[at]?.key === 'pattern' && tokens[at + 1]?.key === ':';

function leading(tokens: readonly Token[], start: number, end: number): number {
  let i = start;
  if (saysTitle(tokens, i) && i + 2 < end) return i + 2;
  if (['part', 'step', 'piece'].includes(tokens[i]?.key ?? '') && numberOf(tokens[i + 1]) !== null) {
    const mark = [':', '-', '.', ')'].includes(tokens[i + 2]?.key ?? '') ? 1 : 0;
    if (mark > 0 && i + 2 + mark < end) i += 2 + mark;
  }
  i = afterNumber(tokens, i);
  if (tokens[i]?.key === 'next' && tokens[i + 1]?.key === 'up') i += tokens[i + 2]?.kind === 'mark' ? 3 : 2;
  const from = i;
  while (i < end - 1 && (LEADS.has(tokens[i]!.key) || isFirst(tokens, i))) i++;
  // "The pear" is a name as it stands; "okay so the little ball" is not.
  return i === from + 1 && from === start && ['the', 'a', 'my'].includes(tokens[from]!.key) ? from : i;
}

/** Letters and Roman numbers of a list. */
const LIST_LETTER = /^(?:[a-hA-H]|[ivx]{1,4}|[IVX]{1,4})$/;

/** "1. Head", "2) Ears", "#3 Tail": past the number of a list. */
function afterNumber(tokens: readonly Token[], at: number): number {
  // "a) Head", "II. Leg"
  const letter =
    tokens[at]?.kind === 'word' && LIST_LETTER.test(tokens[at].text) && [')', '.'].includes(tokens[at + 1]?.key ?? '');
  if (letter && tokens[at + 2]?.kind === 'word') return at + 2;
  if (numberOf(tokens[at]) === null) return at;
  const listed = [')', '.', ':'].includes(tokens[at + 1]?.key ?? '');
  if (listed) return tokens[at + 2]?.kind === 'word' ? at + 2 : at;
  const signed = tokens[at - 1]?.key === '#' && tokens[at - 1]!.to === tokens[at]!.from;
  return signed && tokens[at + 1]?.kind === 'word' ? at + 1 : at;
}

/** "First, the head:" leads to a name; "First leg" is one. */
function isFirst(tokens: readonly Token[], at: number): boolean {
  return (
    ['first', 'next', 'lastly', 'finally', ','].includes(tokens[at]!.key) &&
    [',', 'the', 'we', 'you'].includes(tokens[at + 1]?.key ?? '')
  );
}

/**
 * The tokens of the name: up to what says how many, a bracket, a comma, or a colon.
 * @param colour where it is said in which colour, which is no part of the name; null where it is not
 */
function nameIn(tokens: readonly Token[], start: number, end: number, said: Copies, colour: number | null): readonly Token[] {
  const from = said.from <= start && said.to > said.from ? Math.max(start, said.to) : start;
  let to = end;
  for (let i = from; i < end; i++) {
    const { key } = tokens[i]!;
    const stops =
      i === said.from || key === '(' || key === '[' || key === '{' || key === ',' || key === ':' || key === ';' || key === '|';
    const dashed = key === '-' && tokens[i]!.from > (tokens[i - 1]?.to ?? 0);
    if ((stops || dashed || tokens[i]!.from === colour) && i > from) {
      to = i;
      break;
    }
  }
  to = beforeVerb(tokens, from, to);
  while (to > from && (tokens[to - 1]!.kind === 'mark' || AFTER_NAME.has(tokens[to - 1]!.key))) to--;
  let begin = from;
  while (begin < to && (tokens[begin]!.kind === 'mark' || tokens[begin]!.key === 'of')) begin++;
  return legend(tokens, begin, to) ? tokens.slice(begin, begin + 1) : tokens.slice(begin, to);
}

const AFTER_NAME: ReadonlySet<string> = new Set(['you', 'we', 'please', 'and', 'made', 'i']);

/** "the strawberry i made for ella": a name ends before a clause about it. */
function beforeVerb(tokens: readonly Token[], from: number, to: number): number {
  const verb = tokens.findIndex(
    (token, i) => i > from && i < to && ['i', 'that', 'which', 'made', 'we', 'is', 'are', 'was'].includes(token.key),
  );
  return verb < 0 ? to : verb;
}

/** "Cup X: sc V: inc": a legend after a name. */
function legend(tokens: readonly Token[], from: number, to: number): boolean {
  return to - from === 2 && tokens[to]?.key === ':' && /^[A-Z]$/.test(tokens[to - 1]!.text);
}

/** What leads to a colour after a name: "Arm, in brown", "Beak (orange yarn)", "Wings × 2 - white". */
const COLOUR_LEADS: ReadonlySet<string> = new Set(['in', 'use', 'with', 'using', '(', '[', '-', ',']);

/** The colour named after the name, and where what leads to it begins. */
function colourSaid(tokens: readonly Token[], end: number): (Span & { readonly lead: number }) | null {
  for (let i = Math.min(1, end); i < end; i++) {
    const at = pastArticle(tokens, i + 1);
    const length = COLOUR_LEADS.has(tokens[i]!.key) ? colourLength(tokens, at, NO_BOOK) : 0;
    let after = at + length;
    while (YARNS.has(tokens[after]?.key ?? '')) after++;
    const closed = after >= end || tokens[after]?.kind === 'mark';
    if (length > 0 && closed && !tokens.slice(0, i).some(({ key }) => key === 'each'))
      return { lead: tokens[i]!.from, from: tokens[at]!.from, to: tokens[at + length - 1]!.to };
  }
  return null;
}

/** Headings of what stands around a pattern and is no part of it (common practice). */
const NO_PARTS = new Set(
  'abbreviations|materials|supplies|tools|you will need|you need|notes|note|assembly|finishing|instructions|gauge|size|skill level|stitches used|pattern notes|tips|techniques|terms|yarn|special stitches|stitch guide|key|legend|difficulty|level|finished size|what you need|about|introduction|hook|colours|colors|instruction|pattern|round|rounds|photo|caption|stitches|foundation|foundation chain|foundation row|start|set up|setup|stuffing|toy stuffing|filling|stitch marker|stitch markers'.split(
    '|',
  ),
);

function isNoPart(name: readonly Token[]): boolean {
  return NO_PARTS.has(name.length === 1 ? name[0]!.key : name.map((token) => token.key).join(' '));
}

/** "8 mm safety eyes x 2", "Yarn needle", "hook 3": something to have at hand. */
function isSupply(name: readonly Token[]): boolean {
  const sized = name[0]!.key === 'hook' && name.some(({ kind }) => kind === 'number');
  return sized || name.some(({ key }) => SUPPLIES.has(key)) || (numberOf(name[0]) !== null && UNITS.has(name[1]?.key ?? ''));
}

const SUPPLIES: ReadonlySet<string> = new Set('safety needle needles fiberfill fibrefill polyfill scissors'.split(' '));
const UNITS: ReadonlySet<string> = new Set('mm cm g gram grams m metres meters yd yards ply inch inches'.split(' '));

/** "Then (sc, inc) x 6": what stands first in brackets is no name. */
function isBracketed(tokens: readonly Token[], name: readonly Token[]): boolean {
  const before = tokens[tokens.indexOf(name[0]!) - 1];
  return before?.key === '(' && phraseInEither(name, 0) !== null;
}

/** "Stuff it", "Leave a tail": words that ask for something are no name. */
function asksFor(name: readonly Token[]): boolean {
  return longestPhrase(vocabularyOf('US'), name, 0)?.meaning.is === 'remark';
}

/** "6 sc", "inc around", "ch 20": words that begin with work, and not a name. */
function namesCount(tokens: readonly Token[]): boolean {
  const first = tokens.findIndex(({ kind }) => kind !== 'mark');
  const phrase = phraseInEither(tokens, first);
  const is = phrase?.meaning.is;
  return (
    (is === 'stitch' || is === 'increase' || is === 'decrease' || is === 'chain' || is === 'loop' || is === 'ring') &&
    tokens
      .slice(first + phrase!.length)
      .some(({ kind, key }) => kind === 'number' || key === ',' || key === 'around' || key === 'each')
  );
}

function isNameToken(token: Token): boolean {
  return token.kind !== 'mark' || ["'", '’', '-', '&', '/', '"', '+', '.'].includes(token.key);
}

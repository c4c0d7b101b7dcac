import { asSeen } from '../fold.js';
import type { ColourBook } from '../colours.js';
import type { ReadingDiagnostic } from '../diagnostic.js';
import { nearestWord } from '../near.js';
import type { Foundation, OpenRun } from '../pattern.js';
import { singularName } from '../plural.js';
import { join, type Span } from '../span.js';
import type { Terms } from '../stitch.js';
import type { Token } from '../tokens.js';
import { longestPhrase, vocabularyOf, type Match, type Vocabulary } from '../vocabulary.js';

/** What reading a round needs to know of the text around it. */
export interface RoundContext {
  readonly terms: Terms;
  /** Whether it is the first round of its part, which may be worked over something other than a round. */
  readonly first: boolean;
  /** What a line before the first round said it is worked over; null for nothing. */
  readonly foundation: Placed<Foundation> | null;
  /** Parts of the text that rounds may speak of. */
  readonly parts: readonly NamedPart[];
  readonly colours: ColourBook;
  /** Whether the text says once for all that a chain at a round's start counts as a stitch; null when it does not say. */
  readonly chainsCount: boolean | null;
  /** How many more typing slips may be looked up, so that a text of nothing else stays quick. */
  readonly lookups: { left: number };
  /** Whether reading may stop at the first thing there is to tell: of such words nothing is kept. */
  readonly onlyClean: boolean;
}

/** A part's name, and its words without their plural endings, as they are looked for. */
export interface NamedPart {
  readonly name: string;
  readonly words: readonly string[];
}

export function namedPart(name: string): NamedPart {
  return { name, words: singularName(name).split(' ').filter(Boolean) };
}

export interface Placed<T> {
  readonly value: T;
  readonly span: Span;
}

/** Another round that a line takes over; `first` null is the one just before. */
export interface SameAs {
  readonly first: number | null;
  readonly last: number | null;
  readonly part: string | null;
  readonly span: Span;
}

export type Closer = ')' | ']' | '}' | '*';

export const SEPARATORS: ReadonlySet<string> = new Set([
  ',',
  ';',
  '.',
  ':',
  '-',
  '+',
  '&',
  '!',
  '/',
  '|',
  '...',
  '•',
  '=',
  '>',
  '<',
  '~',
  '"',
  "'",
  '?',
  '\\',
]);
export const CLOSER_OF: Readonly<Record<string, Closer>> = { '(': ')', '[': ']', '{': '}' };

export type Facts = ReadingDiagnostic extends infer D
  ? D extends ReadingDiagnostic
    ? Omit<D, 'severity' | 'span'>
    : never
  : never;

/** A place in a line's tokens, and what has been learned of the line on the way there. */
export interface ReadState {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly context: RoundContext;
  readonly vocabulary: Vocabulary;
  /** The phrases looked up so far, by the token they begin at. */
  readonly phrases: (Match | null | undefined)[];
  readonly report: (diagnostic: ReadingDiagnostic) => void;
  at: number;
  /** Groups open at the cursor. */
  depth: number;
  /** Star groups open at the cursor. */
  stars: number;
  /** A start named before its stitches: "ring, 6 sc". */
  awaiting: { readonly from: 'ring' | 'chain 2'; readonly span: Span } | null;
  foundation: Placed<Foundation> | null;
  /** Whether the foundation chain may be worked along one side or both, which only the count tells. */
  foundationDoubtful: boolean;
  open: OpenRun | null;
  same: SameAs | null;
  /** How many rounds the line is for, where it says so after its stitches; null when its label tells. */
  rounds: number | null;
  /** The last round the line is for: "until you have 6 rows". */
  upTo: number | null;
  pickingUp: boolean;
  /** Whether nothing more is to be read. */
  stopped: boolean;
}

export function stateOf(text: string, tokens: readonly Token[], context: RoundContext, report: ReadState['report']): ReadState {
  return {
    text,
    tokens,
    context,
    vocabulary: vocabularyOf(context.terms),
    phrases: [],
    report,
    at: 0,
    depth: 0,
    stars: 0,
    awaiting: null,
    foundation: context.foundation,
    foundationDoubtful: context.foundation?.value.from === 'chain' && context.foundation.value.sides === 1,
    open: null,
    same: null,
    rounds: null,
    upTo: null,
    pickingUp: false,
    stopped: false,
  };
}

export function tokenAt(state: ReadState, at = state.at): Token | undefined {
  return state.tokens[at];
}

export function keyAt(state: ReadState, at = state.at): string {
  return state.tokens[at]?.key ?? '';
}

export function phraseAt(state: ReadState, at = state.at): Match | null {
  const known = state.phrases[at];
  if (known !== undefined) return known;
  const found = longestPhrase(state.vocabulary, state.tokens, at);
  if (at < state.tokens.length) state.phrases[at] = found;
  return found;
}

/** Whether the phrase at the cursor means this. */
export function means(state: ReadState, meaning: Match['meaning']['is'], at = state.at): boolean {
  return phraseAt(state, at)?.meaning.is === meaning;
}

/** Passes over the phrase at the cursor when it means this. */
export function passIf(state: ReadState, meaning: Match['meaning']['is']): boolean {
  const phrase = phraseAt(state);
  if (phrase?.meaning.is !== meaning) return false;
  state.at += phrase.length;
  return true;
}

export function spanOf(state: ReadState, length: number): Span {
  return join(state.tokens[state.at]!, state.tokens[state.at + length - 1]!);
}

/** From `from` to the end of the last token passed. */
export function spanFrom(state: ReadState, from: number): Span {
  return { from, to: Math.max(from, state.tokens[state.at - 1]?.to ?? from) };
}

export function wordsIn(state: ReadState, span: Span): string {
  return asSeen(state.text.slice(span.from, span.to));
}

export function tellError(state: ReadState, facts: Facts, { from, to }: Span): void {
  state.stopped = state.context.onlyClean;
  state.report({ ...facts, severity: 'error', span: { from, to } });
}

/** Longest words that a finding quotes. */
const MOST_QUOTED = 80;

/** Words as a finding quotes them: on one line, and no longer than that. */
export function quoted(words: string): string {
  const line = words.slice(0, MOST_QUOTED + 1).replaceAll(/\s+/g, ' ');
  return line.length > MOST_QUOTED ? `${line.slice(0, MOST_QUOTED - 1)}…` : line;
}

/** What could not be read, with the word it was most likely meant to be. */
export function tellUnread(state: ReadState, span: Span): void {
  if (state.context.onlyClean) {
    tellError(state, { code: 'unread', text: '', meant: null }, span);
    return;
  }
  let begin = Math.min(state.at, state.tokens.length);
  while (begin > 0 && state.tokens[begin - 1]!.from >= span.from) begin--;
  const token = state.tokens
    .slice(begin, state.at)
    .find((each) => each.to <= span.to && each.kind === 'word' && !state.vocabulary.next.has(each.key));
  const meant = token ? meantBy(state, token) : null;
  const at = token && { from: token.from, to: token.to };
  tellError(state, { code: 'unread', text: quoted(wordsIn(state, span)), meant: meant && at ? { word: meant, at } : null }, span);
}

/** The known word a token may have been meant to be. */
export function meantBy(state: ReadState, token: Token): string | null {
  return state.context.lookups.left-- > 0 ? nearestWord(token) : null;
}

/** Moves past everything up to the next separator, bracket or stated total; gives what was passed over. */
export function passToSeparator(state: ReadState): Span {
  const from = state.tokens[state.at]?.from ?? state.tokens[state.at - 1]!.to;
  let to = from;
  while (state.at < state.tokens.length) {
    const token = state.tokens[state.at]!;
    if (SEPARATORS.has(token.key) || '()[]{}'.includes(token.key) || (to > from && token.key === '*')) break;
    to = token.to;
    state.at++;
  }
  return { from, to };
}

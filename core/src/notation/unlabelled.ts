import { NO_BOOK, isColourWord } from './colours.js';
import { inlinePart } from './layout/inline-part.js';
import { namesWork } from './layout/label.js';
import type { Line, RoundText, Words } from './layout/line.js';
import { labelWord } from './label-word.js';
import { singularName } from './plural.js';
import { itemPiece } from './reading/piece.js';
import { type RoundReading } from './reading/round.js';
import { FOUNDS, saysWork } from './says-work.js';
import { CHAINS } from './setting.js';
import type { Span } from './span.js';
import { numberOf, type Token } from './tokens.js';
import { kindsOf, tried } from './trying.js';
import type { Ahead } from './ahead.js';
import { BEGINS as BEGINS_ANEW, isLong, labelAt, takeHeading, takeRound, type Assembly, type DraftRound } from './assembly.js';

const LEADS: ReadonlySet<string> = new Set([':', '-', 'with', 'by']);

/** "Foundation: ch 10", "Start with ch 10", "Begin: 6 sc in ring": the words without those that lead to them. */
export function withoutLead(line: Words): Words {
  const [first, second] = line.tokens;
  if (!first || !second || !FOUNDS.has(first.key) || !LEADS.has(second.key)) return line;
  if (second.key === 'with' && isColourWord(line.tokens[2], NO_BOOK)) return { ...line, tokens: line.tokens.slice(1) };
  const tokens = line.tokens.slice(2);
  return tokens.length > 0 && (mayWork(tokens) || tokens.some(({ key }) => CHAINS.has(key))) ? { ...line, tokens } : line;
}

/** "Nose: 6 sc in MR (6)", "Leaf / ch 5, sl st in 2nd ch …": a part on one line, with its name. */
export function takeInline(all: Assembly, line: Words): boolean {
  const found = inlinePart(all.text, line.tokens);
  if (!found) return false;
  const { reading, clean } = tried(all, found.tokens, true);
  const { starts, works, chainOnly } = kindsOf(reading);
  const span = { from: found.tokens[0]!.from, to: found.tokens.at(-1)!.to };
  const like = found.same ? sameNamed(all, found.heading.name, reading, span) : null;
  if (!like && (found.same || !starts || !(works || chainOnly) || (!clean && !works))) return false;
  takeHeading(all, { ...found.heading, mark: 'marked' }, true);
  const round: RoundText = { is: 'round', label: labelAt(span, 1, reading), tokens: found.tokens, span };
  takeRound(all, round, like ?? (chainOnly ? chainAlone(reading) : null));
  return true;
}

/** "Second leg: same": the rounds of the part that is named, or else of one whose name has its last word. */
function sameNamed(all: Assembly, name: string, reading: RoundReading, span: Span): RoundReading | null {
  if (reading.same?.part) return reading;
  const last = singularName(name).split(' ').at(-1)!;
  const parts = all.part ? [...all.parts, all.part] : all.parts;
  const like = parts.findLast((part) => singularName(part.name).split(' ').includes(last));
  if (!like) return null;
  const same = { first: 1, last: Number.POSITIVE_INFINITY, part: like.name, span };
  return { pieces: [], foundation: null, foundationDoubtful: false, open: null, rounds: null, upTo: null, same };
}

/** A chain that nothing is worked over is all there is of its part: a scarf, a cord. */
function chainAlone(reading: RoundReading): RoundReading {
  const { foundation } = reading;
  const chains = foundation?.value.from === 'chain' ? foundation.value.chains : 0;
  const chain = itemPiece({ kind: 'chain', count: chains, counts: chains }, foundation!.span);
  return { ...reading, pieces: [chain, ...reading.pieces], foundation: null, foundationDoubtful: false };
}

/** "Row 1: chain 6, turn" before "Row 2: sc in 2nd ch …" is the chain that row is worked over: it holds nothing else. */
export function chainRow(all: Assembly, line: RoundText, next: Line | undefined): boolean {
  const begins = all.part === null || all.heading !== null || line.label.first <= (all.part.lines.at(-1)?.last ?? 0);
  if (!begins || next?.is !== 'round' || next.label.first !== line.label.first + 1 || line.tokens.length > 16) return false;
  if (all.foundation === null && !line.tokens.some(({ key }) => CHAINS.has(key))) return false;
  const { reading, clean } = tried(all, line.tokens, true, true);
  if (!clean || !kindsOf(reading).chainOnly) return false;
  all.foundation = reading.foundation;
  return true;
}

/** "Scarf" and below it "ch 20", with no round after it. */
export function chainPart(all: Assembly, line: Words, next: Line | undefined): boolean {
  if (all.heading === null || next?.is === 'round' || line.tokens.length > 12) return false;
  if (!line.tokens.some(({ key }) => CHAINS.has(key))) return false;
  const { reading, clean } = tried(all, line.tokens, true, true);
  if (!clean || !kindsOf(reading).chainOnly || (next?.is === 'words' && namesWork(next.tokens))) return false;
  takeRound(
    all,
    { is: 'round', label: labelAt(line.span, 1, reading), tokens: line.tokens, span: line.span },
    chainAlone(reading),
  );
  return true;
}

/**
 * An instruction without a label: the first of a part, right below its heading or where the text begins, when it begins on
 * something; or one more, where it goes on from the round before.
 */
export function unlabelledRound(all: Assembly, line: Words, next: Line | undefined, ahead: () => Ahead): boolean {
  const { tokens, span } = line;
  const opens = all.heading !== null || all.part === null;
  const last = all.part?.lines.at(-1);
  if (tokens.length > MOST_TOKENS || !mayWork(tokens) || (!opens && isLong(all, span))) return false;
  const begins = opens && tokens.some(({ key }) => BEGINS_ANEW.has(key) || OTHERS.has(key));
  const { reading, clean } = tried(all, tokens, opens, !begins);
  const { starts, works, remarks, total } = kindsOf(reading);
  const round: RoundText = { is: 'round', label: labelAt(span, 1, reading), tokens, span };
  const sure = clean && works && !(remarks && !total);
  if (opens) {
    const one = sure && all.heading !== null && next?.is !== 'round' && namesWork(tokens);
    const copied =
      all.heading !== null && typeof reading.same?.part === 'string' && reading.same.last === Number.POSITIVE_INFINITY;
    if (!(sure && starts) && !(starts && works && total) && !one && !copied) return false;
    takeRound(all, round);
    return true;
  }
  const again = clean && (reading.same !== null || ((reading.rounds !== null || reading.upTo !== null) && works));
  const more = last !== undefined && sure && !starts && (total || namesWork(tokens)) && goesOn(last, total, ahead);
  if (!again && !more) return false;
  takeRound(all, { ...round, label: labelAt(span, last!.last + 1, reading) });
  return true;
}

/**
 * Whether a line without a label may be the round after `last`: that one had none either, or the numbers of the rounds after
 * it leave room for it, or no number follows and it states its total.
 */
function goesOn(last: DraftRound, total: boolean, ahead: () => Ahead): boolean {
  if (last.label.from === last.label.to) return true;
  const { number, between } = ahead();
  return number === null || number <= last.first ? total : number - last.last > between;
}

/** Words that go on from other pieces, or take over the rounds of another part. */
const OTHERS: ReadonlySet<string> = new Set(
  'through both edge opening rim panels pieces sides connect bridge continue continuing pick same as like identical exactly repeat'.split(
    ' ',
  ),
);

/** Longest line without a label that is tried as a round. */
const MOST_TOKENS = 400;

/** Whether words may be an instruction, before they are read as one. */
export const mayWork = (tokens: readonly Token[]): boolean =>
  saysWork(tokens) !== null || namesWork(tokens) || BEGINS.has(tokens[0]!.key) || saysRounds(tokens);

const BEGINS: ReadonlySet<string> = new Set(['join', 'attach', 'pick', 'through', 'rejoin', 'lay', 'hold', 'work', 'with']);

/** "Repeat round 4 three more times", "Work 8 rounds even", "Do that twice more" */
const saysRounds = (tokens: readonly Token[]): boolean =>
  tokens.length < 16 && (SAYS_AGAIN.test(tokens[0]!.key) ? tokens.some(tellsRounds) : countsRounds(tokens));

const SAYS_AGAIN = /^(rep|repeat|work|as|same|knit|continue|sc|do)$/;
const tellsRounds = (token: Token): boolean => labelWord(token) !== null || token.key === 'times' || token.key === 'twice';
/** "3 rounds plain" */
const countsRounds = (tokens: readonly Token[]): boolean => numberOf(tokens[0]) !== null && labelWord(tokens[1]) !== null;

import { labelWord } from '../label-word.js';
import { numberOf, type Token } from '../tokens.js';
import { phraseInEither } from '../vocabulary.js';
import type { Line, RoundText } from './line.js';
import { namesWork, readLabel } from './label.js';
import type { RawLine } from './raw-line.js';

/** A word broken over two lines is one again: "cro-⏎chet", "7–⏎10". */
export function withoutHyphens(lines: readonly RawLine[]): RawLine[] {
  const joined: RawLine[] = [];
  for (const line of lines) {
    const before = joined.at(-1);
    const [word, dash] = [before?.tokens.at(-2), before?.tokens.at(-1)];
    if (dash?.key !== '-') {
      joined.push(line);
      continue;
    }
    const quote = before?.tokens[0]?.key === '>' && line.tokens[0]?.key === '>' ? 1 : 0;
    const next = line.tokens[quote];
    const broken = word?.to === dash.from && next?.kind === word.kind && dash.to <= next.from;
    if (!before || !word || !broken || !isRest(word, next)) {
      joined.push(line);
      continue;
    }
    const whole: Token[] =
      word.kind === 'word'
        ? [{ kind: 'word', text: word.text + next.text, key: word.key + next.key, from: word.from, to: next.to }]
        : [word, dash, next];
    const tokens = [...before.tokens.slice(0, -2), ...whole, ...line.tokens.slice(quote + 1)];
    joined[joined.length - 1] = { ...before, tokens, to: line.to };
  }
  return joined;
}

function isRest(word: Token, next: Token): boolean {
  const alike = next.text === next.key || word.text === word.text.toUpperCase();
  return word.kind === 'number' || (word.kind === 'word' && alike && !namesWork([next]));
}

/** Tokens that a label and its first stitches take. */
const WINDOW = 80;

/** Spaces between what stands side by side. */
const WIDE = 3;
const ENDS: ReadonlySet<string> = new Set(['.', ';', '|', ')', ']', '}', '/', '!', '•', ',']);

/** Lines that hold several rounds cut into one line a round; of two columns, the left one comes first. */
export function withoutNeighbours(text: string, lines: readonly RawLine[]): RawLine[] {
  const cut = lines.map((line) => pieces(text, line));
  const ordered: RawLine[] = [];
  for (let i = 0; i < cut.length;) {
    let end = i;
    while (end < cut.length && cut[end]!.length === 2) end++;
    if (end > i + 1 && inColumns(cut.slice(i, end))) {
      for (const column of [0, 1]) for (let row = i; row < end; row++) ordered.push(cut[row]![column]!);
      i = end;
    } else for (const piece of cut[i++]!) ordered.push(piece);
  }
  return ordered;
}

function pieces(text: string, line: RawLine): RawLine[] {
  const { tokens } = line;
  if (tokens.length < 2) return [line];
  const starts = [0];
  for (let i = 1; i < tokens.length; i++) {
    if (tokens[i]!.kind !== 'word') continue;
    const numbered = labelWord(tokens[i]) !== null && numberAfter(tokens, i) !== null;
    if (!numbered && !saysNth(tokens, i)) continue;
    const gap = text.slice(tokens[i - 1]!.to, tokens[i]!.from);
    const wide = gap.length >= WIDE && gap.trim() === '';
    const named = starts.length === 1 && endsName(tokens, i);
    if (!wide && !ENDS.has(tokens[i - 1]!.key) && !named) continue;
    const before = tokens.slice(starts.at(-1), Math.min(i, starts.at(-1)! + WINDOW));
    const label = readLabel(before);
    const worked = named || namesWork(before.slice(label?.next ?? 0));
    if (worked && (marked(tokens, i, !numbered) || followsOn(tokens, i, named ? 0 : (label?.last ?? 1)))) starts.push(i);
  }
  if (starts.length === 1) return wideHeadings(text, line);
  return starts.map((start, k) => {
    const own = tokens.slice(start, starts[k + 1]);
    while (k < starts.length - 1 && own.length > 1 && ['/', ';', '|', '•', ',', '-'].includes(own.at(-1)!.key)) own.pop();
    return { ...line, tokens: own, sure: line.sure && k === 0, from: own[0]!.from };
  });
}

/** Longest name before the first of several rounds on one line, in tokens. */
const MOST_NAME = 6;

/** "BODY R1: …", "Body - Rnd 1: …", "Body: R1 …": whether what stands before is a name and no work. */
function endsName(tokens: readonly Token[], at: number): boolean {
  if (tokens[at - 1]!.key === ':') return true;
  if (at > MOST_NAME) return false;
  const before = tokens.slice(0, at);
  const word = before.at(-1)!.key === '-' ? before.at(-2) : before.at(-1);
  const name = before[0]!.kind === 'word' && word?.kind === 'word' && word.text !== word.key;
  return name && readLabel(tokens.slice(0, WINDOW)) === null && !namesWork(before) && numberOf(tokens[at + 1]) === 1;
}

/** "R1 6 sc in MR (6), R2 inc x6 (12)": a label without a mark, of the round after the one before. */
function followsOn(tokens: readonly Token[], at: number, last: number): boolean {
  const label = readLabel(tokens.slice(at, at + WINDOW));
  return label !== null && label.first === last + 1 && namesWork(tokens.slice(at + label.next, at + label.next + WINDOW));
}

/** "In the second round, …" at the beginning of a sentence. */
function saysNth(tokens: readonly Token[], at: number): boolean {
  if (!SENTENCE_ENDS.has(tokens[at - 1]!.key)) return false;
  const named = tokens.slice(at + 1, at + 5).some((token) => labelWord(token) !== null);
  return named && readLabel(tokens.slice(at, at + WINDOW)) !== null;
}

const SENTENCE_ENDS: ReadonlySet<string> = new Set(['.', '!', ')']);

function numberAfter(tokens: readonly Token[], at: number): number | null {
  const dot = ['.', '#', '-'].includes(tokens[at + 1]?.key ?? '') ? 1 : 0;
  return numberOf(tokens[at + 1 + dot]);
}

/**
 * "R2:" with its mark, so that "between R5 and R6" and "as R3" stay where they are.
 * @param sentence whether a sentence begins here, in which a comma is such a mark
 */
function marked(tokens: readonly Token[], at: number, sentence: boolean): boolean {
  const label = readLabel(tokens.slice(at, at + WINDOW));
  const mark = label && tokens[at + label.next - 1]?.key;
  return MARKS.has(mark ?? '') || (sentence && mark === ',');
}

const MARKS: ReadonlySet<string> = new Set([':', '.', ')', '-', '=', '...']);

/** "ARM        LEG": the heads of two columns. */
function wideHeadings(text: string, line: RawLine): RawLine[] {
  const { tokens } = line;
  if (tokens.length < 2 || tokens.length > 8 || labelWord(tokens[0]) !== null || namesWork(tokens)) return [line];
  let at = 0;
  for (let i = 1; i < tokens.length; i++) {
    if (tokens[i]!.kind !== 'word' || !/^ {4,}$|\t/.test(text.slice(tokens[i - 1]!.to, tokens[i]!.from))) continue;
    if (at > 0) return [line];
    at = i;
  }
  if (at === 0 || tokens.some(({ key }) => key === ':')) return [line];
  return [
    { ...line, tokens: tokens.slice(0, at) },
    { ...line, tokens: tokens.slice(at), from: tokens[at]!.from },
  ];
}

/** Whether lines of two pieces each are two columns: the left ones count on from row to row. */
function inColumns(rows: readonly (readonly RawLine[])[]): boolean {
  const labels = rows.map((row) => row.map((piece) => readLabel(piece.tokens)));
  const left = labels.flatMap(([label]) => (label ? [label] : []));
  const right = labels.flatMap(([, label]) => (label ? [label] : []));
  if (left.length < 2 || right.length < 2 || left.length < rows.length - 1) return false;
  const chains = left.every((label, i) => i === 0 || label.first === left[i - 1]!.last + 1);
  return chains && right[0]!.first !== left[0]!.last + 1;
}

const DANGLING: ReadonlySet<string> = new Set(', in the and then to of with into x × from - + & / a until'.split(' '));
/** Words that want a noun, and the nouns. */
const WANTING: ReadonlySet<string> = new Set(['each', 'next', 'every', 'last', 'first', 'same']);
const NOUNS: ReadonlySet<string> = new Set(['st', 'sts', 'stitch', 'stitches', 'ch', 'chain', 'sc', 'one', 'around']);

/** Rounds whose words run over into the lines below them. */
export function withContinuations(lines: readonly Line[]): Line[] {
  const joined: Line[] = [];
  let depth = 0;
  /** Lines taken up by the round so far, and whether its label stood alone. */
  let taken = 0;
  let alone = false;
  for (const line of lines) {
    const last = joined.at(-1);
    const tokens = line.is === 'words' || line.is === 'heading' ? line.tokens : null;
    if (last?.is === 'round' && tokens && taken < MOST_LINES && goesOn(last, tokens, depth, alone)) {
      alone ||= last.tokens.length === 0;
      depth = Math.max(0, openBrackets(tokens, depth));
      taken++;
      const span = { from: last.span.from, to: tokens.at(-1)!.to };
      joined[joined.length - 1] = { ...last, tokens: [...last.tokens, ...tokens], span };
      continue;
    }
    depth = line.is === 'round' ? openBrackets(line.tokens, 0) : 0;
    taken = 0;
    alone = false;
    joined.push(line);
  }
  return joined;
}

/** Most lines that one round is written over. */
const MOST_LINES = 6;

function goesOn(round: RoundText, tokens: readonly Token[], depth: number, alone: boolean): boolean {
  const last = round.tokens.at(-1);
  if (!last) return isInstruction(tokens);
  if (depth > 0 && (openBrackets(tokens, depth) < depth || last.key === ',')) return true;
  if (DANGLING.has(last.key) && isInstruction(tokens)) return true;
  if (WANTING.has(last.key) && NOUNS.has(tokens[0]!.key)) return true;
  const totalled = endsOnTotal(round.tokens);
  if (!totalled && isTotal(tokens, alone)) return true;
  const first = tokens[0]!;
  const small = first.kind === 'word' && first.text === first.key && first.text.length > 1;
  return !totalled && small && endsOnTotal(tokens) && continues(first, tokens);
}

const isInstruction = (tokens: readonly Token[]): boolean => namesWork(tokens) || tokens.some(({ kind }) => kind !== 'mark');

/** "around [36]", "stitches (12)", "sc in next st (12)": words that carry a round on. */
function continues(first: Token, tokens: readonly Token[]): boolean {
  const phrase = phraseInEither(tokens, 0);
  return (phrase !== null && phrase.meaning.is !== 'remark') || namesWork(tokens) || first.key === 'st';
}

function endsOnTotal(tokens: readonly Token[]): boolean {
  const end = tokens.at(-1)?.key ?? '';
  const at = end === '.' ? -2 : -1;
  const closes = [')', ']', '}', '>'].includes(tokens.at(at)?.key ?? '');
  if (!closes) return /^(sts|stitches)$/.test(tokens.at(at)?.key ?? '') && tokens.at(at - 1)?.kind === 'number';
  const inner = tokens.at(at - 1);
  const number = inner?.kind === 'number' ? inner : tokens.at(at - 2);
  return number?.kind === 'number';
}

/** A line that is nothing but a total: "(12)", "= 12 sts"; a bare number where the label stood on a line of its own too. */
function isTotal(tokens: readonly Token[], bare: boolean): boolean {
  const numbers = tokens.filter(({ kind }) => kind === 'number');
  const words = tokens.filter(({ kind }) => kind === 'word');
  const units = words.every(({ key }) => ['st', 'sts', 'stitch', 'stitches', 'total', 'in', 'sc'].includes(key));
  if (numbers.length !== 1 || !units) return false;
  return (
    ['(', '[', '{', '<', '='].includes(tokens[0]!.key) ||
    words.some(({ key }) => key.startsWith('st')) ||
    (bare && tokens.length === 1)
  );
}

function openBrackets(tokens: readonly Token[], open: number): number {
  let depth = open;
  for (const { key } of tokens) {
    if (key === '(' || key === '[' || key === '{') depth++;
    else if (key === ')' || key === ']' || key === '}') depth--;
  }
  return depth;
}

import { colourLength, pastArticle } from '../colours.js';
import type { Item } from '../pattern.js';
import type { Meaning } from '../phrases.js';
import { numberOf, type Token } from '../tokens.js';
import type { Match } from '../vocabulary.js';
import { colourAt, forRounds, remarkAt, sameAt, untilAt } from './asides.js';
import { withAt } from './colour-here.js';
import { checkedCount } from './counts.js';
import { hasStitches, remember, type Gathered } from './gathered.js';
import { itemPiece, mapPieces, type Piece } from './piece.js';
import { partAt } from './references.js';
import { aroundAlone, repeatSaid, wholeRepeated, wholeTimesAt } from './repeats.js';
import { chainAt, firstChain, joinAt, otherSide, startOf, workedOn } from './starts.js';
import { keyAt, means, passIf, phraseAt, spanFrom, spanOf, type ReadState } from './state.js';
import { everyTogether, isPlainWork, isWorked, plainWork } from './placing.js';
import { splitName, workedAt } from './stitches.js';
import { unknownWords } from './unknown.js';
import { whereAt } from './where.js';
import { isPrelude } from './whole.js';

/** How a phrase is read, from the cursor on it. */
type ReadPhrase = (state: ReadState, match: Match, token: Token, all: Gathered) => Piece[];

/** Passes over a phrase, and makes an item of it. */
function passed(state: ReadState, length: number, token: Token, item: Exclude<Item, { kind: 'group' }>): Piece[] {
  state.at += length;
  return [itemPiece(item, spanFrom(state, token.from))];
}

/** A change of so many stitches as one whose places are as far apart as they go. */
function spreadEvenly(piece: Piece): Piece {
  if (piece.is !== 'item' || piece.item.kind !== 'work' || typeof piece.item.count !== 'number') return piece;
  return { is: 'evenly', work: piece.item, at: piece.item.count, span: piece.span };
}

/** "Attach red yarn, sc around" */
const TAKES_YARN: ReadonlySet<string> = new Set(['attach', 'use']);

/** Says nothing that counts. */
function silent(state: ReadState, { length }: { readonly length: number }): Piece[] {
  state.at += length;
  return [];
}

const worked: ReadPhrase = (state, { meaning, length }, token, all) => {
  if (!isWorked(meaning)) return [];
  const every = meaning.is === 'stitch' ? everyAfter(state, length, token, meaning.stitch) : null;
  if (every) return [every];
  const split = splitName(state, state.at, length);
  state.at += length;
  return remember(all, workedAt(state, meaning, null, token.from, all.pieces, split));
};

const around: ReadPhrase = (state, match, token, all) => {
  const next = phraseAt(state, state.at + match.length);
  if (next?.meaning.is !== 'stitch' || keyAt(state, state.at + match.length - 1) !== 'rest')
    return aroundAlone(state, match.length, token, all);
  // "inc, rest sc"
  state.at += match.length;
  return mapPieces(worked(state, next, token, all), (item) => (item.kind === 'work' ? { ...item, count: 'around' } : item));
};

const fillers: ReadPhrase = (state, { meaning, length }, token, all) => filler(state, length, token, meaning.is === 'same', all);

const placesOf =
  (is: 'starting' | 'along' | 'into'): ReadPhrase =>
  (state, { length }, token) =>
    placeWords(state, length, token, is);

const workOn =
  (from: 'edge' | 'layers'): ReadPhrase =>
  (state, { length }, token) => {
    state.at += length;
    workedOn(state, from, token.from);
    return [];
  };

/** What each kind of phrase is where no stitch has taken it up as its own. */
const READERS: Readonly<Partial<Record<Meaning['is'], ReadPhrase>>> = {
  stitch: worked,
  increase: worked,
  decrease: worked,
  ring: (state, { length }, _token, all) => {
    state.awaiting = { from: 'ring', span: spanOf(state, length) };
    state.at += length;
    return ringEnds(state, all);
  },
  chain: (state, { length }, _token, all) => chainAt(state, length, all.pieces),
  picot: (state, { meaning, length }, token) => {
    const chains = meaning.is === 'picot' ? meaning.chains : 3;
    return passed(state, length, token, { kind: 'spur', chains, first: chains, stitches: [{ stitch: 'sl st', count: 1 }] });
  },
  join: (state, { length }, token, all) => joinAt(state, length, token, all.pieces),
  'close join': (state, { length }, token, all) => {
    if (partAt(state, state.at + length) && token.key === 'join') return joinAt(state, 1, token, all.pieces);
    const closed = passed(state, length, token, { kind: 'close', how: 'join' });
    // "in top of ch 3"
    if (keyAt(state, state.at - 1).startsWith('ch') && state.tokens[state.at]?.kind === 'number') state.at++;
    return closed;
  },
  turn: (state, { length }, token) => passed(state, length, token, { kind: 'close', how: 'turn' }),
  skip: (state, { length }, token, all) => skipAt(state, length, token, !hasStitches(all)),
  rest: restAt,
  colour: (state, { length }, token) => {
    state.at += length;
    return colourAt(state, token);
  },
  with: (state, { length }, token, all) => withAt(state, token, length, all.pieces),
  // "put 6 sc in it": what is put there are stitches.
  remark: (state, match, token) => {
    const at = pastArticle(state.tokens, state.at + match.length);
    if (TAKES_YARN.has(token.key) && colourLength(state.tokens, at, state.context.colours) > 0) {
      state.at = at;
      return colourAt(state, token);
    }
    return leadsToWork(state, match.length) ? silent(state, match) : [remarkAt(state, token)];
  },
  even: (state, { length }, token, all) => {
    state.at += length;
    const pieces = [plainWork('around', spanFrom(state, token.from))];
    return remember(all, { pieces, single: null, times: null, bare: false });
  },
  starting: placesOf('starting'),
  along: placesOf('along'),
  into: placesOf('into'),
  'nth chain': (state) => {
    whereAt(state);
    return [];
  },
  'other side': (state, { length }, _token, all) => {
    otherSide(state, length, all.pieces);
    return [];
  },
  edge: workOn('edge'),
  layers: workOn('layers'),
  'pick up': (state, match) => {
    state.pickingUp = true;
    return silent(state, match);
  },
  until: (state, _match, token) => untilAt(state, token),
  'as liked': (state, match) => {
    state.open = { mm: null };
    return silent(state, match);
  },
  for: (state, { length }, token) => {
    state.at += length;
    return forRounds(state) ? [] : [remarkAt(state, token)];
  },
  same: fillers,
  filler: fillers,
  total: fillers,
  times: (state, _match, _token, all) => {
    const times = all.depth === 0 && hasStitches(all) ? wholeTimesAt(state) : null;
    return times === null ? unknownWords(state, all.pieces) : wholeRepeated(state, all, times);
  },
  'next one': (state, match, token, all) => {
    // "R4: same", "R4: ditto"
    if (
      (token.key !== 'same' && token.key !== 'ditto') ||
      hasStitches(all) ||
      state.tokens[state.at + match.length] !== undefined
    )
      return silent(state, match);
    state.at += match.length;
    state.same = { first: null, last: null, part: null, span: spanFrom(state, token.from) };
    return [];
  },
  evenly: (state, match, _token, all) => {
    // "increase 6 times, spread evenly", "evenly inc 6"
    const last = all.pieces.at(-1);
    state.at += match.length;
    const own = last?.is === 'item' && last.item.kind === 'work' && typeof last.item.count === 'number' ? last : null;
    if (own) all.pieces.pop();
    const next = own ? null : phraseAt(state);
    const read = own ? [own] : next && isWorked(next.meaning) ? worked(state, next, state.tokens[state.at]!, all) : [];
    return read.map(spreadEvenly);
  },
  stitches: silent,
  around,
  each: around,
  'to last': around,
  next: around,
};

const unknown: ReadPhrase = (state, _match, _token, all) => unknownWords(state, all.pieces);

/** Reads the phrase at the cursor; one that means nothing here is told. */
export function phrased(state: ReadState, match: Match, token: Token, all: Gathered): Piece[] {
  return (READERS[match.meaning.is] ?? unknown)(state, match, token, all);
}

/** Whether a number of stitches follows at once. */
function leadsToWork(state: ReadState, length: number): boolean {
  const named = phraseAt(state, state.at + length + 1)?.meaning;
  return numberOf(state.tokens[state.at + length]) !== null && named !== undefined && isWorked(named);
}

/** "leave the remaining 2 sts unworked" */
function restAt(state: ReadState, { length }: { readonly length: number }, token: Token): Piece[] {
  state.at += length;
  if (numberOf(state.tokens[state.at]) !== null) {
    state.at++;
    passIf(state, 'stitches');
    if (keyAt(state) === 'unworked') state.at++;
  }
  return [{ is: 'rest', span: spanFrom(state, token.from) }];
}

/** "sc every 4th and 5th stitch together". */
function everyAfter(state: ReadState, length: number, token: Token, stitch: Parameters<typeof everyTogether>[2]): Piece | null {
  state.at += length;
  const found = everyTogether(state, token.from, stitch);
  if (!found) state.at -= length;
  return found;
}

/** "6 sc, magic ring": a ring named after its stitches. */
function ringEnds(state: ReadState, all: Gathered): Piece[] {
  const last = all.pieces.at(-1);
  if (
    !last ||
    !isPlainWork(last) ||
    all.pieces.filter((piece) => !isPrelude(piece)).length > 1 ||
    typeof last.item.count !== 'number' ||
    !state.context.first
  )
    return [];
  const rest = state.tokens.slice(state.at).some((_token, i) => {
    const phrase = phraseAt(state, state.at + i);
    return phrase !== null && isWorked(phrase.meaning);
  });
  if (rest) return [];
  all.pieces.pop();
  return [startOf(state, 'ring', last.item.stitch, last.item.count, last.span.from)];
}

/** Words that say where the stitches go and change no count: "starting in 2nd ch from hook", "along the chain". */
function placeWords(state: ReadState, length: number, token: Token, is: 'starting' | 'along' | 'into'): Piece[] {
  const back = state.at;
  state.at += length;
  if (is === 'along') {
    const part = partAt(state);
    if (part) state.at += part.length;
    else if (keyAt(state) === 'leg') state.at++;
    return [];
  }
  const where = is === 'into' && partAt(state) ? null : whereAt(state);
  const named = is === 'into' ? partAt(state) : null;
  if (named) {
    state.at += named.length;
    return [];
  }
  if (where?.into === 'chain' && state.foundation?.value.from === 'chain')
    state.foundation = { ...state.foundation, value: { ...state.foundation.value, first: where.nth } };
  else if (is === 'into' && !where) {
    state.at = back;
    return unknownWords(state, []);
  } else if (!where) return [remarkAt(state, token)];
  return [];
}

function filler(state: ReadState, length: number, token: Token, same: boolean, all: Gathered): Piece[] {
  if (sameAt(state, state.at + length, token, hasStitches(all))) return [];
  if (same) return sameAsPart(state, length, token);
  state.at += length;
  if (!token.key.startsWith('rep')) return [];
  return repeatSaid(state, all);
}

/** "same as first leg": all rounds of a part, to be taken over where the line stands for all of them. */
function sameAsPart(state: ReadState, length: number, token: Token): Piece[] {
  const part = partAt(state, state.at + length);
  if (!part) return unknownWords(state, []);
  state.at += length + part.length;
  state.same = { first: 1, last: Number.POSITIVE_INFINITY, part: part.name, span: spanFrom(state, token.from) };
  return [];
}

const CHAINS: ReadonlySet<string> = new Set(['ch', 'chain', 'chs', 'chains']);

function skipAt(state: ReadState, length: number, token: Token, begins: boolean): Piece[] {
  state.at += length;
  const where = whereAt(state);
  const number = where ? null : numberOf(state.tokens[state.at]);
  const count = where?.into === 'next' ? where.count : number === null ? 1 : checkedCount(state, number, state.tokens[state.at]!);
  if (number !== null) state.at++;
  if (means(state, 'stitches')) state.at += phraseAt(state)!.length;
  if (keyAt(state) === 'unworked') state.at++;
  // "ch 5, sk 1 ch, 3 sc" begins in the second chain.
  const ofChain = where !== null && CHAINS.has(keyAt(state, state.at - 1));
  if (begins && state.foundation?.value.from === 'chain' && (ofChain || passIf(state, 'chain'))) {
    firstChain(state, count + 1);
    return [];
  }
  return [itemPiece({ kind: 'skip', count }, spanFrom(state, token.from))];
}

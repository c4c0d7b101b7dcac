import { PLAIN } from '../items.js';
import type { Group, Item, Times, Work } from '../pattern.js';
import type { Meaning } from '../phrases.js';
import type { Span } from '../span.js';
import type { StitchName } from '../stitch.js';
import { numberOf } from '../tokens.js';
import { choice, itemPiece, type Piece } from './piece.js';
import { keyAt, passIf, spanFrom, type ReadState } from './state.js';
import type { Where } from './where.js';

/** What stands after a stitch's name on how often it is worked, and where. */
export interface Placing {
  readonly count: Times | null;
  readonly where: Where | null;
  /** As far apart as they go. */
  readonly evenly: boolean;
  /** The part whose last round is worked; null for none. */
  readonly part: string | null;
}

type Counts = Pick<Work, 'per' | 'together' | 'count'>;

/** Written out, as spreading objects takes most of the reading's time. */
function workOf({ kind, stitch, school, loop, through }: Begun, { per, together, count }: Counts, span: Span): Piece {
  return { is: 'item', item: { kind, stitch, school, loop, through, per, together, count }, span };
}

export type WorkedMeaning = Extract<Meaning, { is: 'stitch' | 'increase' | 'decrease' }>;

export function isWorked(meaning: Meaning): meaning is WorkedMeaning {
  return meaning.is === 'stitch' || meaning.is === 'increase' || meaning.is === 'decrease';
}

/** Work that does not know yet how often it is worked, and into how many. */
export type Begun = Omit<Work, 'per' | 'together' | 'count'>;

/** Decides between "3 in each" and "one in each of 3" and the like, or leaves the doubt. */
export function placedWork(
  state: ReadState,
  begun: Begun,
  meaning: WorkedMeaning,
  lead: number | null,
  said: Placing,
  span: Span,
): Piece[] {
  const per = meaning.is === 'increase' ? meaning.per : 1;
  const together = meaning.is === 'decrease' ? meaning.together : 1;
  const { count, where } = said;
  const work = (own: Counts): Piece[] => [workOf(begun, own, span)];
  const number = typeof count === 'number' ? count : (lead ?? 1);
  if (said.part && (where === null || where.into === 'around') && count === null && lead === null)
    return [{ is: 'part round', work: { ...begun, per, together, count: 1 }, part: said.part, span }];
  if (said.evenly) return [{ is: 'evenly', work: { ...begun, per, together, count: number }, at: number, span }];
  if (where === null && meaning.is === 'stitch') return timesOver(work, lead ?? 1, count ?? 1);
  if (where === null || where.into === 'chains') return work({ per, together, count: count ?? lead ?? 1 });
  const many = lead !== null && lead > 1 ? lead : per;
  switch (where.into) {
    case 'every':
      return [everyChange(begun, many, together, where.step, span)];
    case 'places': {
      const more = meaning.is === 'stitch' ? many : per;
      return [{ is: 'evenly', work: { ...begun, per: more, together, count: where.at.length }, at: where.at, span }];
    }
    case 'each end': {
      const between = itemPiece({ ...begun, school: 'open', per: 1, together: 1, count: { toLast: together } }, span);
      return [...work({ per, together, count: 1 }), between, ...work({ per, together, count: 1 })];
    }
    // A panel has four of each; inside a repeat the repeat counts them.
    case 'corners':
      return work({ per: lead ?? per, together, count: state.depth > 0 ? 1 : 4 });
    case 'sides':
      return work({ per, together, count: (lead ?? 1) * (state.depth > 0 ? 1 : 4) });
    case 'to last':
      return toLast(work, { per: many, together }, where.count, span);
    default:
      return spreadWork(work, meaning, { per, together, lead, count, where });
  }
}

/** "2 sc x 6": two in each of six, or twelve. */
function timesOver(work: (own: Counts) => Piece[], lead: number, count: Times): Piece[] {
  if (lead === 1 || typeof count !== 'number' || count === 1)
    return work({ per: 1, together: 1, count: typeof count === 'number' ? count * lead : count });
  const inEach = work({ per: lead, together: 1, count });
  return [choice('each-number', [inEach, work({ per: 1, together: 1, count: lead * count })])];
}

/** "sc to last 2 sts" leaves two; "dec until 6 remain" may as well go all round and end on six. */
function toLast(work: (own: Counts) => Piece[], own: Omit<Counts, 'count'>, count: number, span: Span): Piece[] {
  const leaves = work({ ...own, count: { toLast: count } });
  if (own.together < 2) return leaves;
  return [choice('to-last', [leaves, [...work({ ...own, count: 'around' }), { is: 'total', count, span }]])];
}

const INTO_ONE: ReadonlySet<Where['into']> = new Set(['each', 'one']);

function spreadWork(
  work: (own: Counts) => Piece[],
  meaning: WorkedMeaning,
  own: { per: number; together: number; lead: number | null; count: Times | null; where: Where },
): Piece[] {
  const { per, together, where } = own;
  // "sc 2 in each st" is "2 sc in each st".
  const after = meaning.is === 'stitch' && own.lead === null && typeof own.count === 'number' && INTO_ONE.has(where.into);
  const lead = after ? (own.count as number) : own.lead;
  const count = after ? null : own.count;
  // "12 sc around" is twelve; "2 sc in each st around" is two in each.
  if (where.into === 'around' && lead !== null) return work({ per, together, count: lead });
  const spread: Times = where.into === 'each' || where.into === 'around' ? 'around' : where.into === 'next' ? where.count : 1;
  const several = meaning.is === 'stitch' && lead !== null && lead > 1;
  if (several) {
    const all = work({ per: lead, together: 1, count: typeof count === 'number' && spread === 1 ? count : spread });
    // "3 sc in next 3 sts" is one in each, "3 sc in each of next 3 sts" three.
    const doubtful = where.into === 'next' && !where.each && lead === spread;
    if (doubtful) return [choice('in-next', [work({ per, together, count: spread }), all])];
    return where.into === 'each' && lead > 2 ? [choice('each-number', [all, work({ per, together, count: lead })])] : all;
  }
  // "inc 3 in last ch" may be three stitches in it.
  if (spread === 1 && meaning.is === 'increase' && typeof count === 'number' && count > 2)
    return [choice('inc-number', [work({ per, together, count }), work({ per: count, together, count: 1 })])];
  if (spread === 1) return work({ per, together, count: count ?? lead ?? 1 });
  // "dec over next 4 sts" is two decreases.
  const fits = typeof spread === 'number' && spread % together === 0 ? spread / together : spread;
  return work({ per, together, count: fits });
}

/** "dec every 3rd": over the second and third, or over the third and fourth, which only the total tells. */
function everyChange(begun: Begun, per: number, together: number, step: number, span: Span): Piece {
  const usual = everyNth(begun, per, together, step, span);
  return together === 1
    ? usual
    : choice('every-decrease', [[usual], [everyNth(begun, per, together, step + together - 1, span)]]);
}

/** "inc in every third st", "every 4th and 5th stitch together": plain stitches up to each change, around. */
function everyNth(begun: Begun, per: number, together: number, step: number, span: Span): Piece {
  const change: Exclude<Item, Group> = { ...begun, per, together, count: 1 };
  const before: Exclude<Item, Group> = { ...begun, per: 1, together: 1, school: 'open', count: Math.max(1, step - together) };
  const pieces = step > together ? [itemPiece(before, span), itemPiece(change, span)] : [itemPiece(change, span)];
  return { is: 'group', pieces, times: 'around', span };
}

/** "sc every 4th and 5th stitch together": every fifth, two are worked as one. */
export function everyTogether(state: ReadState, begin: number, stitch: StitchName): Piece | null {
  const back = state.at;
  if (keyAt(state) !== 'every') return null;
  state.at++;
  const first = nthAt(state);
  if (first !== null && ['and', '&'].includes(keyAt(state))) {
    state.at++;
    const second = nthAt(state);
    passIf(state, 'stitches');
    if (second === first + 1 && keyAt(state) === 'together') {
      state.at++;
      const begun: Begun = { kind: 'work', stitch, school: 'plain', loop: 'both', through: null };
      return everyNth(begun, 1, 2, second, spanFrom(state, begin));
    }
  }
  state.at = back;
  return null;
}

function nthAt(state: ReadState): number | null {
  const number = numberOf(state.tokens[state.at]);
  const suffixed = ['st', 'nd', 'rd', 'th'].includes(keyAt(state, state.at + 1));
  if (number === null || !suffixed) return null;
  state.at += 2;
  return number;
}

/** A bare number of stitches whose name is not said: the plain stitch of the part. */
export function plainWork(count: Times, span: Span): Piece {
  return itemPiece({ ...PLAIN, count }, span);
}

export function isPlainWork(piece: Piece | undefined): piece is Extract<Piece, { is: 'item' }> & { readonly item: Work } {
  return piece?.is === 'item' && piece.item.kind === 'work' && piece.item.per === 1 && piece.item.together === 1;
}

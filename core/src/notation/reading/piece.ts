import type { Doubt } from '../diagnostic.js';
import { factsIn } from '../facts.js';
import type { Group, Item, ItemPlace, Times, Work } from '../pattern.js';
import { join, type Span } from '../span.js';

/**
 * What reading a line gives, before counts have settled it: items with their places, and choices between readings. All
 * choices of one doubt in a round are settled alike.
 */
export type Piece =
  | { readonly is: 'item'; readonly item: Exclude<Item, Group>; readonly span: Span }
  | { readonly is: 'group'; readonly pieces: readonly Piece[]; readonly times: Times; readonly span: Span }
  | { readonly is: 'choice'; readonly doubt: Doubt; readonly options: readonly (readonly Piece[])[]; readonly span: Span }
  /** What the round ends on, as the words say. */
  | { readonly is: 'total'; readonly count: number; readonly span: Span }
  /** One stitch changed at so many places, as far apart as they go; or at these places of the round (1-based). */
  | { readonly is: 'evenly'; readonly work: Work; readonly at: number | readonly number[]; readonly span: Span }
  /** As many plain stitches as the last round of a part has, or of this part where it is null: "sc around the first leg". */
  | { readonly is: 'part round'; readonly work: Work; readonly part: string; readonly span: Span }
  /** All that is left of the round below stays unworked. */
  | { readonly is: 'rest'; readonly span: Span };

export function itemPiece(item: Exclude<Item, Group>, span: Span): Piece {
  return { is: 'item', item, span };
}

/** Stitches into a ring of chains. */
export const startsChainRing = (piece: Piece): boolean =>
  piece.is === 'item' && piece.item.kind === 'start' && piece.item.from === 'chain ring';

/** Words that change no count, with what they say. */
export function remarkPiece(text: string, span: Span): Piece {
  return itemPiece({ kind: 'remark', text, facts: factsIn(text) }, span);
}

export function choice(doubt: Doubt, options: readonly (readonly Piece[])[]): Piece {
  return { is: 'choice', doubt, options, span: options[0]!.map(({ span }) => span).reduce(join) };
}

/** The pieces with every item changed, also in groups and choices. */
export function mapPieces(pieces: readonly Piece[], change: (item: Exclude<Item, Group>) => Exclude<Item, Group>): Piece[] {
  return pieces.map((piece): Piece => {
    if (piece.is === 'item') return { ...piece, item: change(piece.item) };
    if (piece.is === 'group') return { ...piece, pieces: mapPieces(piece.pieces, change) };
    if (piece.is === 'choice') return { ...piece, options: piece.options.map((option) => mapPieces(option, change)) };
    if (piece.is === 'evenly' || piece.is === 'part round') return { ...piece, work: change(piece.work) as Work };
    return piece;
  });
}

/** The pieces of the usual reading, without choices. */
export function usual(
  pieces: readonly Piece[],
  found: Exclude<Piece, { is: 'choice' }>[] = [],
): Exclude<Piece, { is: 'choice' }>[] {
  for (const piece of pieces) {
    if (piece.is === 'choice') usual(piece.options[0]!, found);
    else found.push(piece);
  }
  return found;
}

/** How a doubt is settled: the option taken, 0 for the usual one. */
export type Decide = (doubt: Doubt) => number;

/** The number of options of each doubt that some pieces hold. */
export function doubtsIn(pieces: readonly Piece[], found = new Map<Doubt, number>()): ReadonlyMap<Doubt, number> {
  for (const piece of pieces) {
    if (piece.is === 'group') doubtsIn(piece.pieces, found);
    if (piece.is !== 'choice') continue;
    found.set(piece.doubt, Math.max(found.get(piece.doubt) ?? 0, piece.options.length));
    for (const option of piece.options) doubtsIn(option, found);
  }
  return found;
}

/** The pieces with every choice made. */
export function decided(
  pieces: readonly Piece[],
  decide: Decide,
  found: Exclude<Piece, { is: 'choice' }>[] = [],
): Exclude<Piece, { is: 'choice' }>[] {
  for (const piece of pieces) {
    if (piece.is === 'group') found.push({ ...piece, pieces: decided(piece.pieces, decide) });
    else if (piece.is !== 'choice') found.push(piece);
    else decided(piece.options[Math.min(decide(piece.doubt), piece.options.length - 1)]!, decide, found);
  }
  return found;
}

/** Items and where each stands. */
export interface PlacedItems {
  readonly items: readonly Item[];
  readonly places: readonly ItemPlace[];
}

const NOTHING_INSIDE: readonly ItemPlace[] = [];

/** Items of pieces in which nothing is left to decide or to work out. */
export function placed(pieces: readonly Piece[]): PlacedItems {
  const items: Item[] = [];
  const places: ItemPlace[] = [];
  for (const piece of pieces) {
    if (piece.is === 'item') {
      items.push(piece.item);
      places.push({ from: piece.span.from, to: piece.span.to, inside: NOTHING_INSIDE });
    } else if (piece.is === 'group') {
      const inner = placed(piece.pieces);
      items.push({ kind: 'group', items: inner.items, times: piece.times });
      places.push({ from: piece.span.from, to: piece.span.to, inside: inner.places });
    }
  }
  return { items, places };
}

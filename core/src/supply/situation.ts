import type { Fabric, PatternCount } from '../fabric/index.js';
import type { YarnAndHook } from '../gauge/index.js';
import { piecesOf, within, type Position } from '../making/index.js';
import type { Holding } from './basket.js';
import { partKey, type Kit } from './kit.js';
import type { Measurement } from './measurement.js';
import { TAIL_MM } from './piece-yarn.js';
import { tailSaid } from './remarks.js';

/** A part to be made, with where each of its pieces is. */
export interface PlannedPart {
  readonly key: string;
  readonly name: string;
  readonly copies: number;
  /** Index in the pattern's parts. */
  readonly index: number;
  readonly fabric: Fabric;
  /** Label of each round. */
  readonly labels: readonly string[];
  /** Yarn left at its end, mm. */
  readonly endTail: number;
  readonly pieces: readonly { readonly id: string; readonly name: string; readonly at: Position }[];
}

/** All that decides how much yarn a make takes and whether there is enough. */
export interface Situation {
  readonly parts: readonly PlannedPart[];
  readonly tools: YarnAndHook;
  readonly kit: Kit;
  readonly measurements: readonly Measurement[];
  readonly basket: readonly Holding[];
}

/** The parts of a counted pattern that have stitches, in the pattern's order. */
export function plannedParts(
  { pattern, parts }: Pick<PatternCount, 'pattern' | 'parts'>,
  fabric: (part: number) => Fabric | null,
  place: (piece: string) => Position,
): PlannedPart[] {
  const pieces = piecesOf(pattern);
  return parts.flatMap(({ part, rounds }, index) => {
    const own = pieces.filter((piece) => piece.part === index);
    const made = fabric(index);
    if (!made || made.stitchCount === 0 || own.length === 0) return [];
    return [
      {
        key: partKey(own[0]!.id),
        name: part.name,
        copies: part.copies,
        index,
        fabric: made,
        labels: rounds.map((round) => round.label),
        endTail: tailSaid(part) ?? TAIL_MM,
        pieces: own.map(({ id, name }) => ({ id, name, at: within(made, place(id)) })),
      },
    ];
  });
}

/** The parts in the order they are to be made: those the kit names first, then the rest as the pattern has them. */
export function inOrder(parts: readonly PlannedPart[], { order }: Pick<Kit, 'order'>): readonly PlannedPart[] {
  const rank = (part: PlannedPart): number => {
    const at = order.indexOf(part.key);
    return at < 0 ? order.length : at;
  };
  return [...parts].sort((a, b) => rank(a) - rank(b) || a.index - b.index);
}

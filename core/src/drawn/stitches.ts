import { between, add, type Vector } from '../vector/index.js';
import { ROW, topOver, vAt } from './fabric-edge.js';
import { throughV, type Through, type Under } from './loops.js';
import type { Move } from './work.js';

const WRAP: Move = { does: 'wrap' };
const OVER: Move = { does: 'over' };
const DRAW_UP: Move = { does: 'draw up' };

const through = (loops: number, node: Vector, ends = true): Move => ({ does: 'through', loops, node, ends });
const into = (foot: Through): Move => ({ does: 'into', foot });

/**
 * A stitch of so many yarn-overs before it goes in, drawn off two loops at a time, or all at once.
 *
 * @param wraps 0 for single crochet, 1 for half double (all at once) and double, 2 for treble
 */
export function stitchMoves(foot: Through, top: Vector, wraps = 0, atOnce = wraps === 0): readonly Move[] {
  const goes = atOnce ? 1 : wraps + 1;
  const off = Array.from({ length: goes }, (_, i) => [
    OVER,
    through(atOnce ? wraps + 2 : 2, between(foot[1], top, (i + 1) / goes), i === goes - 1),
  ]);
  return [...Array.from({ length: wraps }, () => WRAP), into(foot), OVER, DRAW_UP, ...off.flat()];
}

/** A single crochet over stitch `i` of the worked row. */
export const singleOver = (i: number, under: Under = 'both', top = topOver(i)): readonly Move[] =>
  stitchMoves(throughV(vAt(i), under), top);

/** Two single crochets in stitch `i`: both stand in one place. */
export function increaseOver(i: number): readonly Move[] {
  const [x, y, z] = topOver(i);
  const second = add(vAt(i), [0.2, 0, 0]);
  return [...singleOver(i, 'both', [x - 0.2, y, z]), ...stitchMoves(throughV(second, 'both'), [x + 0.72, y, z])];
}

/** Stitches `i` and `i + 1` worked together through both loops. */
export function plainDecreaseOver(i: number): readonly Move[] {
  return [
    into(throughV(vAt(i), 'both')),
    OVER,
    DRAW_UP,
    into(throughV(vAt(i + 1), 'both')),
    OVER,
    DRAW_UP,
    OVER,
    through(3, add(topOver(i), [0.5, 0, 0])),
  ];
}

/** Stitches `i` and `i + 1` worked together through their front loops. */
export function invisibleDecreaseOver(i: number): readonly Move[] {
  const [first, second] = [throughV(vAt(i), 'front'), throughV(vAt(i + 1), 'front')];
  const foot: Through = [second[0], between(first[1], second[1], 0.5), between(first[2], second[2], 0.5)];
  return [into(first), into(foot), OVER, DRAW_UP, OVER, through(2, add(topOver(i), [0.5, 0, 0]))];
}

/** A loop drawn through stitch `i` and the loop on the hook at once. */
export function slipOver(i: number): readonly Move[] {
  const [x, y, z] = vAt(i);
  return [into(throughV([x, y, z], 'both')), OVER, through(1, [x + 0.1, y + 0.12, z + 0.12])];
}

/** `loops` long loops drawn up in stitch `i`, taken together, and a chain that locks them. */
export function puffOver(i: number, loops: number): readonly Move[] {
  const foot = throughV(vAt(i), 'both');
  const top = add(topOver(i), [0, ROW * 0.25, 0.1]);
  const each = Array.from({ length: loops }, () => [WRAP, into(foot), OVER, DRAW_UP]).flat();
  return [...each, OVER, through(2 * loops + 1, top, true), OVER, through(1, add(top, [0.42, 0.05, 0]), true)];
}

/** Chains in the air, each closed at one of the nodes. */
export const chainTo = (nodes: readonly Vector[]): readonly Move[] => nodes.flatMap((node) => [OVER, through(1, node)]);

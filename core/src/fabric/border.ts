import { WAYS, type Fabric } from './fabric.js';

/** Whether a fabric is a panel worked in turned rows. */
function isPanel({ roundWay, roundCount }: Fabric): boolean {
  return roundCount > 1 && WAYS[roundWay[1]!] === 'turned';
}

/** The stitches of a row or round; of a panel those of a row worked back are turned, so that all run one way. */
function acrossOf({ roundStart }: Fabric, round: number, back: boolean): number[] {
  const from = roundStart[round]!;
  const row = Array.from({ length: roundStart[round + 1]! - from }, (_, i) => from + i);
  return back ? row.reverse() : row;
}

/**
 * The stitches along a part's edge, in order: its last round; of a panel the last row, a stitch a row down the side, the
 * first row and up the other side. Mirrored it runs the other way from the same corner, as that of a panel laid on another
 * wrong sides in. A panel begun on a chain has that as its first row: its chains are given as −1 for the first place of its
 * foundation, −2 for the second, and so on.
 */
export function borderOf(fabric: Fabric, mirrored = false): number[] {
  const last = fabric.roundCount - 1;
  if (last < 0) return [];
  if (!isPanel(fabric)) return acrossOf(fabric, last, mirrored);
  const rows = Array.from({ length: fabric.roundCount }, (_, row) => acrossOf(fabric, row, (row % 2 === 1) !== mirrored)).filter(
    (row) => row.length,
  );
  const down = [...rows].reverse();
  const first = fabric.foundation?.from === 'chain' ? rows[0]!.map((row) => -1 - Math.max(0, fabric.place[row]!)) : rows[0]!;
  return [...rows.at(-1)!, ...down.map((row) => row.at(-1)!), ...first.reverse(), ...rows.map((row) => row[0]!)];
}

/**
 * The two halves of a round part's open edge when it is pressed flat, `count` places along each, so that those of the same
 * index lie on one another.
 */
export function edgesOf(fabric: Fabric, count: number): readonly [readonly number[], readonly number[]] {
  const rim = acrossOf(fabric, fabric.roundCount - 1, false);
  const at = (share: number): number => rim[Math.min(rim.length - 1, Math.floor(share * rim.length))]!;
  const places = Array.from({ length: count }, (_, place) => (place + 0.5) / count / 2);
  return [places.map(at), places.map((share) => at(1 - share))];
}

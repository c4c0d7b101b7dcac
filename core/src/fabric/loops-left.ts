import { roundLength, LOOPS, type Fabric } from './fabric.js';

/** Loops of a round that the round over it left unworked, on which something can be worked later. */
export interface LoopsLeft {
  readonly front: number;
  readonly back: number;
}

/** @returns how many stitches of `round` (0-based) still have their front or back loop free; none after the last round */
export function loopsLeft(fabric: Fabric, round: number): LoopsLeft {
  let front = 0;
  let back = 0;
  if (round + 1 >= fabric.roundCount) return { front, back };
  const start = fabric.roundStart[round]!;
  const worked = new Uint8Array(roundLength(fabric, round));
  for (let row = fabric.roundStart[round + 1]!; row < fabric.roundStart[round + 2]!; row++) {
    const loop = LOOPS[fabric.loop[row]!];
    for (let i = 0; i < fabric.parentCount[row]!; i++) {
      const at = fabric.firstParent[row]! + i - start;
      if (worked[at]) continue;
      worked[at] = 1;
      if (loop === 'back') front++;
      else if (loop === 'front') back++;
    }
  }
  return { front, back };
}

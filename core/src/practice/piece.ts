import { checkPattern, fabricOf, type Fabric } from '../fabric/index.js';
import { read } from '../notation/index.js';

/** Numbers from 0 to below 1, from a seed. */
export type Toss = () => number;

/** A whole number from `least` to `most`, both included. */
export const between = (toss: Toss, least: number, most: number): number => least + Math.floor(toss() * (most - least + 1));

export const oneOf = <T>(toss: Toss, items: readonly T[]): T => items[Math.floor(toss() * items.length)]!;

/** In an order that was tossed. */
export function shuffled<T>(toss: Toss, items: readonly T[]): readonly T[] {
  const all = [...items];
  for (let i = all.length - 1; i > 0; i--) {
    const k = Math.floor(toss() * (i + 1));
    [all[i], all[k]] = [all[k]!, all[i]!];
  }
  return all;
}

/** The fabric of rounds as they are written; every task is made of one, so that counting has one place. */
export function fabricOfRounds(rounds: readonly string[]): Fabric {
  const reading = read(rounds.map((round, i) => `R${i + 1}: ${round}`).join('\n'));
  return fabricOf(checkPattern(reading).parts[0]!);
}

/** A flat disc of six increases a round: stacked above each other, or with every second round's moved by half a repeat. */
export function discRounds(count: number, staggered: boolean): readonly string[] {
  return Array.from({ length: count }, (_, i) => {
    if (i === 0) return '6 sc in ring';
    if (i === 1) return 'inc × 6';
    const plain = i - 1;
    const half = Math.floor(plain / 2);
    if (!staggered || i % 2 === 0) return `(${plain} sc, inc) × 6`;
    return `${half > 0 ? `${half} sc, ` : ''}inc, (${plain} sc, inc) × 5, ${plain - half} sc`;
  });
}

/** A wall: as many stitches in every round, `count` rounds. */
export const wallRounds = (stitches: number, count: number): string[] =>
  Array.from({ length: count }, (_, i) => (i === 0 ? `${stitches} sc in ring` : 'sc around'));

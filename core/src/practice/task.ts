import type { TaskKind } from '../bounds/index.js';
import type { DrawnStrand, Mark, Sight } from '../drawn/index.js';
import type { Vector } from '../vector/index.js';

export const LEAST_LEVEL = 1;
export const MOST_LEVEL = 5;

/** A place in the picture that can be pointed at: a stitch, by its row in the fabric. */
export interface Spot {
  readonly stitch: number;
  readonly at: Vector;
}

/** The piece as it is seen from outside. */
export interface Picture extends Sight {
  readonly strands: readonly DrawnStrand[];
  readonly marks: readonly Mark[];
}

/** One of a few answers, as a fact; its words are made last. */
export type Option =
  | { readonly is: 'side'; readonly side: 'outside' | 'inside' }
  | { readonly is: 'loop'; readonly loop: 'both' | 'back' | 'front' }
  | { readonly is: 'shape'; readonly shape: 'stacked' | 'staggered' | 'oval' }
  | { readonly is: 'slip'; readonly slip: 'increase missing' | 'increase too many' | 'stitch missed'; readonly group: number };

/** What is asked, and the one right answer. */
export type Ask =
  | { readonly is: 'number'; readonly answer: number; readonly least: number; readonly most: number }
  | { readonly is: 'choice'; readonly options: readonly Option[]; readonly answer: Option }
  /** All stitches that are meant; of those that share a foot either will do. */
  | { readonly is: 'spots'; readonly spots: readonly Spot[]; readonly answer: readonly (readonly number[])[] };

export interface Task {
  readonly kind: TaskKind;
  readonly level: number;
  readonly seed: number;
  readonly ask: Ask;
  readonly picture: Picture;
  /** The picture once it was answered: what the answer stands on is pointed at, or marked beside it. */
  readonly why: Pick<Picture, 'strands' | 'marks'>;
  /** Numbers that its words need. */
  readonly facts: Readonly<Record<string, number>>;
}

/** What the maker said. */
export type Given =
  | { readonly is: 'number'; readonly value: number }
  | { readonly is: 'choice'; readonly option: Option }
  | { readonly is: 'spots'; readonly stitches: readonly number[] };

export const sameOption = (a: Option, b: Option): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Whether an answer is the right one; one of another sort never is. */
export function isRight({ ask }: Task, given: Given): boolean {
  if (ask.is === 'number') return given.is === 'number' && given.value === ask.answer;
  if (ask.is === 'choice') return given.is === 'choice' && sameOption(given.option, ask.answer);
  if (given.is !== 'spots') return false;
  const found = ask.answer.map((group) => given.stitches.filter((stitch) => group.includes(stitch)).length);
  const meant = new Set(ask.answer.flat());
  return found.every((count) => count > 0) && given.stitches.every((stitch) => meant.has(stitch));
}

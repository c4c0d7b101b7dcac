import type { Vector } from '../vector/index.js';
import type { Camera, Strand } from '../strand/index.js';

/**
 * What a strand is, which says how it is painted: yarn that is worked already, the strand that is being worked, yarn of
 * another colour, a strand that is pointed at, and what else lies on the table. A wall is fabric cut open.
 */
export type Tone =
  | 'worked'
  | 'working'
  | 'other'
  | 'pointed at'
  | 'thread'
  | 'hook'
  | 'needle'
  | 'pin'
  | 'marker'
  | 'finger'
  | 'wall'
  | 'eye'
  | 'stuffing';

export interface DrawnStrand extends Strand {
  readonly tone: Tone;
  /** Whether it is what moves in this frame. */
  readonly moves?: boolean;
}

/** One picture of a card. */
export interface Frame {
  /** The step of the card that it shows, 0-based. */
  readonly step: number;
  readonly strands: readonly DrawnStrand[];
  readonly marks?: readonly Mark[];
  /** Where it is looked at in another way than the card's other pictures. */
  readonly seen?: Sight;
}

/** What is written on a drawing: a number beside a stitch, a line that things are measured by, the way something moves. */
export type Mark =
  | { readonly is: 'number'; readonly text: string; readonly at: Vector }
  | { readonly is: 'line' | 'arrow'; readonly from: Vector; readonly to: Vector };

/** How a drawing is looked at, and what of it. */
export interface Sight {
  readonly camera: Camera;
  /** What is seen, in stitch widths on paper: left, top, width, height, as a right hand works. */
  readonly view: readonly [number, number, number, number];
}

/** The pictures of a card: a strand of the same id and as many knots moves from one to the next. */
export interface Drawing extends Sight {
  readonly frames: readonly Frame[];
}

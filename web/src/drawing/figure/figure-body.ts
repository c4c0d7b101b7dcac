import type { Stance } from '@lemniscus/core/assembly';
import type { BodyShape } from '@lemniscus/core/shape';
import type { YarnLook } from './yarn-material';

/** What a figure is painted with, beside its shape. */
export interface FigurePaint {
  /** CSS colour of each of the shape's colours. */
  readonly colours: readonly string[];
  readonly look: YarnLook;
  readonly evening: boolean;
  /** Worked with the left hand, it is the mirror image. */
  readonly mirrored: boolean;
}

/** An eye: where it is set, outwards from there, and its radius, all in stitch widths. */
export interface FigureEye {
  readonly at: readonly [number, number, number];
  readonly out: readonly [number, number, number];
  readonly radius: number;
  /** CSS colour of what is no eye but stitched or stuck on; it is flat. */
  readonly flat?: string;
}

/** A shape on the table, so many stitch widths to the right of the middle, with its eyes. */
export interface FigureBody {
  readonly shape: BodyShape;
  readonly paint: FigurePaint;
  readonly x: number;
  /** How many times as large as the others' unit its stitches are; 1 where it is left out. */
  readonly scale?: number;
  readonly eyes: readonly FigureEye[];
  /** How it is turned and moved to its place in a figure; bodies with one are looked at together. */
  readonly stance?: Stance;
  /** Not worked yet: it is pale. */
  readonly ghost?: boolean;
}

/** Where a click went: the body and its stitch, by their indices. */
export interface Picked {
  readonly body: number;
  readonly stitch: number;
}

/** What is taken hold of: a body, or something set into it, by its index among the body's eyes. */
export interface Held {
  readonly body: number;
  readonly eye: number | null;
}

/** Stitches that stand out, by their index in the shape: those of the line looked at, and those with a slip. */
export interface FigureMarks {
  readonly lit: ReadonlySet<number>;
  readonly wrong: ReadonlySet<number>;
}

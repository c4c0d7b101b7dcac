import type { End } from '../design/index.js';
import type { YarnWeightNumber } from '../gauge/index.js';

/** A point of an outline that can be dragged; mm, half a width at a height. A corner is no curve. */
export interface SketchPoint {
  readonly r: number;
  readonly z: number;
  readonly corner: boolean;
  /** An edge: the round there is worked in the back loops. */
  readonly edge: boolean;
}

/** Half an outline, from where the work starts to where it ends. */
export interface SketchOutline {
  readonly points: readonly SketchPoint[];
  readonly end: End;
  /** How much longer than wide an oval is, mm; 0 where it is round. */
  readonly straight: number;
  /** How far it bends, degrees; straight where it is left out. */
  readonly bend?: number;
  /** Whether both its open ends are sewn together. */
  readonly ring?: boolean;
}

/** Stitches that a part of a sketch is worked in. */
export type SketchStitch = 'sc' | 'hdc' | 'dc';
export const SKETCH_STITCHES: readonly SketchStitch[] = ['sc', 'hdc', 'dc'];

/** From a round on, 1-based, a colour. */
export interface SketchColour {
  readonly from: number;
  readonly name: string;
}

/** How high a part sits on another: a share of its wall from its start, or over its end. */
export type SketchHeight = { readonly is: 'share'; readonly share: number } | { readonly is: 'start' };

/** Where round another part it sits: at a side, in a pair so many stitches apart, one at each side, spread, or all round. */
export type SketchRound =
  | { readonly is: 'side'; readonly side: 'front' | 'back' | 'left' | 'right' }
  | { readonly is: 'pair'; readonly apart: number; readonly side: 'front' | 'back' }
  | { readonly is: 'sides' }
  | { readonly is: 'evenly' }
  | { readonly is: 'around' };

export interface SketchPlace {
  /** Id of the part it sits on. */
  readonly on: string;
  readonly height: SketchHeight;
  readonly round: SketchRound;
  readonly join: 'sewn' | 'sewn flat';
}

export interface SketchPart {
  readonly id: string;
  readonly name: string;
  readonly copies: number;
  readonly outline: SketchOutline;
  /** Stitches of each round, set by hand; null where they follow from the outline. */
  readonly counts: readonly number[] | null;
  /** Stitches its ring begins with; null for the usual. */
  readonly first: number | null;
  readonly stuffed: boolean;
  /** What it is worked in: a taller stitch only where the maker asks for it. */
  readonly worked: SketchStitch;
  readonly colours: readonly SketchColour[];
  readonly place: SketchPlace | null;
  /** What it grows out of: the copies of an open part, with so many chains from one to the next; null for a start of its own. */
  readonly grows: SketchGrowth | null;
}

export interface SketchGrowth {
  /** Id of the part. */
  readonly from: string;
  readonly chains: number;
}

/** Stitches of the rim that a part grows out of: those of every copy, and both sides of the chains between. */
export function rimOf({ chains }: SketchGrowth, copies: number, lastRound: number): number {
  return copies * lastRound + 2 * chains * Math.max(1, copies - 1);
}

/** What is drawn in the Studio: parts with their outlines, in one yarn. */
export interface Sketch {
  readonly id: string;
  readonly name: string;
  readonly yarnWeight: YarnWeightNumber;
  readonly hookMm: number;
  readonly parts: readonly SketchPart[];
  /** When it was changed last, ms since 1970. */
  readonly at: number;
}

/** A part as it is before anything was chosen for it. */
export function plainPart(id: string, name: string, outline: SketchOutline): SketchPart {
  return {
    id,
    name,
    copies: 1,
    outline,
    counts: null,
    first: null,
    stuffed: true,
    worked: 'sc',
    colours: [{ from: 1, name: 'white' }],
    place: null,
    grows: null,
  };
}

/**
 * Whether a part is drawn standing on its start: on a flat base with an edge, along a chain, or on what it grows out of. Others
 * hang from it, like a head begun at the crown, as they do everywhere (`standsOnStart`).
 */
export function standsAsDrawn({ points, straight }: SketchOutline, grows: SketchGrowth | null = null): boolean {
  const [first, second] = points;
  if (straight > 0 || grows !== null) return true;
  return first !== undefined && second?.edge === true && Math.abs(second.z - first.z) < second.r / 4;
}

/** Whether an outline is open at both ends, so that they can be sewn to one another. */
export function isTube({ points, end, straight }: SketchOutline): boolean {
  return end === 'open' && straight === 0 && points.length > 1 && points[0]!.r > 0;
}

/** Whether its ends are sewn together: what is no tube stays as it is drawn. */
export const closesToRing = (outline: SketchOutline): boolean => outline.ring === true && isTube(outline);

/** Widest and tallest of an outline, mm. */
export function outlineSize({ points, straight }: SketchOutline): { readonly across: number; readonly tall: number } {
  const heights = points.map(({ z }) => z);
  const across = 2 * Math.max(0, ...points.map(({ r }) => r)) + straight;
  return { across, tall: points.length === 0 ? 0 : Math.max(...heights) - Math.min(...heights) };
}

/** An outline so wide and so tall, stretched either way. */
export function stretched(
  outline: SketchOutline,
  { across, tall }: { readonly across?: number; readonly tall?: number },
): SketchOutline {
  const size = outlineSize(outline);
  const low = Math.min(...outline.points.map(({ z }) => z));
  const wide = across === undefined || size.across === 0 ? 1 : across / size.across;
  const high = tall === undefined || size.tall === 0 ? 1 : tall / size.tall;
  return {
    ...outline,
    straight: outline.straight * wide,
    points: outline.points.map((point) => ({ ...point, r: point.r * wide, z: low + (point.z - low) * high })),
  };
}

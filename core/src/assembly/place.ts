import type { StitchSize } from '../gauge/index.js';
import type { Join, Tip } from '../notation/index.js';
import type { Lean } from '../spacing/index.js';
import type { Feature } from './feature.js';
import type { Problem } from './problem.js';
import type { MadePiece, Wall } from './wall.js';

/** One hole or stitch that a pin goes through. */
export interface Pin {
  /** 0-based; a hole is at the top of it. */
  readonly round: number;
  /** Stitches from the round's start, in the direction of work: the hole behind so many, or with `in`, the stitch after them. */
  readonly after: number;
  readonly in: boolean;
  /** Round the axis, as `stitchAngles` counts. */
  readonly turns: number;
  /** From the front, turns, growing to the right of whoever looks at it: −0.5 to 0.5. */
  readonly fromFront: number;
  /** From the front along the wall, mm, growing to the right. */
  readonly aroundMm: number;
  /** From the start of the host along its wall, mm. */
  readonly alongMm: number;
}

/** Where one copy of a feature goes, as its host was made. */
export interface Place {
  readonly feature: Feature;
  /** 1-based. */
  readonly copy: number;
  readonly host: { readonly part: number; readonly copy: number };
  readonly wall: Wall;
  /** 0-based rounds; a gap lies between `first` and the one after. */
  readonly first: number;
  readonly last: number;
  readonly gap: boolean;
  /** How it sits and is held: as its own words say, or those of what it mirrors. */
  readonly tip: Tip | null;
  readonly join: Join;
  /** Over the whole round, like a cap. */
  readonly around: boolean;
  /** One, or where it starts and where its tip lies. */
  readonly pins: readonly Pin[];
  /** What it takes of the wall, and how long it is from its edge to its other end (0 for what has none), mm. */
  readonly size: { readonly width: number; readonly height: number; readonly length: number };
  /** Whether the text says the height and how far round; where not, it is proposed. */
  readonly said: { readonly height: boolean; readonly round: boolean };
  /** In a straight line to the other of its pair, mm; null for what has none. */
  readonly across: number | null;
}

/** The rounds of its host that it sits at. */
export type Heights = Pick<Place, 'first' | 'last' | 'gap'>;

/** Every place of a make, and what is wrong with them. */
export interface Places {
  readonly features: readonly Feature[];
  readonly places: readonly Place[];
  readonly problems: readonly Problem[];
  /** The front of each host with something on it, turns, by "part/copy". */
  readonly fronts: ReadonlyMap<string, number>;
  readonly walls: ReadonlyMap<string, Wall>;
}

export interface PlaceOptions {
  /** A copy of a part as it was made, 1-based; null for one there is not. */
  readonly made: (part: number, copy: number) => MadePiece | null;
  readonly lean: Lean;
  readonly hand: 'right' | 'left';
  readonly stitch: StitchSize;
  /** Diameter of the eyes, mm. */
  readonly eyeMm: number;
  /** Where the maker put a copy of a feature, if not where the pattern says. */
  readonly put?: (feature: Feature, copy: number) => PutElsewhere | null;
}

/** By the number of the round: in the hole behind so many stitches from its start, or in the stitch after them. */
export interface PutElsewhere {
  readonly round: number;
  readonly after: number;
  readonly inside: boolean;
}

import type { Apart, Fact } from '../facts.js';
import type { Span } from '../span.js';

/** What is placed, or placed by: a part, one of its copies ("Wing 1"), or a feature that is no part ("eyes", "mouth"). */
export interface Named {
  readonly name: string;
  /** The part of that name; null for what is no part. */
  readonly part: number | null;
  /** Which copy, 1-based; null for all of them, or the only one. */
  readonly copy: number | null;
}

/** A side of a host. Left and right are those of whoever looks at its front. */
export type Side = 'front' | 'back' | 'left' | 'right' | 'start';

/** So far along the wall, to the left or the right of whoever looks at the front. */
export type Aside = { readonly toward: 'left' | 'right' } & ({ readonly turns: number } | { readonly stitches: number });

/** How high on a host. Rounds have the numbers of the text. */
export type Height =
  /** In the holes between a round and the next. */
  | { readonly is: 'gap'; readonly below: number }
  | { readonly is: 'rounds'; readonly first: number; readonly last: number }
  /** So many rounds nearer the host's start, or further from it, than a feature, as it stands: 'below' is down. */
  | { readonly is: 'beside'; readonly of: Named; readonly rounds: number; readonly way: 'above' | 'below' }
  /** The middle of the disc it starts with. */
  | { readonly is: 'start' }
  /** The last round, at an open edge. */
  | { readonly is: 'edge' };

/** How far round a host. */
export type Round =
  | { readonly is: 'side'; readonly of: Side; readonly aside: Aside | null }
  /** Over the middle of a feature, or half-way between a pair. */
  | { readonly is: 'centred'; readonly of: Named; readonly aside: Aside | null }
  | { readonly is: 'opposite'; readonly of: Named }
  /** A pair with so many stitches free between, in the middle of a side. */
  | { readonly is: 'apart'; readonly apart: Apart; readonly side: Side }
  /** Spread over the whole round, the first at a side. */
  | { readonly is: 'evenly'; readonly from: Side }
  /** Spread over these stitches of the round, counted from the marker, the first and last at their ends. */
  | { readonly is: 'stitches'; readonly first: number; readonly last: number }
  /** In the hole behind a stitch counted from the marker; one for each. */
  | { readonly is: 'after'; readonly stitches: readonly number[] }
  /** One at each side. */
  | { readonly is: 'sides' };

export type Tip = 'up' | 'down' | 'out' | 'front' | 'back';

/** How a piece is held: sewn round its open edge, flat along it, edge to edge, worked in, or otherwise. */
export type Join =
  | 'sewn'
  | 'sewn flat'
  | 'edge to edge'
  | 'whipped'
  | 'worked in'
  | 'made in place'
  | 'embroidered'
  | 'set'
  | 'tied'
  | 'glued'
  | 'pushed in';

/** Where something goes, as a line of the making-up says it; null is not said. */
export interface Placing {
  readonly subject: Named;
  readonly host: Named | null;
  readonly height: Height | null;
  readonly round: Round | null;
  /** How many, where it is said: "Spots: 4 on Cap". */
  readonly count: number | null;
  readonly mirrors: Named | null;
  readonly tip: Tip | null;
  readonly join: Join | null;
}

/** One line of the making-up, as written. */
export interface MakingLine {
  readonly text: string;
  readonly facts: readonly Fact[];
  /** null for words that stay a note. */
  readonly placing: Placing | null;
  readonly span: Span;
}

/** Everything a placing names: what it places, on what, and by what. */
export function namesIn({ subject, host, height, round, mirrors }: Placing): Named[] {
  return [subject, host, ...placedBy({ height, round, mirrors })].filter((each) => each !== null);
}

/** What the place of a thing goes by. */
export function placedBy({ height, round, mirrors }: Pick<Placing, 'height' | 'round' | 'mirrors'>): Named[] {
  const of = [height?.is === 'beside' ? height.of : null, round?.is === 'centred' || round?.is === 'opposite' ? round.of : null];
  return [...of, mirrors].filter((each) => each !== null);
}

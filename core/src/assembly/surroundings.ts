import type { Named } from '../notation/index.js';
import type { Feature } from './feature.js';
import type { Footprint } from './footprint.js';
import type { Heights, Place, PlaceOptions } from './place.js';
import type { Tell } from './problem.js';
import type { Wall } from './wall.js';

/** What placing one feature asks of all the others, of its host and of the maker. */
export interface Surroundings {
  readonly features: readonly Feature[];
  readonly options: PlaceOptions;
  readonly tell: Tell;
  /** Another feature by what a feature calls it. */
  readonly other: (feature: Feature, name: Named) => Feature | undefined;
  /** Where another feature goes that this one goes by; null, and told, where that one goes by this. */
  readonly placesBeside: (feature: Feature, other: Feature) => readonly Place[] | null;
  /** A copy of a part as what a feature sits on; null, and told, where it cannot. */
  readonly wallAt: (feature: Feature, host: Place['host']) => Wall | null;
  /** The rounds of its host that a feature sits at; null where there are none. */
  readonly heightOf: (feature: Feature, wall: Wall) => Heights | null;
  /** Whether the height of a feature hangs on what is being asked. */
  readonly waitsForHeight: (feature: Feature) => boolean;
  readonly sizeOf: (feature: Feature) => Footprint;
  /** The front of a host, turns; with no eyes on it, opposite where the round begins (common practice). */
  readonly frontOf: (host: Place['host'], wall: Wall, at: Heights) => number;
}

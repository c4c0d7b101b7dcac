import type { Fabric, PartCount } from '@lemniscus/core/fabric';
import type { Measures, Profile } from '@lemniscus/core/shape';

/** A part with its stuffed shape in the yarn and hook at hand. */
export interface MadePart {
  readonly index: number;
  readonly name: string;
  readonly copies: number;
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly colours: readonly string[];
  /** Whether it stands on its start. */
  readonly upright: boolean;
  /** Worked flat, in rows: it has a width and no opening. */
  readonly flat: boolean;
  readonly profile: Profile;
  readonly size: Measures;
  /** Diameter of the opening after each round, mm. */
  readonly openings: readonly number[];
}

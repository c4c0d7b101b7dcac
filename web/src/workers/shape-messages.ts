import type { Fabric } from '@lemniscus/core/fabric';
import type { Refusal, StitchSize, YarnAndHook } from '@lemniscus/core/gauge';
import type { FittedPart, MeasuredPart, Profile } from '@lemniscus/core/shape';

/** The shape of a part, asked for. */
export interface ShapeQuestion {
  readonly key: string;
  readonly fabric: Fabric;
  /** Height over width of a stitch. */
  readonly ratio: number;
  /** Share by which stuffing stretches it. */
  readonly stretch: number;
}

/** What a measured part says of its stitch, asked for. */
export interface FitQuestion {
  readonly fit: string;
  readonly fabric: Fabric;
  readonly measured: MeasuredPart;
  readonly tools: YarnAndHook;
  readonly swatch: StitchSize | null;
}

/** A large part is answered twice: by its rounds at once, and by every stitch when that is done. */
export interface ShapeAnswer {
  readonly key: string;
  /** In stitch widths; null where it could not be worked out. */
  readonly profile: Profile | null;
  readonly last: boolean;
}

export interface FitAnswer {
  readonly fit: string;
  readonly read: FittedPart | Refusal<keyof MeasuredPart>;
}

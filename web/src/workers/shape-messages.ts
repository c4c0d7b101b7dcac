import type { StitchSize } from '@lemniscus/core/gauge';
import type { Profile } from '@lemniscus/core/shape';

export interface ShapeQuestion {
  readonly key: string;
  readonly counts: readonly number[];
  readonly size: StitchSize;
  /** Worked flat, in turned rows, and not stuffed. */
  readonly flat: boolean;
}

export interface ShapeAnswer {
  readonly key: string;
  readonly profile: Profile;
}

import type { StitchSize } from '@lemniscus/core/gauge';
import type { Lie, Profile } from '@lemniscus/core/shape';

export interface ShapeQuestion {
  readonly key: string;
  readonly counts: readonly number[];
  readonly size: StitchSize;
  readonly lie: Lie;
}

export interface ShapeAnswer {
  readonly key: string;
  readonly profile: Profile;
}

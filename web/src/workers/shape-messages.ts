import type { Outline, Profile } from '@lemniscus/core/shape';

export interface ShapeQuestion {
  readonly key: string;
  readonly outline: Outline;
  /** Height over width of a stitch. */
  readonly ratio: number;
}

export interface ShapeAnswer {
  readonly key: string;
  /** In stitch widths; null where it could not be worked out. */
  readonly profile: Profile | null;
}

import type { Fabric } from '@lemniscus/core/fabric';
import type { Profile } from '@lemniscus/core/shape';

export interface ShapeQuestion {
  readonly key: string;
  readonly fabric: Fabric;
  /** Height over width of a stitch. */
  readonly ratio: number;
}

/** A large part is answered twice: by its rounds at once, and by every stitch when that is done. */
export interface ShapeAnswer {
  readonly key: string;
  /** In stitch widths; null where it could not be worked out. */
  readonly profile: Profile | null;
  readonly last: boolean;
}

import type { PartCount } from '@lemniscus/core/fabric';
import type { BodyShape } from '@lemniscus/core/shape';

/** What a figure is asked for: the body that has a part in it. */
export interface FigureQuestion {
  /** Who asks: a later question of the same asker takes the place of an earlier one, and begins from where that one lay. */
  readonly slot: string;
  readonly id: number;
  /** The parts of the pattern, counted. */
  readonly parts: readonly PartCount[];
  readonly part: number;
  readonly copy: number;
  /** Height over width of a stitch. */
  readonly ratio: number;
  /** Share by which stuffing stretches it. */
  readonly stretch: number;
  /** Whether it stands on its start; null as its largest piece is usually seen. */
  readonly upright: boolean | null;
}

export type FigureRequest = { readonly ask: FigureQuestion } | { readonly stop: string };

/** The shape as far as it is; `going` while it still moves. What could not be worked out has no shape. */
export interface FigureAnswer {
  readonly slot: string;
  readonly id: number;
  readonly shape: BodyShape | null;
  readonly going: boolean;
  /** How near to rest, 0 to 1, in the tool's own guess. */
  readonly share: number;
}

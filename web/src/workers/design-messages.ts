import type { Aim, Change, Hands } from '@lemniscus/core/resize';
import type { Found, SketchGauge, SketchPart } from '@lemniscus/core/sketch';
import type { StitchSize } from '@lemniscus/core/gauge';

/** What is asked: rounds for a drawn part; a pattern larger or smaller; a part of it changed by a step. */
export type DesignQuestion =
  | { readonly is: 'find'; readonly part: SketchPart; readonly gauge: SketchGauge; readonly rim?: number }
  | {
      readonly is: 'resize';
      readonly text: string;
      readonly aim: Aim | { readonly to: 'by'; readonly by: number };
      readonly hands: Hands;
      /** Parts by index; all where it is null. */
      readonly only: readonly number[] | null;
    }
  | { readonly is: 'change'; readonly text: string; readonly part: number; readonly change: Change; readonly stitch: StitchSize };

/** A later question of the same asker takes the place of an earlier one. */
export type DesignRequest =
  { readonly slot: string; readonly id: number; readonly ask: DesignQuestion } | { readonly slot: string; readonly stop: true };

/** A pattern that was made anew, or why it was not. */
export type Remade =
  | { readonly text: string; readonly by: number | null; readonly reached: number | null; readonly looks: readonly string[] }
  | { readonly refused: string };

export type DesignAnswer = { readonly slot: string; readonly id: number } & (
  { readonly share: number } | { readonly found: Found | null } | { readonly remade: Remade } | { readonly trouble: string }
);

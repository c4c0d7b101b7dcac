import type { PlanOptions, Ready, WayOut, Wish } from '@lemniscus/core/planning';

/** A plan, asked for; a later question puts an earlier one off. */
export interface PlanQuestion {
  readonly key: number;
  readonly wishes: readonly Wish[];
  readonly options: PlanOptions;
}

/** When each is ready, at once; then one wish after the other when it has to be begun, and what would help it. */
export type PlanAnswer =
  | { readonly key: number; readonly ready: readonly Ready[] }
  | { readonly key: number; readonly wish: string; readonly startBy: string | null; readonly ways: readonly WayOut[] }
  | { readonly key: number; readonly done: true };

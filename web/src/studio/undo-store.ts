import { Sketch as Kept } from '@lemniscus/api/sketch';
import type { Sketch } from '@lemniscus/core/sketch';
import * as z from 'zod';
import { keep, recall } from '../data/device/local';

/** One sketch at a time: going back is for what one is at. */
const KEY = 'studio.undo';
/** Letters that are kept; the steps furthest back go first. */
const MOST = 400_000;

const Steps = z.object({ id: z.string(), at: z.number(), past: z.array(Kept) });

/** Keeps the way back of a sketch on this device, so that it outlasts the page. */
export function keepUndo({ id, at }: Sketch, past: readonly Sketch[]): void {
  let steps = past;
  while (steps.length > 1 && JSON.stringify(steps).length > MOST) steps = steps.slice(Math.ceil(steps.length / 2));
  keep(KEY, { id, at, past: steps });
}

/** The way back of a sketch, if nothing has changed it since: from elsewhere, or in another window. */
export function undoOf({ id, at }: Sketch): readonly Sketch[] {
  const kept = Steps.safeParse(recall(KEY));
  return kept.success && kept.data.id === id && kept.data.at === at ? kept.data.past : [];
}

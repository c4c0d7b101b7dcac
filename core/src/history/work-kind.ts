import { roundLength, type Fabric } from '../fabric/index.js';
import type { MakerEvent } from '../making/index.js';

/** What a maker's time goes into: rounds by what they do to the count, putting together, and what is done by the way. */
export type WorkKind = 'starting' | 'plain' | 'increases' | 'closing' | 'joining' | 'details';

export const WORK_KINDS: readonly WorkKind[] = ['starting', 'plain', 'increases', 'closing', 'joining', 'details'];

/** The kind of a round: the first starts; after it by whether it has more, as many or fewer stitches than the one before. */
export function kindOfRound(fabric: Fabric, round: number): WorkKind {
  if (round === 0) return 'starting';
  const more = roundLength(fabric, round) - roundLength(fabric, round - 1);
  return more > 0 ? 'increases' : more < 0 ? 'closing' : 'plain';
}

/** The kind of what is no stitch: a step of putting together that joins, or eyes, stuffing, a remark. */
export function kindOfEvent(event: MakerEvent): WorkKind {
  return event.kind === 'settled' && event.gate.startsWith('step join') ? 'joining' : 'details';
}

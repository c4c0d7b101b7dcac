import { roundColours, roundLength, type Fabric } from '../fabric/index.js';
import { kindOfRound, type PaceByKind } from '../history/index.js';
import { isFinished, type Position } from '../making/index.js';
import { minutesOf, workFrom } from './work.js';

/** What a make has to offer right now. */
export interface Doable {
  /** The piece that is soonest worked to its end; null where none is left. */
  readonly soonest: { readonly piece: string; readonly minutes: number } | null;
  /** The longest run of rounds that need no counting next in a piece: 0-based rounds, the second past the last. */
  readonly plain: { readonly piece: string; readonly rounds: readonly [number, number]; readonly stitches: number } | null;
  /** The yarn the next stitch of each piece is worked in. */
  readonly colours: readonly string[];
}

/** Fewer stitches than this are no train ride (our own estimate). */
const LEAST_PLAIN = 36;

/** What can be done now with pieces that are so far. */
export function doableNow(
  pieces: readonly { readonly name: string; readonly fabric: Fabric; readonly position: Position }[],
  pace: PaceByKind,
): Doable {
  const left = pieces.filter(({ fabric, position }) => fabric.stitchCount > 0 && !isFinished(fabric, position));
  let soonest: Doable['soonest'] = null;
  let plain: Doable['plain'] = null;
  for (const { name, fabric, position } of left) {
    const minutes = minutesOf(workFrom(fabric, position), pace);
    if (!soonest || minutes < soonest.minutes) soonest = { piece: name, minutes };
    const rounds = plainRun(fabric, position);
    const stitches = rounds ? lengthOf(fabric, rounds) : 0;
    if (rounds && stitches >= LEAST_PLAIN && stitches > (plain?.stitches ?? 0)) plain = { piece: name, rounds, stitches };
  }
  const colours = left.map(({ fabric, position }) => roundColours(fabric)[position.round] ?? '');
  return { soonest, plain, colours: [...new Set(colours)] };
}

/** The straight rounds in one yarn that come next: from the round at hand where it is one, or else from the one after it. */
function plainRun(fabric: Fabric, { round, action }: Position): readonly [number, number] | null {
  const colours = roundColours(fabric);
  const isPlain = (at: number): boolean => at > 0 && at < fabric.roundCount && kindOfRound(fabric, at) === 'plain';
  const from = isPlain(round) ? round : action === 0 ? -1 : round + 1;
  if (from < 0 || !isPlain(from)) return null;
  let to = from + 1;
  while (isPlain(to) && colours[to] === colours[from]) to++;
  return [from, to];
}

function lengthOf(fabric: Fabric, [from, to]: readonly [number, number]): number {
  return Array.from({ length: to - from }, (_, i) => roundLength(fabric, from + i)).reduce((sum, own) => sum + own, 0);
}

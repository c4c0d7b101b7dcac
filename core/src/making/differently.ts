import { roundLength, type Fabric, type PartCount } from '../fabric/index.js';
import { inLoop, isAction, usesOnce, type Item, type Terms, type Work } from '../notation/index.js';
import { itemsOf, respread } from '../spacing/index.js';
import { alike, asWritten, frameOf, itemsOfRound, singleItems } from './round-words.js';

/** A round cut at the action at hand. */
interface CutRound {
  /** All before the action, one by one. */
  readonly done: readonly Item[];
  readonly at: Item;
  /** All after it but what closes the round. */
  readonly rest: readonly Item[];
  readonly closing: readonly Item[];
}

/** @returns null for a round without such an action, or one that starts a part: there is nothing to spread in a ring */
function cutRound({ part, rounds }: PartCount, round: number, action: number): CutRound | null {
  const counted = rounds[round];
  const line = counted && part.lines[counted.line];
  if (!line) return null;
  const { opening, stitches, closing } = frameOf(itemsOfRound(line, counted.number));
  const items = [...opening, ...singleItems(stitches, counted.around)];
  if (items.some((item) => item.kind === 'start')) return null;
  let left = action;
  const at = items.findIndex((item) => isAction(item) && left-- === 0);
  return at < 0 ? null : { done: items.slice(0, at), at: items[at]!, rest: items.slice(at + 1), closing };
}

/**
 * The words for a round in which the action at hand was worked differently: a change that comes early, or plain where a
 * change was due. What was worked stays as it was written, with its loops, colours and joins; the rest is spread anew so
 * that the round still lands on its count.
 * @param action 0-based action of the round, the one that was worked otherwise
 * @returns null when the count cannot be reached any more, when the rest is more than stitches of one kind, and for slip
 * stitches and chains, which neither increase nor decrease
 */
export function workedOtherwise(
  counted: PartCount,
  fabric: Fabric,
  round: number,
  action: number,
  as: 'plain' | 'increase' | 'decrease',
  terms: Terms,
): string | null {
  const cut = cutRound(counted, round, action);
  if (cut?.at.kind !== 'work' || cut.at.through !== null || cut.at.stitch === 'sl st' || cut.at.stitch === 'ch') return null;
  const how = alike([cut.at, ...cut.rest]);
  if (!how) return null;
  const now: Work = {
    ...cut.at,
    per: as === 'increase' ? 2 : 1,
    together: as === 'decrease' ? 2 : 1,
    school: as === 'decrease' ? schoolOf(cut) : 'open',
  };
  const below = counted.rounds[round]!.available;
  const makes = roundLength(fabric, round);
  const from = fabric.roundAction[round]!;
  const used = usesOf(cut.done) + now.together;
  const made = fabric.actionStart[from + action]! - fabric.roundStart[round]! + now.per;
  if (used === below && made === makes) return asWritten([...cut.done, now, ...cut.closing], terms);
  const spread = respread(below, makes, used, made);
  if (!spread) return null;
  // "Around" would take the whole round: here it is the rest.
  const rest = itemsOf(spread, { stitch: how.stitch, school: schoolOf(cut) }).map((item) =>
    item.kind === 'work' && item.count === 'around' ? { ...item, count: spread.uses } : item,
  );
  return asWritten([...cut.done, now, ...inLoop(rest, how.loop), ...cut.closing], terms);
}

/** As the round itself works its decreases. */
function schoolOf({ done, at, rest }: CutRound): Work['school'] {
  const works = [...done, at, ...rest].filter((item) => item.kind === 'work');
  return works.find((item) => item.together > 1)?.school ?? 'open';
}

function usesOf(items: readonly Item[]): number {
  return items.reduce((sum, item) => sum + usesOnce(item), 0);
}

/**
 * The words for a round in which the next colour was taken up at the action at hand, earlier than the pattern says.
 * @returns the colour and the words; null where no other colour follows in the part, or within a start
 */
export function colourEarlier(
  counted: PartCount,
  fabric: Fabric,
  round: number,
  action: number,
  terms: Terms,
): { readonly colour: string; readonly stitches: number; readonly text: string } | null {
  const cut = cutRound(counted, round, action);
  const first = fabric.actionStart[fabric.roundAction[round]! + action]!;
  const next = fabric.colour.findIndex((colour, row) => row > first && colour !== fabric.colour[first]);
  if (!cut || next < 0) return null;
  const colour = fabric.colours[fabric.colour[next]!]!;
  const again = (item: Item): boolean => item.kind === 'colour' && item.name.toLowerCase() === colour.toLowerCase();
  const change: Item = { kind: 'colour', name: colour };
  const after = [cut.at, ...cut.rest, ...cut.closing];
  // The pattern's own change, where it comes in this round, is the one that was made early.
  const own = after.findIndex((item) => item.kind === 'colour');
  const kept = own >= 0 && again(after[own]!) ? after.toSpliced(own, 1) : after;
  return { colour, stitches: next - first, text: asWritten([...cut.done, change, ...kept], terms) };
}

import { COST } from './cost.js';
import { explain, type ToldRounds } from './explain.js';
import { isStart, type Before } from './fit.js';
import { numbersBeforeWork, segmentsOf, type Segment } from './segment.js';
import { isWork, type Sign } from './sign.js';
import { THEN } from './signs.js';
import type { Spoken } from './words.js';

/** Rounds with the signs that tell them, `[from, to)`. */
export interface Told {
  readonly rounds: ToldRounds;
  /** The next best explanation of the same words; null without one that is near. */
  readonly other: ToldRounds | null;
  readonly from: number;
  readonly to: number;
}

/** Where a way to understand a talk has come to. */
interface Way {
  readonly before: Before;
  readonly inPart: boolean;
  readonly ended: boolean;
  readonly cost: number;
  readonly told: Told | null;
  readonly earlier: Way | null;
}

/** Ways that are followed from one place, signs that tell one stretch of rounds, and how near a second reading is. */
const MOST_WAYS = 8;
const MOST_SIGNS = 40;
/** Signs that leave more than this unexplained do not tell one stretch, nor do more of them. */
const MOST_UNEXPLAINED = 6;
/** A way this much dearer than the best to the same place is given up. */
const TOO_DEAR = 5;
const NEAR = 0.7;

const OUTSIDE: Before = { count: null, number: 0, counts: [], partEnd: null };

/**
 * The rounds of a talk: its signs are cut into stretches that tell rounds and signs that are passed over, so that counts chain,
 * totals agree and numbers go on, at the least cost.
 * @param progress is told how far it has come, from 0 to 1, and stops it by returning false
 */
export function chainOf(signs: readonly Sign[], words: readonly Spoken[], progress?: (done: number) => boolean): readonly Told[] {
  const ways: Way[][] = Array.from({ length: signs.length + 1 }, () => []);
  ways[0]!.push({ before: OUTSIDE, inPart: false, ended: false, cost: 0, told: null, earlier: null });
  const numbers = numbersBeforeWork(signs);
  const segmentAt = segmentsOf(signs, numbers);
  const begins = signs.map((_, at) => beginCost(signs, words, at));
  for (let at = 0; at < signs.length; at++) {
    if (at % 32 === 0 && progress?.(at / signs.length) === false) return [];
    const here = best(ways[at]!);
    ways[at] = here;
    for (const way of [...here, ...midwayFrom(signs, at, here)])
      keep(ways[at + 1]!, {
        ...way,
        cost: way.cost + skipCost(signs[at]!, way, numbers.has(at)),
        ended: way.ended || signs[at]!.is === 'end',
        told: null,
        earlier: way,
      });
    if (begins[at] === Infinity) continue;
    for (let to = at + 1; to <= Math.min(signs.length, at + MOST_SIGNS); to++) {
      if (to < signs.length && begins[to] === Infinity && !mayEnd(signs, to)) continue;
      if (tooManyLabels(signs, at, to)) break;
      const segment = segmentAt(at, to);
      if (segment.candidates.length > 0 && segment.candidates[0]!.unexplained > MOST_UNEXPLAINED) break;
      if (segment.candidates.length === 0 && !segment.signs.some(({ is }) => is === 'label' || is === 'run' || is === 'again'))
        continue;
      for (const way of here) for (const next of taken(way, segment, at, to, begins[at]!)) keep(ways[to]!, next);
    }
  }
  return toldBy(best(ways[signs.length]!)[0]);
}

/** "I'm at the end of round eight, and I've got thirty six": a talk that begins in the middle of its part. */
function midwayFrom(signs: readonly Sign[], at: number, here: readonly Way[]): Way[] {
  const label = signs[at]!;
  const outside = here.find((way) => !way.inPart && way.before.partEnd === null);
  if (label.is !== 'label' || !label.back || !outside) return [];
  const total = signs.slice(at + 1, at + MIDWAY_WITHIN).find(({ is }) => is === 'total');
  if (total?.is !== 'total') return [];
  const before: Before = { count: total.count, number: label.to, counts: [total.count], partEnd: null };
  return [{ ...outside, before, inPart: true, cost: outside.cost + COST.midway / 2 }];
}

/** Signs after a round looked back upon in which its stitches are said. */
const MIDWAY_WITHIN = 5;

/** Rounds that are numbered differently are not told together. */
function tooManyLabels(signs: readonly Sign[], from: number, to: number): boolean {
  const numbers = new Set<number>();
  for (let at = from; at < to; at++) {
    const sign = signs[at]!;
    if (sign.is === 'label' && !sign.back) numbers.add(sign.from);
  }
  return numbers.size > 3;
}

/** A stretch may end before what begins another, or before what says nothing of rounds. */
function mayEnd(signs: readonly Sign[], to: number): boolean {
  const { is } = signs[to]!;
  return is === 'copies' || is === 'sew' || is === 'stuff' || is === 'eyes';
}

function taken(way: Way, segment: Segment, from: number, to: number, begin: number): Way[] {
  const next: Way[] = [];
  const add = (before: Before, extra: number): void => {
    const [told, other] = explain(segment, before);
    if (!told || (!way.inPart && !told.starts && !midway(segment, told))) return;
    const near = other && other.cost - told.cost < NEAR ? other : null;
    next.push(after({ ...told, cost: told.cost + extra }, near, told.makes));
    // Where the total differs, either may be the slip.
    const either = told.doubts.some((doubt) => doubt.is === 'total' && doubt.sure);
    if (either && told.stated !== null) next.push(after({ ...told, cost: told.cost + extra + 0.1 }, near, told.stated));
  };
  const after = (told: ToldRounds, other: ToldRounds | null, count: number): Way => {
    const before = told.starts ? OUTSIDE : way.before;
    const own = Array.from({ length: told.last - told.first + 1 }, () => count);
    return {
      before: {
        count,
        number: told.last,
        counts: [...own, ...before.counts].slice(0, 6),
        partEnd: told.starts ? partEnd : before.partEnd,
      },
      inPart: true,
      ended: segment.has.has('end'),
      cost: way.cost + begin + told.cost,
      told: { rounds: told, other, from, to },
      earlier: way,
    };
  };
  const partEnd = way.inPart ? way.before.count : way.before.partEnd;
  const start: Before = { count: 0, number: 0, counts: [], partEnd };
  if (segment.candidates.some(({ shape }) => isStart(shape))) add(start, way.inPart && !way.ended ? COST.notEnded : 0);
  else if (way.ended) add(start, 0);
  if (way.inPart) add(way.before, way.ended ? COST.goesOnAfterEnd : 0);
  else if (way.before.partEnd === null) add(OUTSIDE, COST.midway);
  return next;
}

/** Whether a stretch can be where a talk begins in the middle: a numbered round that says how many there are. */
function midway({ signs }: Segment, told: ToldRounds): boolean {
  return told.first > 1 && signs.some((sign) => sign.is === 'label' && !sign.back) && told.stated !== null;
}

/** What it costs that nothing is made of a sign: little before the first part and after a part's end. */
function skipCost(sign: Sign, way: Way, beforeWork: boolean): number {
  if (sign.is === 'into') return COST.skipInto;
  const share = !way.inPart || way.ended ? 0.3 : 1;
  if (sign.is === 'each' || sign.is === 'every') return COST.skipEach * share;
  if (sign.is === 'atom' || sign.is === 'plain' || sign.is === 'chain' || sign.is === 'skip') return COST.skipWork * share;
  if (beforeWork) return COST.skipWork * share;
  if (sign.is === 'label') return (sign.back ? COST.skipBack : COST.skipLabel) * share;
  if (sign.is === 'total') return (sign.strong ? COST.skipTotal : COST.skipWeak) * share;
  return sign.is === 'times' || sign.is === 'run' ? COST.skipOften * share : 0;
}

/** What it costs to begin a stretch at a sign; Infinity where none begins. */
function beginCost(signs: readonly Sign[], words: readonly Spoken[], at: number): number {
  const sign = signs[at]!;
  if (sign.is === 'total' && sign.ahead) return 0.3;
  if (sign.is === 'label' ? !sign.back : sign.is === 'next' || sign.is === 'ring' || sign.is === 'join') return 0;
  const begins =
    (sign.is === 'run' && !sign.all) || isWork(sign) || isNumber(sign) || sign.is === 'loop' || sign.is === 'second chain';
  if (!begins) return Infinity;
  if (isNumber(sign) && !beginsWork(signs, at)) return Infinity;
  // "One in each, for four rounds" goes with what was said.
  if (sign.is === 'run' && words[sign.first]?.key === '~4' && words[sign.first + 1]?.key !== 'the') return 1.5;
  const before = signs[at - 1];
  const last = before?.last ?? -1;
  const between = words.slice(Math.max(last + 1, sign.first - 6), sign.first).map(({ key }) => key);
  if (between.some((key) => THEN.has(key))) return 0.4;
  if (isPlainSign(sign) && before && isPlainSign(before) && sign.first - before.last <= 1) return 1.4;
  if (between.includes('.') || sign.is === 'into') return 0.5;
  if (between.includes('and')) return 0.8;
  if (before?.is === 'total' || before?.is === 'around' || before?.is === 'times' || before?.is === 'end') return 0.5;
  return words[sign.first]?.afterComma ? 0.6 : 1.4;
}

/** "A plain one, one in each": said twice at once it is one round. */
function isPlainSign(sign: Sign): boolean {
  return (
    sign.is === 'plain' || (sign.is === 'each' && sign.per === 1) || (sign.is === 'atom' && sign.per === 1 && sign.together === 1)
  );
}

/** A number that may be stitches, or a round's. */
function isNumber(sign: Sign): boolean {
  return sign.is === 'number' || (sign.is === 'total' && !sign.strong);
}

/** "Five, three with a leg", "eleven. it's four singles": a number before work. */
function beginsWork(signs: readonly Sign[], at: number): boolean {
  const next = signs[at + 1];
  return next !== undefined && isWork(next) && next.first - signs[at]!.last < 12;
}

function keep(ways: Way[], way: Way): void {
  ways.push(way);
  if (ways.length > 12 * MOST_WAYS) ways.splice(0, ways.length, ...best(ways));
}

/** The cheapest ways, of those that know the same the cheapest one. */
function best(ways: readonly Way[]): Way[] {
  const kept = new Map<string, Way>();
  const sorted = [...ways].sort((a, b) => a.cost - b.cost);
  const least = sorted[0]?.cost ?? 0;
  for (const way of sorted) {
    const { count, number } = way.before;
    const key = `${count}|${number}|${way.inPart}|${way.ended}`;
    if (kept.size >= MOST_WAYS || way.cost > least + TOO_DEAR) break;
    if (!kept.has(key)) kept.set(key, way);
  }
  return [...kept.values()];
}

function toldBy(way: Way | undefined): Told[] {
  const told: Told[] = [];
  for (let each: Way | null = way ?? null; each; each = each.earlier) if (each.told) told.push(each.told);
  return told.reverse();
}

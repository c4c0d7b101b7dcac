import type { Sign } from './sign.js';

/** A number said aloud while stitches are counted: of "one, two, three, four" the four. Its words are all of them. */
const LEAST_RUN = 2;

/**
 * The signs with counting aloud as one number, and without what was corrected: of "six, sorry, seven single crochet" the seven
 * counts.
 */
export function toldSigns(signs: readonly Sign[]): readonly Sign[] {
  return trailingTotals(withoutCorrected(namedAloud(countedAloud(onesAndTwos(signs)))));
}

/** "One, one, two, one, one, two": so many in each stitch. With a single one before each two it is counting. */
function onesAndTwos(signs: readonly Sign[]): Sign[] {
  const told: Sign[] = [];
  for (let i = 0; i < signs.length;) {
    const run = inEachFrom(signs, i);
    const length = run.indexOf(2) + 1;
    if (length === 0) {
      told.push(signs[i]!);
      i++;
      continue;
    }
    for (let at = i; at < i + run.length; at += length) {
      const [first, one, two] = [signs[at]!, signs[at + length - 2]!, signs[at + length - 1]!];
      const atom = { is: 'atom', stitch: 'sc', together: 1, through: false } as const;
      told.push({ ...atom, per: 1, count: length - 1, first: first.first, last: one.last, leads: first.leads });
      told.push({ ...atom, per: 2, count: 1, first: two.first, last: two.last, leads: two.leads });
    }
    i += run.length;
  }
  return told;
}

/** How many go into each stitch, as numbers from `at` on say: ones and a two, over and over; empty for anything else. */
function inEachFrom(signs: readonly Sign[], at: number): number[] {
  const values: number[] = [];
  for (let i = at; i < signs.length; i++) {
    const sign = signs[i]!;
    const close = i === at || sign.first - signs[i - 1]!.last <= 1;
    if (sign.is !== 'number' || !sign.sure || !close || (sign.value !== 1 && sign.value !== 2)) break;
    values.push(sign.value);
  }
  const length = values.indexOf(2) + 1;
  const whole = length > 2 ? values.slice(0, values.length - (values.length % length)) : [];
  return whole.every((value, i) => value === (i % length === length - 1 ? 2 : 1)) ? whole : [];
}

/** "Single, single, single and then double the next": stitches counted by their names are so many. */
function namedAloud(signs: readonly Sign[]): Sign[] {
  const told: Sign[] = [];
  for (const sign of signs) {
    const last = told.at(-1);
    const plain = sign.is === 'atom' && sign.count === 1 && sign.per === 1 && sign.together === 1 && !sign.through;
    const alike =
      plain && last?.is === 'atom' && last.per === 1 && last.together === 1 && last.stitch === sign.stitch && !last.through;
    if (alike && sign.first - last.last === 1 && last.last - last.first >= sign.last - sign.first)
      told[told.length - 1] = { ...last, count: last.count + 1, last: sign.last, first: last.first };
    else told.push(sign);
  }
  return told;
}

/** "All the way around, eighteen": a number right after how often, before nothing that is worked, is what there is then. */
function trailingTotals(signs: readonly Sign[]): Sign[] {
  return signs.map((sign, at) => {
    const [before, next] = [signs[at - 1], signs[at + 1]];
    const trails = before && AFTER.has(before.is) && sign.first - before.last <= 2;
    const stands = !next || next.first - sign.last > 1 || next.is === 'label' || next.is === 'next';
    if (sign.is !== 'number' || !sign.sure || sign.value < LEAST_TOTAL || !trails || !stands) return sign;
    return {
      is: 'total',
      count: sign.value,
      strong: false,
      back: 0,
      ahead: false,
      first: sign.first,
      last: sign.last,
      leads: sign.leads,
    };
  });
}

const AFTER: ReadonlySet<Sign['is']> = new Set(['around', 'times', 'each', 'again', 'every']);
const LEAST_TOTAL = 4;

function countedAloud(signs: readonly Sign[]): Sign[] {
  const told: Sign[] = [];
  for (let i = 0; i < signs.length;) {
    const length = aloudFrom(signs, i);
    const [from, to] = [signs[i]!, signs[i + length - 1]!];
    if (length >= LEAST_RUN && to.is === 'number') told.push({ ...to, sure: true, first: from.first });
    else told.push(from);
    i += length >= LEAST_RUN ? length : 1;
  }
  return told;
}

/** How many signs from `at` count on from one, by ones, or from two, by twos. */
function aloudFrom(signs: readonly Sign[], at: number): number {
  const begin = signs[at];
  if (begin?.is !== 'number' || (begin.value !== 1 && begin.value !== 2)) return 0;
  const step = begin.value;
  const goesOn = (length: number): boolean => {
    const next = signs[at + length];
    const close = next !== undefined && next.first - signs[at + length - 1]!.last <= 2;
    return close && next.is === 'number' && next.value === begin.value + step * length;
  };
  let length = 1;
  while (goesOn(length)) length++;
  return step === 2 && length < 3 ? 0 : length;
}

/** Words between a slip, the word that takes it back, and what is right. */
const REACH_BACK = 8;
const REACH_ON = 24;

function withoutCorrected(signs: readonly Sign[]): Sign[] {
  const dropped = new Set<number>();
  signs.forEach((sign, i) => {
    if (sign.is !== 'correction') return;
    const slip = signs.findLastIndex(
      (each, at) => at < i && sign.first - each.last <= REACH_BACK && !dropped.has(at) && hasNumber(each),
    );
    if (slip < 0) return;
    const right = signs.findIndex(
      (each, at) => at > i && each.first - sign.last <= REACH_ON && hasNumber(each) && isOfKind(signs[slip]!, each),
    );
    if (right >= 0 && countOf(signs[slip]!) !== countOf(signs[right]!)) dropped.add(slip);
  });
  return signs.filter((sign, at) => !dropped.has(at) && sign.is !== 'correction');
}

function hasNumber({ is }: Sign): boolean {
  return is === 'number' || is === 'atom' || is === 'total' || is === 'label' || is === 'run' || is === 'times' || is === 'into';
}

/** Whether a number may stand for the one that was a slip. */
function isOfKind(slip: Sign, right: Sign): boolean {
  if (slip.is === 'label') return right.is === 'label';
  if (slip.is === 'number') return right.is === 'number' || right.is === 'atom' || right.is === 'into' || right.is === 'total';
  if (slip.is === 'total') return right.is !== 'run' && right.is !== 'times';
  return slip.is === right.is;
}

function countOf(sign: Sign): number | null {
  if (sign.is === 'number') return sign.value;
  if (sign.is === 'label') return sign.from;
  return 'count' in sign ? sign.count : null;
}

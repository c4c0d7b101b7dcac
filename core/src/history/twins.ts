import { roundLength, type Fabric, type PartCount } from '../fabric/index.js';
import type { Finished, MakerEvent } from '../making/index.js';
import { printInstruction } from '../notation/index.js';

/** Where a feature was put: by the number of the round, in the hole behind so many stitches, or in the one after them. */
export type PutAt = Pick<Extract<MakerEvent, { kind: 'placed' }>, 'round' | 'after' | 'inside'>;

/** A piece as it was really made, to be held against another. */
export interface PieceRecord {
  readonly name: string;
  /** Stitches at the end of each round, with the round's number and its words. */
  readonly rounds: readonly { readonly number: number; readonly stitches: number; readonly words: string }[];
  /** Rounds that are worked. */
  readonly worked: number;
  readonly stuffedGrams: number | null;
  /** By feature and copy. */
  readonly placed: ReadonlyMap<string, PutAt>;
  readonly minutes: number;
  readonly rippedStitches: number;
}

/** In what two that should be alike differ. `one` and `two` are what each of them has; null for not told. */
export type TwinDifference =
  | { readonly is: 'rounds'; readonly one: number; readonly two: number }
  | { readonly is: 'count'; readonly round: number; readonly one: number; readonly two: number }
  | { readonly is: 'words'; readonly round: number; readonly one: string; readonly two: string }
  | { readonly is: 'put'; readonly what: string; readonly one: PutAt | null; readonly two: PutAt | null }
  | {
      readonly is: 'stuffing' | 'height' | 'width' | 'yarn' | 'minutes' | 'ripped';
      readonly one: number | null;
      readonly two: number | null;
    };

export interface Twins {
  /** What shows first: rounds, places, size and stuffing, time last. */
  readonly differ: readonly TwinDifference[];
  readonly alike: readonly TwinDifference['is'][];
}

const FRONT_FIRST: readonly TwinDifference['is'][] = [
  'rounds',
  'count',
  'words',
  'put',
  'height',
  'width',
  'stuffing',
  'yarn',
  'ripped',
  'minutes',
];
/** Closer than this share of the larger, what is weighed, measured or timed is called alike (our own estimate). */
const ALIKE: Readonly<Record<Amount, number>> = {
  stuffing: 0.05,
  height: 0.03,
  width: 0.03,
  yarn: 0.05,
  minutes: 0.15,
  ripped: 0,
};

/** A piece's record from what is known of it. */
export function pieceRecord(
  name: string,
  { counted, fabric }: { readonly counted: PartCount; readonly fabric: Fabric },
  more: {
    readonly said: readonly MakerEvent[];
    readonly worked: number;
    readonly minutes: number;
    readonly rippedStitches: number;
  },
): PieceRecord {
  const words = counted.part.lines.flatMap((line) =>
    Array.from({ length: line.last - line.first + 1 }, () => printInstruction(line)),
  );
  const rounds = counted.rounds.map(({ number }, round) => ({
    number,
    stitches: roundLength(fabric, round),
    words: words[round] ?? '',
  }));
  const stuffed = more.said.flatMap((event) => (event.kind === 'stuffed' ? [event.grams] : []));
  const placed = new Map<string, PutAt>();
  for (const event of more.said) if (event.kind === 'placed') placed.set(`${event.feature} ${event.copy}`, event);
  return { name, rounds, stuffedGrams: stuffed.at(-1) ?? null, placed, ...more };
}

/** How two pieces that should be alike differ; rounds that one of them has not reached are not held against the other. */
export function twinsOf(one: PieceRecord, two: PieceRecord): Twins {
  const differ: TwinDifference[] = [];
  if (one.rounds.length !== two.rounds.length) differ.push({ is: 'rounds', one: one.rounds.length, two: two.rounds.length });
  const both = Math.min(one.rounds.length, two.rounds.length);
  for (let round = 0; round < both; round++) {
    const [a, b] = [one.rounds[round]!, two.rounds[round]!];
    if (a.stitches !== b.stitches) differ.push({ is: 'count', round: a.number, one: a.stitches, two: b.stitches });
    else if (a.words !== b.words) differ.push({ is: 'words', round: a.number, one: a.words, two: b.words });
  }
  for (const what of new Set([...one.placed.keys(), ...two.placed.keys()])) {
    const [a, b] = [one.placed.get(what) ?? null, two.placed.get(what) ?? null];
    if (a?.round !== b?.round || a?.after !== b?.after || a?.inside !== b?.inside)
      differ.push({ is: 'put', what, one: a, two: b });
  }
  const amounts = [
    amount('stuffing', one.stuffedGrams, two.stuffedGrams),
    amount('minutes', one.minutes, two.minutes),
    amount('ripped', one.rippedStitches, two.rippedStitches),
  ].flatMap((each) => each ?? []);
  return sorted([...differ, ...amounts], ['rounds', 'count', 'words', 'put', 'stuffing', 'minutes', 'ripped']);
}

/** How two finished figures differ. */
export function finishedTwins(one: Finished & { readonly minutes: number }, two: Finished & { readonly minutes: number }): Twins {
  const differ = [
    amount('height', one.heightMm, two.heightMm),
    amount('width', one.widthMm, two.widthMm),
    amount('stuffing', one.stuffingGrams, two.stuffingGrams),
    amount('yarn', one.yarnGrams, two.yarnGrams),
    amount('minutes', one.minutes, two.minutes),
  ].flatMap((each) => each ?? []);
  return sorted(differ, ['height', 'width', 'stuffing', 'yarn', 'minutes']);
}

type Amount = 'stuffing' | 'height' | 'width' | 'yarn' | 'minutes' | 'ripped';

function amount(is: Amount, one: number | null, two: number | null): TwinDifference | null {
  if (one === null && two === null) return null;
  if (one !== null && two !== null && Math.abs(one - two) <= ALIKE[is] * Math.max(one, two)) return null;
  return { is, one, two };
}

function sorted(differ: readonly TwinDifference[], asked: readonly TwinDifference['is'][]): Twins {
  const rank = ({ is }: TwinDifference): number => FRONT_FIRST.indexOf(is);
  const told = new Set(differ.map(({ is }) => is));
  return { differ: [...differ].sort((a, b) => rank(a) - rank(b)), alike: asked.filter((is) => !told.has(is)) };
}

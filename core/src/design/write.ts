import { inLoop, printItems, STITCHES, type Item, type StitchName, type Terms, type Work } from '../notation/index.js';
import { STRAIGHT } from './bend.js';
import { itemsOf, ovalRound, spread, staggerRun } from '../spacing/index.js';

/** How the rounds of a part are written. */
export interface PartWriting {
  readonly terms: Terms;
  /** What it is worked in; single crochet where it is left out. */
  readonly worked?: StitchName;
  /** What it begins on: a ring, both sides of a chain, a chain joined to a rim, or other pieces and chains between them. */
  readonly start?: PartBeginning;
  /** From a round on, 1-based, another colour. */
  readonly colours?: readonly { readonly from: number; readonly name: string }[];
  /** Rounds in the back loops, 1-based. */
  readonly edges?: readonly number[];
  /** Rounds that bend it, 1-based, and what their second half is worked in. */
  readonly bends?: ReadonlyMap<number, StitchName>;
  /** What is said before a round, 1-based. */
  readonly before?: ReadonlyMap<number, string>;
}

export type PartBeginning = 'ring' | 'oval' | 'open' | { readonly pieces: string; readonly chains: number };

/** Rounds as a pattern has them, increases and decreases staggered, from a ring: "R2: inc × 6 (12)". */
export function writeRounds(counts: readonly number[], terms: Terms): readonly string[] {
  return writePart(counts, { terms });
}

/** Rounds as a pattern has them, with what is said between them. */
export function writePart(counts: readonly number[], writing: PartWriting): readonly string[] {
  const {
    terms,
    worked = 'sc',
    start = 'ring',
    colours = [],
    edges = [],
    before = new Map<number, string>(),
    bends = STRAIGHT.rounds,
  } = writing;
  const run = counts.slice(1).map((makes, i) => ({ uses: counts[i]!, makes, fixed: null }));
  const staggered = staggerRun(run);
  const straight = (counts[0]! - 6) / 2;
  const lines: string[] = [];
  const words = (round: number): string => {
    if (round === 1) return firstRound(counts[0]!, start, terms, worked);
    const [uses, makes] = [counts[round - 2]!, counts[round - 1]!];
    const oval = start === 'oval' && makes > uses ? ovalRound(uses, makes, straight, { ...PLAIN, stitch: worked }) : null;
    const taller = makes === uses ? bends.get(round) : undefined;
    const items: readonly Item[] =
      oval ??
      (taller && halves(makes, worked, taller)) ??
      itemsOf(staggered[round - 2] ?? spread(uses, makes), { stitch: worked, school: 'open' });
    return printItems(edges.includes(round) ? inLoop(items, 'back') : items, { terms, form: 'short' });
  };
  for (let round = 1; round <= counts.length;) {
    const said = before.get(round);
    if (said) lines.push(said);
    let end = round;
    const plain = (each: number): boolean =>
      counts[each - 1] === counts[each - 2] && !edges.includes(each) && bends.get(each) === bends.get(round);
    const goesOn = (next: number): boolean =>
      next <= counts.length && plain(next) && !before.has(next) && !colours.some(({ from }) => from === next);
    while (round > 1 && plain(round) && goesOn(end + 1)) end++;
    const label = end > round ? `R${round}–R${end}` : `R${round}`;
    const change = colours.find(({ from }) => from === end + 1);
    lines.push(`${label}: ${words(round)} (${counts[end - 1]})${change ? `. Change to ${change.name}.` : ''}`);
    round = end + 1;
  }
  return lines;
}

/** What is said of a tube that closes to a ring, in words that are read again as that. */
export const SEWN_ROUND = 'Bend it round and sew its two ends together.';

/** A round that bends what it is in: half of it in a taller stitch. */
const halves = (count: number, worked: StitchName, taller: StitchName): readonly Item[] => [
  { ...PLAIN, stitch: worked, count: Math.ceil(count / 2) },
  { ...PLAIN, stitch: taller, count: Math.floor(count / 2) },
];

const PLAIN: Work = { kind: 'work', stitch: 'sc', per: 1, together: 1, school: 'open', count: 1, loop: 'both', through: null };

/** The start in words people use: around a chain with four stitches in either end. */
function firstRound(count: number, start: PartBeginning, terms: Terms, worked: StitchName): string {
  const sc = STITCHES[worked][terms].abbreviation;
  if (typeof start === 'object') return `join ${start.pieces} with ch ${start.chains}, ${sc} around`;
  if (start === 'ring') return `${count} ${sc} in ring`;
  if (start === 'open') return `ch ${count}, join to form a ring, ${count} ${sc} in ring`;
  const side = (count - 8) / 2;
  return `ch ${side + 3}, 2 ${sc} in 2nd ch from hook, ${side} ${sc}, 4 ${sc} in last ch, on the other side ${side} ${sc}, 2 ${sc} in last ch`;
}

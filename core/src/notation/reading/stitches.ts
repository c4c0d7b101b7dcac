import type { Times, Work } from '../pattern.js';
import type { StitchName } from '../stitch.js';
import { longestPhrase } from '../vocabulary.js';
import { choice, itemPiece, type Piece } from './piece.js';
import { placedWork, type Begun, type WorkedMeaning } from './placing.js';
import { firstChain, spurBack, startOf } from './starts.js';
import { keyAt, means, phraseAt, spanFrom, type ReadState } from './state.js';
import { NOTHING_SAID, suffix, type Said } from './suffixes.js';
import { whereAt } from './where.js';

/** A stitch that has been read, and whether its count could be meant for all that stands before it too. */
export interface WorkedPieces {
  readonly pieces: readonly Piece[];
  /** The same stitch worked once, where its times may be meant for the whole; null where they cannot. */
  readonly single: readonly Piece[] | null;
  readonly times: Times | null;
  /** Whether it says neither how many nor where, so that it may be meant for the whole round. */
  readonly bare: boolean;
}

/**
 * The suffixes of a stitch already named: its count, where it goes, its loop, its colour.
 * @param lead the number before its name, or null
 * @param from where it begins in the text
 * @param before what has been read of the line
 * @param split the stitch its name begins with, where that may be one of its own: "sc dec"
 */
export function workedAt(
  state: ReadState,
  meaning: WorkedMeaning,
  lead: number | null,
  from: number,
  before: readonly Piece[],
  split: StitchName | null = null,
): WorkedPieces {
  const said: Said = { ...NOTHING_SAID };
  while (suffix(state, said, lead, from, before));
  const open = said.count === null && lead === null && said.where === null;
  if (open && (means(state, 'until') || means(state, 'as liked'))) said.count = 'around';
  const span = spanFrom(state, from);
  const special = startOrSpur(state, meaning, said, lead, from, before);
  if (special) return { pieces: said.colour ? [said.colour, ...special] : special, single: null, times: null, bare: false };
  if (meaning.is === 'stitch' && meaning.loop && said.loop === 'both') said.loop = meaning.loop;
  const tog = togetherAt(state, meaning, said, lead, from);
  if (tog) return { pieces: [tog], single: null, times: null, bare: false };
  const begun = begunOf(meaning, said);
  const whole = [
    ...placedWork(state, begun, meaning, lead, said, span),
    ...(said.colour ? [] : againAt(state, begun, meaning, lead, said)),
  ];
  const again = split !== null && saidAgain(state, from, before);
  const apart = (own: readonly Piece[], count: Times | null): readonly Piece[] => {
    if (split === null) return own;
    const plain = itemPiece({ ...begun, school: 'open', per: 1, together: 1, count: lead ?? 1 }, span);
    const two = [plain, ...placedWork(state, begun, meaning, null, { ...said, count }, span)];
    // "(1 sc inc)": who means one stitch does not count it. "sc inc sc inc": nor says it again and again.
    const alone = lead === 1 && state.depth > 0 && before.length === 0;
    return [alone || again ? choice('words-apart', [two, own]) : choice('two-words', [own, two])];
  };
  const pieces = apart(numberedIncrease(state, whole, meaning, said, from) ?? whole, said.count);
  const single =
    said.times && said.where === null
      ? apart(placedWork(state, begun, meaning, lead, { ...said, count: null }, span), null)
      : null;
  const coloured = said.colour ? [said.colour, ...pieces] : pieces;
  return { pieces: coloured, single, times: single && said.count, bare: open && said.count === null && said.part === null };
}

/** Whether the words of a stitch, from `from` to the cursor, stand there once more, or did before. */
function saidAgain(state: ReadState, from: number, before: readonly Piece[]): boolean {
  const last = before.at(-1);
  if (last?.is === 'choice' && last.doubt === 'words-apart') return true;
  let begin = state.at;
  while (begin > 0 && state.tokens[begin - 1]!.from >= from) begin--;
  // "(sc inc) (sc inc)"
  const between = keyAt(state) === ')' && keyAt(state, state.at + 1) === '(' ? 2 : 0;
  const length = state.at - begin + between;
  return state.tokens.slice(begin, state.at).every(({ key }, i) => keyAt(state, begin + length + i) === key);
}

/** "sc next 2 sts together": so many become one; null where they stay apart. */
function togetherAt(state: ReadState, meaning: WorkedMeaning, said: Said, lead: number | null, from: number): Piece | null {
  const { where } = said;
  if (meaning.is !== 'stitch' || where?.into !== 'next' || where.count < 2) return null;
  if (keyAt(state) !== 'together' && keyAt(state) !== 'tog') return null;
  state.at++;
  const work: Work = { ...begunOf(meaning, said), school: 'plain', per: 1, together: where.count, count: lead ?? 1 };
  return itemPiece(work, spanFrom(state, from));
}

/** "inc3": three increases, or three stitches in one; null where it does not stand so close. */
function numberedIncrease(state: ReadState, whole: Piece[], meaning: WorkedMeaning, said: Said, from: number): Piece[] | null {
  const number = state.tokens[state.at - 1];
  const [piece] = whole;
  const close = number?.kind === 'number' && state.tokens[state.at - 2]?.to === number.from && !said.times && said.where === null;
  if (meaning.is !== 'increase' || !close || state.tokens[state.at - 2]!.from !== from || typeof said.count !== 'number')
    return null;
  if (said.count < 3 || piece?.is !== 'item' || piece.item.kind !== 'work') return null;
  return [choice('inc-number', [whole, [{ ...piece, item: { ...piece.item, per: said.count, count: 1 } }]])];
}

/** The stitch that an increase's or decrease's name begins with: "sc" of "sc dec"; null where the name is one word. */
export function splitName(state: ReadState, at: number, length: number): StitchName | null {
  // Who writes commas writes them between stitches.
  if (length < 2 || state.tokens.some(({ key }) => key === ',')) return null;
  const last = phraseAt(state, at + length - 1)?.meaning;
  if ((last?.is !== 'increase' && last?.is !== 'decrease') || last.stitch !== null) return null;
  const first = longestPhrase(state.vocabulary, state.tokens.slice(at, at + length - 1), 0);
  return first?.length === length - 1 && first.meaning.is === 'stitch' ? first.meaning.stitch : null;
}

/** Stitches into a ring, into the second chain from the hook, or back along chains just made; null for all others. */
function startOrSpur(
  state: ReadState,
  meaning: WorkedMeaning,
  said: Said,
  lead: number | null,
  from: number,
  before: readonly Piece[],
): Piece[] | null {
  const stitch: StitchName = meaning.stitch ?? 'sc';
  const number = typeof said.count === 'number' ? said.count : (lead ?? 1);
  const { where } = said;
  if (where?.into === 'ring') return [startOf(state, 'ring', stitch, number, from)];
  if (where?.into === 'chain') {
    const per = meaning.is === 'increase' ? meaning.per : 1;
    const spur = spurBack(state, { stitch, count: number * per, nth: where.nth }, from, before);
    if (spur) return spur;
    if (state.foundation?.value.from !== 'chain') return [startOf(state, 'chain 2', stitch, number * per, from)];
    firstChain(state, where.nth);
    said.where = where.on ? null : { into: 'one' };
  }
  if (state.awaiting && meaning.is === 'stitch' && !said.where)
    return [startOf(state, state.awaiting.from, stitch, number, from)];
  return null;
}

function begunOf(meaning: WorkedMeaning, { loop, through }: Said): Begun {
  const school = meaning.is === 'decrease' ? meaning.school : 'open';
  return { kind: 'work', stitch: meaning.stitch ?? 'sc', school, loop, through };
}

const GOES_ON: ReadonlySet<string | undefined> = new Set(['with', 'around', 'next', 'each']);

/** "sc in 2nd ch from hook and in each ch across", "… and next 4 ch": the same stitch in a second place. */
function againAt(state: ReadState, begun: Begun, meaning: WorkedMeaning, lead: number | null, said: Said): Piece[] {
  const back = state.at;
  if (!said.where || keyAt(state) !== 'and') return [];
  if (!GOES_ON.has(phraseAt(state, state.at + 1)?.meaning.is)) return [];
  state.at++;
  const from = state.tokens[state.at]!.from;
  const where = whereAt(state);
  if (where && where.into !== 'ring' && where.into !== 'chain')
    return placedWork(state, begun, meaning, lead, { ...said, count: null, where }, spanFrom(state, from));
  state.at = back;
  return [];
}

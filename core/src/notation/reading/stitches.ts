import { named } from '../part-ref.js';
import type { PartRef, Times } from '../pattern.js';
import type { Loop, StitchName } from '../stitch.js';
import { colourAfter, limbAt } from './asides.js';
import { bareCount, timesAt } from './counts.js';
import { choice, itemPiece, type Piece } from './piece.js';
import { placedWork, type Begun, type WorkedMeaning } from './placing.js';
import { limbNamed, LIMBS, partAt } from './references.js';
import { bridgeTo, firstChain, leftLoopsAt, spurBack, startOf, workedOn } from './starts.js';
import { CLOSER_OF, keyAt, means, phraseAt, spanFrom, type ReadState } from './state.js';
import { longestPhrase } from '../vocabulary.js';
import { whereAt, type Where } from './where.js';

/** What stands after a stitch's name, as it is gathered. */
interface Said {
  count: Times | null;
  /** Whether the count is a "× 6" or "6 times", which may be meant for more than this stitch. */
  times: boolean;
  where: Where | null;
  loop: Loop;
  through: PartRef | null;
  evenly: boolean;
  colour: Piece | null;
  part: string | null;
}

const NOTHING_SAID: Said = {
  count: null,
  times: false,
  where: null,
  loop: 'both',
  through: null,
  evenly: false,
  colour: null,
  part: null,
};

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
  const tog = togetherAt(state, meaning, said);
  if (tog) {
    const work = { ...begunOf(meaning, said), school: 'plain', per: 1, together: tog, count: lead ?? 1 } as const;
    return { pieces: [itemPiece(work, spanFrom(state, from))], single: null, times: null, bare: false };
  }
  const begun = begunOf(meaning, said);
  const whole = [
    ...placedWork(state, begun, meaning, lead, said, span),
    ...(said.colour ? [] : againAt(state, begun, meaning, lead, said)),
  ];
  const apart = (own: readonly Piece[], count: Times | null): readonly Piece[] => {
    if (split === null) return own;
    const plain = itemPiece({ ...begun, school: 'open', per: 1, together: 1, count: lead ?? 1 }, span);
    const two = [plain, ...placedWork(state, begun, meaning, null, { ...said, count }, span)];
    // "(1 sc inc)": who means one stitch does not count it.
    const alone = lead === 1 && state.depth > 0 && before.length === 0;
    return [alone ? choice('words-apart', [two, own]) : choice('two-words', [own, two])];
  };
  const pieces = apart(numberedIncrease(state, whole, meaning, said, from) ?? whole, said.count);
  const single =
    said.times && said.where === null
      ? apart(placedWork(state, begun, meaning, lead, { ...said, count: null }, span), null)
      : null;
  const coloured = said.colour ? [said.colour, ...pieces] : pieces;
  return { pieces: coloured, single, times: single && said.count, bare: open && said.count === null && said.part === null };
}

/** "sc next 2 sts together": how many become one; 0 where they stay apart. */
function togetherAt(state: ReadState, meaning: WorkedMeaning, said: Said): number {
  const key = keyAt(state);
  if (meaning.is !== 'stitch' || said.where?.into !== 'next' || said.where.count < 2 || (key !== 'together' && key !== 'tog')) return 0;
  state.at++;
  return said.where.count;
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

/** Reads one suffix; false when none is left. */
function suffix(state: ReadState, said: Said, lead: number | null, from: number, before: readonly Piece[]): boolean {
  const around = phraseAt(state);
  const part = around?.meaning.is === 'around' && partAt(state, state.at + around.length) !== null;
  const times = said.count === null && !part ? timesAt(state) : null;
  if (times !== null) {
    said.count = times;
    said.times = true;
    return true;
  }
  if (said.count === null && lead === null && said.where === null) {
    const bare = bareCount(state);
    if (bare !== null) {
      said.count = bare;
      return true;
    }
  }
  if (state.foundation !== null || !leftLoopsAt(state, state.at)) {
    const loop = loopAt(state);
    if (loop) {
      said.loop = loop;
      return true;
    }
  }
  return placeSuffix(state, said, lead, from, before);
}

function placeSuffix(state: ReadState, said: Said, lead: number | null, from: number, before: readonly Piece[]): boolean {
  const phrase = phraseAt(state);
  const is = phrase?.meaning.is;
  if (is === 'through') {
    state.at += phrase!.length;
    said.through = named(limbAt(state, before));
    return true;
  }
  if (is === 'evenly') {
    state.at += phrase!.length;
    said.evenly = true;
    return true;
  }
  if ((said.where !== null || lead !== null || said.count !== null) && passPart(state, before)) return true;
  if (is === 'starting' || is === 'along') {
    if (phrase && !passAlong(state, said, before)) return false;
    return true;
  }
  const bracketed = bracketedRing(state);
  if (bracketed && said.where === null) {
    said.where = bracketed;
    return true;
  }
  if (is === 'with' || is === 'into') {
    const limb = withPart(state, said, phrase!.length);
    if (limb) return true;
  }
  if (said.colour === null) {
    said.colour = colourAfter(state);
    if (said.colour) return true;
  }
  // "sc in BLO of each st"
  const of = said.loop !== 'both' && keyAt(state) === 'of' ? 1 : 0;
  state.at += of;
  const where = said.where === null || is === 'around' ? whereAt(state) : null;
  if (!where) {
    state.at -= of;
    return false;
  }
  if (where.into === 'edge' || where.into === 'layers') workedOn(state, where.into, from);
  else said.where = where;
  if (where.into === 'around') said.part = partRound(state, before);
  return true;
}

/** "6 sc (MR)": the ring in brackets. */
function bracketedRing(state: ReadState): Where | null {
  const closer = CLOSER_OF[keyAt(state)];
  const ring = closer ? phraseAt(state, state.at + 1) : null;
  if (ring?.meaning.is !== 'ring' || keyAt(state, state.at + 1 + ring.length) !== closer) return null;
  if (state.context.colours.codes.has(state.tokens[state.at + 1]!.text)) return null;
  state.at += 2 + ring.length;
  return { into: 'ring' };
}

/** "3 sc with back paw", "4 sc in the flipper": a part named after the stitches is worked in with them. */
function withPart(state: ReadState, said: Said, length: number): boolean {
  if (state.tokens[state.at]!.key === 'on' || state.tokens[state.at]!.key === 'over') return false;
  const limb = state.tokens[state.at]!.key === 'with' ? limbNamed(state, state.at + length) : null;
  if (!limb) return false;
  state.at += length + limb.length;
  said.through = named(limb.name);
  return true;
}

/** "of the other leg", "of this leg", "of the chain" after a place with a number: says where, and changes no count. */
function passPart(state: ReadState, before: readonly Piece[]): boolean {
  if (!['of', 'on', 'from'].includes(keyAt(state))) return false;
  const part = limbNamed(state, state.at + 1);
  if (part) bridgeTo(state, partAt(state, state.at + 1)?.name ?? null, before);
  const chain = phraseAt(state, state.at + 1);
  const the = keyAt(state, state.at + 1) === 'the' ? phraseAt(state, state.at + 2) : null;
  if (part) state.at += 1 + part.length;
  else if (chain?.meaning.is === 'chain') state.at += 1 + chain.length;
  else if (the?.meaning.is === 'chain') state.at += 2 + the.length;
  else return false;
  return true;
}

/** "around the first leg": the part whose last round is worked, where one is named. */
function partRound(state: ReadState, before: readonly Piece[]): string | null {
  const part = partAt(state);
  if (!part) return null;
  bridgeTo(state, part.name, before);
  state.at += part.length;
  return part.name;
}

/** "starting in 2nd ch from hook", "along the chain", "around the first leg". */
function passAlong(state: ReadState, said: Said, before: readonly Piece[]): boolean {
  const phrase = phraseAt(state)!;
  const back = state.at;
  state.at += phrase.length;
  if (phrase.meaning.is === 'along') {
    const part = partAt(state, back + 1) ?? partAt(state);
    const named = partAt(state, back + 1);
    if (part) state.at = named ? back + 1 + named.length : state.at + part.length;
    else if (LIMBS.has(keyAt(state))) state.at++;
    if (part) bridgeTo(state, part.name, before);
    if (part && said.count === null) said.part = part.name;
    return true;
  }
  const where = whereAt(state);
  if (where?.into === 'chain') firstChain(state, where.nth);
  else if (!where) state.at = back;
  return where !== null;
}

/** A loop said after its stitches: "in BLO", "through back loops only". */
export function loopAt(state: ReadState): Loop | null {
  const phrase = phraseAt(state);
  const lead = phrase?.meaning.is === 'with' || phrase?.meaning.is === 'through' ? phrase.length : 0;
  const bracket = lead === 0 ? CLOSER_OF[keyAt(state)] : undefined;
  const at = state.at + (bracket ? 1 : lead);
  const loop = lead || bracket ? phraseAt(state, at) : phrase;
  if (loop?.meaning.is !== 'loop') return null;
  if (bracket && keyAt(state, at + loop.length) !== bracket) return null;
  state.at = at + loop.length + (bracket ? 1 : 0);
  return loop.meaning.loop;
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

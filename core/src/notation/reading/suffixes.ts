import { named } from '../part-ref.js';
import type { PartRef, Times } from '../pattern.js';
import type { Loop } from '../stitch.js';
import { colourAfter, limbAt } from './asides.js';
import { bareCount, timesAt } from './counts.js';
import type { Piece } from './piece.js';
import { limbNamed, LIMBS, partAt } from './references.js';
import { bridgeTo, firstChain, leftLoopsAt, workedOn } from './starts.js';
import { CLOSER_OF, keyAt, phraseAt, type ReadState } from './state.js';
import { whereAt, type Where } from './where.js';

/** What stands after a stitch's name, as it is gathered. */
export interface Said {
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

export const NOTHING_SAID: Said = {
  count: null,
  times: false,
  where: null,
  loop: 'both',
  through: null,
  evenly: false,
  colour: null,
  part: null,
};

/** Reads one suffix; false when none is left. */
export function suffix(state: ReadState, said: Said, lead: number | null, from: number, before: readonly Piece[]): boolean {
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
  const where = said.where === null || is === 'around' ? placeAt(state, said.loop) : null;
  if (!where) return false;
  if (where.into === 'edge' || where.into === 'layers') workedOn(state, where.into, from);
  else said.where = where;
  if (where.into === 'around') said.part = partRound(state, before);
  return true;
}

/** Where stitches go; "sc in BLO of each st" says it after its loop. */
function placeAt(state: ReadState, loop: Loop): Where | null {
  const of = loop !== 'both' && keyAt(state) === 'of' ? 1 : 0;
  state.at += of;
  const where = whereAt(state);
  if (!where) state.at -= of;
  return where;
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

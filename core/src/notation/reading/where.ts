import { ordinal, wholeNumber } from '../ordinals.js';
import type { Match } from '../vocabulary.js';
import { numberOf } from '../tokens.js';
import { checkedCount } from './counts.js';
import { keyAt, means, passIf, phraseAt, type ReadState } from './state.js';

/** Where stitches go, as said after them: "in next 3 sts", "in each st around", "in ring", "to last 2 sts". */
export type Where =
  | { readonly into: 'ring' | 'one' | 'each' | 'around' | 'edge' | 'layers' | 'each end' | 'corners' | 'sides' | 'chains' }
  /** `on` where the stitches go on from there: "4 sc from 2nd ch". */
  | { readonly into: 'chain'; readonly nth: number; readonly on: boolean }
  | { readonly into: 'every'; readonly step: number }
  | { readonly into: 'places'; readonly at: readonly number[] }
  | { readonly into: 'to last'; readonly count: number; readonly each: boolean }
  | { readonly into: 'next'; readonly count: number; readonly each: boolean };

/** "in next 3 sts", "in each st around", "in ring", "around", "to last 2 sts", "until 2 sts remain", "in 3rd and 6th". */
export function whereAt(state: ReadState): Where | null {
  const back = state.at;
  // "increase in" is one word: the places come right after it.
  const listed = keyAt(state, state.at - 1) === 'in' ? listedPlaces(state) : null;
  if (listed) return { into: 'places', at: listed };
  if (LEADS.has(keyAt(state))) {
    state.at++;
    const many = numberedPlaces(state);
    if (many) return many;
    state.at = back;
  }
  let phrase = phraseAt(state);
  const lead = phrase?.meaning.is === 'with' || phrase?.meaning.is === 'into';
  if (lead) {
    state.at += phrase!.length;
    const places = placesAt(state);
    if (places) return { into: 'places', at: places };
    phrase = phraseAt(state);
  }
  const where = phrase && whereOf(state, phrase, lead);
  if (!where) state.at = back;
  return where;
}

/** "3rd and 6th (st)", "the 2nd, 4th and 6th stitches": places counted from the round's start. */
function placesAt(state: ReadState): number[] | null {
  const listed = listedPlaces(state);
  if (listed) return listed;
  const at: number[] = [];
  let i = state.at;
  for (;;) {
    if (keyAt(state, i) === 'the') i++;
    const [number, length] = ordinal(state.tokens, i);
    if (number === null || number <= (at.at(-1) ?? 0)) break;
    at.push(number);
    i += length;
    const unit = phraseAt(state, i);
    if (unit?.meaning.is === 'stitches' && at.length > 1) break;
    if (unit?.meaning.is === 'stitches') i += unit.length;
    const comma = keyAt(state, i) === ',' ? 1 : 0;
    const and = ['and', '&'].includes(keyAt(state, i + comma)) ? 1 : 0;
    if (
      comma + and === 0 ||
      ordinal(state.tokens, i + comma + and + (keyAt(state, i + comma + and) === 'the' ? 1 : 0))[0] === null
    )
      break;
    i += comma + and;
  }
  if (at.length < 2) return null;
  const unit = phraseAt(state, i);
  state.at = i + (unit?.meaning.is === 'stitches' ? unit.length : 0);
  return at;
}

/** "st 2, 4, 6 and 8": a unit, and rising numbers after it; null where there are not several. */
function listedPlaces(state: ReadState): number[] | null {
  if (!means(state, 'stitches')) return null;
  const at: number[] = [];
  let i = state.at + phraseAt(state)!.length;
  for (;;) {
    const number = wholeNumber(state.tokens[i]);
    if (number === null || number <= (at.at(-1) ?? 0)) break;
    at.push(number);
    i++;
    const comma = keyAt(state, i) === ',' ? 1 : 0;
    const and = ['and', '&'].includes(keyAt(state, i + comma)) ? 1 : 0;
    if (comma + and === 0 || wholeNumber(state.tokens[i + comma + and]) === null) break;
    i += comma + and;
  }
  if (at.length < 2) return null;
  state.at = i;
  return at;
}

const LEADS: ReadonlySet<string> = new Set(['in', 'into', 'over', 'on', 'across']);
const BEFORE_NUMBER: ReadonlySet<string> = new Set([
  'the',
  'other',
  'opposite',
  'remaining',
  'same',
  'side',
  'of',
  'those',
  'these',
]);

/** "in the 3 chains", "in 15 sts", "in the other side of the 3 ch": a number of places without "next". */
function numberedPlaces(state: ReadState): Where | null {
  let i = state.at;
  while (BEFORE_NUMBER.has(keyAt(state, i)) && i < state.at + 6) i++;
  const token = state.tokens[i];
  const number = numberOf(token);
  const unit = phraseAt(state, i + 1)?.meaning.is;
  if (number === 1 && i === state.at && unit !== 'stitches' && unit !== 'stitch' && unit !== 'chain' && unit !== 'times') {
    state.at = i + 1;
    return { into: 'one' };
  }
  const ends = state.tokens[i + 1];
  if (number !== null && number > 1 && i === state.at && (!ends || [',', ')', ']', '}', '*', ';', '.'].includes(ends.key))) {
    state.at = i + 1;
    return { into: 'next', count: checkedCount(state, number, token!), each: false };
  }
  if (number === null || (unit !== 'stitches' && unit !== 'chain')) return null;
  if (number === 1 && i === state.at) return null;
  state.at = i + 1;
  if (!passIf(state, 'stitches')) passIf(state, 'chain');
  return { into: 'next', count: checkedCount(state, number, token!), each: false };
}

function whereOf(state: ReadState, { meaning, length }: Match, lead: boolean): Where | null {
  switch (meaning.is) {
    case 'each':
      return eachOf(state, length);
    case 'ring':
      return ringOf(state, length, lead);
    case 'around':
    case 'edge':
    case 'layers':
    case 'each end':
    case 'corners':
    case 'sides':
      state.at += length;
      return { into: meaning.is };
    case 'next one':
    case 'last chain':
      state.at += length;
      return { into: 'one' };
    case 'every':
      state.at += length;
      passIf(state, 'around');
      return { into: meaning.is, step: meaning.step };
    case 'nth chain':
      return nthChainOf(state, length);
    // "3 sc in ch": one in each of so many chains.
    case 'chain':
      if (!lead || numberOf(state.tokens[state.at + length]) !== null) return null;
      state.at += length;
      return { into: 'chains' };
    case 'to last':
      return counted(state, length, (count) => ({ into: 'to last', count, each: false }), 1);
    case 'until':
      return counted(state, length, (count) => (passIf(state, 'remain') ? { into: 'to last', count, each: false } : null));
    case 'next':
      return nextOf(state, length, meaning.each, lead);
    default:
      return null;
  }
}

/** "MC" is the main colour where the pattern says so, and "it" needs a word that leads into it. */
function ringOf(state: ReadState, length: number, lead: boolean): Where | null {
  if (state.context.colours.codes.has(state.tokens[state.at]!.text) || (keyAt(state) === 'it' && !lead)) return null;
  state.at += length;
  return { into: 'ring' };
}

function nthChainOf(state: ReadState, length: number): Where {
  const the = keyAt(state) === 'the' ? 1 : 0;
  const [nth] = ordinal(state.tokens, state.at + the);
  const on = keyAt(state, state.at - 1) === 'from';
  state.at += length;
  return { into: 'chain', nth: nth ?? 2, on };
}

function eachOf(state: ReadState, length: number): Where {
  state.at += length;
  const back = state.at;
  const next = phraseAt(state);
  const open = next?.meaning.is === 'to last' || next?.meaning.is === 'until' ? whereOf(state, next, false) : null;
  if (open?.into === 'to last') return { ...open, each: true };
  state.at = back;
  return { into: 'each' };
}

function nextOf(state: ReadState, length: number, each: boolean, lead: boolean): Where | null {
  const found = counted(state, length, (count) => ({ into: 'next', count, each }));
  // "inc all"
  if (!found && length === 1 && keyAt(state) === 'all') {
    state.at++;
    return { into: lead ? 'each' : 'around' };
  }
  if (found || !lead || each) return found;
  state.at += length;
  return { into: 'one' };
}

/** A place with a number of stitches after its words: "next" + "3 sts". */
function counted(state: ReadState, length: number, make: (count: number) => Where | null, unsaid?: number): Where | null {
  const token = state.tokens[state.at + length];
  const number = numberOf(token);
  const unit = phraseAt(state, state.at + length)?.meaning.is;
  if (number === null && (unsaid === undefined || (unit !== 'stitches' && unit !== 'chain'))) return null;
  const back = state.at;
  state.at += length + (number === null ? 0 : 1);
  if (keyAt(state) === 'remaining') state.at++;
  if (!passIf(state, 'stitches') && !passIf(state, 'chain')) passIf(state, 'stitch');
  const made = make(number === null ? unsaid! : checkedCount(state, number, token!));
  if (made?.into === 'to last') passIf(state, 'remain');
  if (!made) state.at = back;
  return made;
}

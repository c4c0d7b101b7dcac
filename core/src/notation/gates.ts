import { labelWord } from './label-word.js';
import { wholeNumber } from './ordinals.js';
import type { Part } from './pattern.js';
import type { Span } from './span.js';
import { numberOf, tokenize, type Token } from './tokens.js';

/** What a remark asks for at its place. */
export type GateKind = 'eyes' | 'stuffing' | 'face' | 'limb' | 'right side' | 'tail' | 'closing';

/** Something to be done at one time only, as the pattern says it. */
export interface Gate {
  readonly kind: GateKind;
  readonly text: string;
  /** Index in `part.lines` of the line it comes before; the number of lines when it comes after the last. */
  readonly before: number;
  /** The rounds it speaks of ("between R6 and R7"), or null. */
  readonly rounds: readonly [number, number] | null;
  /**
   * Stitches apart, or null. 'between' counts the stitches that stay free between the two, 'unsaid' is "4 apart", which
   * some read as four stitches between and others as four holes on.
   */
  readonly apart: { readonly count: number; readonly reading: 'between' | 'unsaid' } | null;
  readonly span: Span;
}

const WORDS: readonly (readonly [GateKind, readonly string[]])[] = [
  ['eyes', ['eyes', 'eye']],
  ['stuffing', ['stuff', 'stuffing', 'stuffed', 'fill', 'filling', 'fibrefill', 'fiberfill']],
  ['face', ['embroider', 'nose', 'mouth', 'face', 'cheeks', 'snout', 'lashes']],
  ['limb', ['attach', 'sew', 'join']],
  ['right side', ['right']],
  ['tail', ['tail', 'leave']],
  ['closing', ['fasten', 'close', 'draw', 'fo', 'finish']],
];
const ACTS = new Set(['set', 'place', 'put', 'insert', 'add', 'attach', 'sew', 'glue', 'embroider', 'fix', 'position']);

/** The gates in a part's notes and remarks, in the order of the work. */
export function gatesOf(part: Part): Gate[] {
  const gates: Gate[] = [];
  const look = (text: string, before: number, span: Span): void => {
    const gate = gateIn(text, before, span);
    if (gate) gates.push(gate);
  };
  for (const note of part.notes) look(note.text, note.before, note.span);
  part.lines.forEach((line, index) => {
    line.items.forEach((item, i) => {
      const place = line.places[i];
      if (item.kind === 'remark' && place) look(item.text, index + 1, { from: place.from, to: place.to });
    });
  });
  return gates.sort((a, b) => a.before - b.before || a.span.from - b.span.from);
}

function gateIn(text: string, before: number, span: Span): Gate | null {
  const tokens = tokenize(text);
  const keys = tokens.map((token) => token.key);
  const kind = WORDS.find(([, words]) => words.some((word) => keys.includes(word)))?.[0];
  if (!kind) return null;
  const acts = keys.some((key) => ACTS.has(key));
  if ((kind === 'eyes' || kind === 'face') && !acts) return null;
  if (kind === 'right side' && !keys.includes('side')) return null;
  if (kind === 'tail' && !keys.includes('cm') && !keys.includes('tail')) return null;
  return { kind, text, before, rounds: roundsIn(tokens), apart: apartIn(tokens), span };
}

function roundsIn(tokens: readonly Token[]): readonly [number, number] | null {
  for (let i = 0; i < tokens.length; i++) {
    if (!labelWord(tokens[i])) continue;
    const first = wholeNumber(tokens[i + 1]);
    if (first === null) continue;
    const joined = ['and', '&', '-', 'to'].includes(tokens[i + 2]?.key ?? '');
    const at = i + 3 + (labelWord(tokens[i + 3]) ? 1 : 0);
    const second = joined ? wholeNumber(tokens[at]) : null;
    return [first, second ?? first];
  }
  return null;
}

const STITCHES = new Set(['stitches', 'sts', 'st', 'stitch', 'sc', 'dc']);

/** "9 stitches between them", "4 sts apart". */
function apartIn(tokens: readonly Token[]): Gate['apart'] {
  for (let i = 0; i < tokens.length; i++) {
    const count = numberOf(tokens[i]);
    if (count === null || !Number.isInteger(count) || !STITCHES.has(tokens[i + 1]?.key ?? '')) continue;
    const after = tokens.slice(i + 2, i + 6).map((token) => token.key);
    if (after.includes('between') || after.includes('free')) return { count, reading: 'between' };
    if (after.includes('apart')) return { count, reading: 'unsaid' };
  }
  return null;
}

import type { Apart, Fact } from './facts.js';
import type { Part } from './pattern.js';
import type { Span } from './span.js';

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
  /** Stitches apart, or null. */
  readonly apart: Apart | null;
  /** Where it stands; null in a round that was not read but made. */
  readonly span: Span | null;
}

/** A remark of a part at its place: a note between rounds, or words inside one. */
export interface RemarkOfPart {
  readonly text: string;
  readonly facts: readonly Fact[];
  /** Index in `part.lines` of the line it comes before. */
  readonly before: number;
  /** Where it stands; null for words of a round that was not read but made. */
  readonly span: Span | null;
}

/** All remarks of a part, in the order of the work. */
export function remarksOf(part: Part): RemarkOfPart[] {
  const inside = part.lines.flatMap((line, index) =>
    line.items.flatMap((item, i): RemarkOfPart[] => {
      const place = line.places[i];
      return item.kind === 'remark' ? [{ text: item.text, facts: item.facts, before: index + 1, span: place ?? null }] : [];
    }),
  );
  return [...part.notes, ...inside].sort((a, b) => a.before - b.before || (a.span?.from ?? 0) - (b.span?.from ?? 0));
}

const KINDS: ReadonlySet<string> = new Set<GateKind>(['eyes', 'stuffing', 'face', 'limb', 'right side', 'tail', 'closing']);

/** The gates in a part's remarks, in the order of the work; a remark is one gate, by the first thing it asks for. */
export function gatesOf(part: Part): Gate[] {
  return remarksOf(part).flatMap(({ text, facts, before, span }): Gate[] => {
    const fact = facts.find((each) => KINDS.has(each.is) && !(each.is === 'stuffing' && each.how === 'none'));
    if (!fact) return [];
    const eyes = fact.is === 'eyes' ? fact : null;
    const at = span && { from: span.from, to: span.to };
    return [{ kind: fact.is as GateKind, text, before, rounds: eyes?.rounds ?? null, apart: eyes?.apart ?? null, span: at }];
  });
}

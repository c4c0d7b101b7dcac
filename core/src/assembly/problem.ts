import type { Severity, Span } from '../notation/index.js';
import type { Feature } from './feature.js';

/** What is wrong with a place, or worth a look, as facts; `describeProblem` makes the sentence. */
export type Problem = {
  readonly severity: Severity;
  readonly feature: string;
  readonly name: string;
  readonly span: Span | null;
} & (
  | { readonly code: 'placed-twice' }
  /** Placed by a feature that nothing says the place of. */
  | { readonly code: 'not-placed-yet'; readonly by: string }
  | { readonly code: 'no-host' }
  | { readonly code: 'no-height' }
  | { readonly code: 'on-itself' }
  | { readonly code: 'places-in-a-circle'; readonly by: string }
  | { readonly code: 'no-round'; readonly host: string; readonly round: number; readonly last: number }
  | { readonly code: 'no-copy'; readonly host: string; readonly copy: number; readonly copies: number }
  | { readonly code: 'no-stitch'; readonly host: string; readonly stitch: number; readonly stitches: number }
  | { readonly code: 'too-many'; readonly count: number; readonly stitches: number }
  | { readonly code: 'too-wide'; readonly mm: number; readonly room: number; readonly host: string }
  /** The rounds it is to lie over are longer than it is. */
  | { readonly code: 'too-short'; readonly mm: number; readonly rounds: number }
  | { readonly code: 'overlaps'; readonly other: string; readonly mm: number }
  | { readonly code: 'over-colour-line'; readonly round: number }
  | { readonly code: 'on-decrease'; readonly round: number }
  | { readonly code: 'hidden'; readonly by: string }
  /** The two of a pair differ by so many stitches. */
  | { readonly code: 'pair-differs'; readonly stitches: number }
  | { readonly code: 'hosts-differ'; readonly counts: readonly [number, number] }
  /** A stitch of the wall takes more than one of the limb. */
  | { readonly code: 'stitches-twice'; readonly stitches: number }
  /** Sewn to stitches of the wall that another is sewn to. */
  | { readonly code: 'shares-stitches'; readonly other: string; readonly stitches: number }
);

/** A problem but for the feature that has it. */
type Untold = { [K in Problem['code']]: Omit<Extract<Problem, { code: K }>, 'feature' | 'name' | 'span'> }[Problem['code']];
export type Tell = (feature: Feature, problem: Untold) => void;

const mm = (value: number): string => `${Math.max(1, Math.round(value))} mm`;
const half = (value: number): string =>
  value < 0.36 ? 'a quarter of a stitch' : value < 0.75 ? 'half a stitch' : `${Number(value.toFixed(1))} stitches`;

/** The sentence for a problem: what is wrong, and what to do. */
export function describeProblem(problem: Problem): string {
  const { name } = problem;
  switch (problem.code) {
    case 'placed-twice':
      return `${name} has a place already; this line is not used.`;
    case 'not-placed-yet':
      return `${problem.by} has no place yet, and ${name} goes by it. Say where ${problem.by} goes.`;
    case 'no-host':
      return `Say what ${name} goes on, as in “on Body”.`;
    case 'no-height':
      return `Say at which round ${name} goes, as in “at R12”.`;
    case 'on-itself':
      return `${name} cannot go on itself.`;
    case 'places-in-a-circle':
      return `${name} goes by ${problem.by}, and ${problem.by} goes by ${name}. Say the round of one of them.`;
    case 'no-round':
      return `There is no R${problem.round} on ${problem.host}: it has ${problem.last} ${problem.last === 1 ? 'round' : 'rounds'}.`;
    case 'no-copy':
      return `There is no ${problem.host} ${problem.copy}: the pattern makes ${problem.copies}.`;
    case 'no-stitch':
      return `There is no stitch ${problem.stitch} in that round of ${problem.host}: it has ${problem.stitches}.`;
    case 'too-many':
      return `${problem.count} do not fit over ${problem.stitches} stitches: at most one a stitch.`;
    case 'too-wide':
      return `${name} is about ${mm(problem.mm)} wide, and ${problem.host} leaves about ${mm(problem.room)} there.`;
    case 'too-short':
      return `${name} is about ${mm(problem.mm)} long, and the rounds it is to lie over are about ${mm(problem.rounds)}: it will not reach.`;
    case 'overlaps':
      return `${name} and ${problem.other} overlap by about ${mm(problem.mm)}.`;
    case 'over-colour-line':
      return `${name} lies over the colour line at R${problem.round}.`;
    case 'on-decrease':
      return `There is a decrease right there in R${problem.round}: the fabric is lumpy, a stitch aside sits better.`;
    case 'hidden':
      return `${problem.by} covers it.`;
    case 'pair-differs':
      return `The two sides differ by ${half(problem.stitches)}: the round has no stitch right opposite.`;
    case 'hosts-differ':
      return `The two hosts have ${problem.counts[0]} and ${problem.counts[1]} stitches there: the pair cannot be alike.`;
    case 'stitches-twice':
      return `Its edge has more stitches than the wall there: ${problem.stitches} of the wall take two.`;
    case 'shares-stitches':
      return `${name} and ${problem.other} are both sewn to ${problem.stitches} of the same stitches: move one aside.`;
  }
}

import { fabricOf, type PatternCount } from '../fabric/index.js';
import type { Severity, Span } from '../notation/index.js';
import { isFlatLie, outlineOf, plainProfile } from '../shape/index.js';
import { UPRIGHT } from '../spacing/index.js';
import { orderOf } from './order.js';
import { placesOf } from './placer.js';
import { describeProblem } from './problem.js';
import { roundOf } from './assembly-report.js';
import { describeOrderProblem } from './step-words.js';
import type { MadePiece } from './wall.js';

/** A finding about the making-up at its place in the text. */
export interface PlaceFinding {
  readonly severity: Severity;
  readonly span: Span;
  readonly message: string;
}

/** Medium yarn on a usual hook (common practice): what fits does not hang on it much. */
const STITCH = { width: 5, height: 4.8 };
const EYE_MM = 10;

/**
 * What is wrong with where things go, as far as the text alone tells: quickly, with every piece as wide as its rounds are, for
 * an editor that asks at every keystroke.
 */
export function checkPlaces(count: PatternCount): PlaceFinding[] {
  const made = quickly(count);
  const { features, places, problems } = placesOf(count, { made, lean: UPRIGHT, hand: 'right', stitch: STITCH, eyeMm: EYE_MM });
  const order = orderOf(count, features, {
    fabrics: (part) => made(part)!.fabric,
    roundOf: roundOf(places),
    secondsPerStitch: 1,
  });
  const told = new Set<string>();
  return [
    ...problems.flatMap((problem): PlaceFinding[] =>
      problem.span ? [{ severity: problem.severity, span: problem.span, message: describeProblem(problem) }] : [],
    ),
    ...order.problems.flatMap((problem): PlaceFinding[] =>
      problem.span
        ? [
            {
              severity: problem.code === 'missing-piece' ? 'hint' : 'warning',
              span: problem.span,
              message: describeOrderProblem(problem),
            },
          ]
        : [],
    ),
  ].filter(({ span, message }) => {
    const key = `${span.from} ${message}`;
    return !told.has(key) && told.add(key);
  });
}

function quickly({ parts }: PatternCount): (part: number) => MadePiece | null {
  const known = new Map<number, MadePiece>();
  return (part) => {
    const counted = parts[part];
    if (!counted) return null;
    const before = known.get(part);
    if (before) return before;
    const fabric = fabricOf(counted);
    const outline = outlineOf(fabric);
    const profile = { ...plainProfile(outline.counts, STITCH), flat: isFlatLie(outline.lie) };
    const piece = { counted, fabric, profile };
    known.set(part, piece);
    return piece;
  };
}

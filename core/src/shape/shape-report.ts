import { figureFabric, type PatternCount } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { isFlatLie } from './lie.js';
import { measure, openings, type Measures } from './measures.js';
import { scaleProfile, unitProfile } from './profile/profile.js';
import { bodyToRelax } from './relaxed/body-shape.js';
import { measureRelaxed } from './relaxed/measure-relaxed.js';
import { profileOfRelaxed } from './relaxed/profile-of.js';
import { asSewn } from './relaxed/ring-round.js';
import type { Outcome } from './relaxed/relax.js';

/** One part's shape, mm and mm³: by its rounds alone, and by every stitch relaxed with all that is joined to it. */
export interface PartShapeReport {
  readonly part: string;
  readonly copies: number;
  readonly stitches: number;
  readonly outcome: Outcome;
  readonly flat: boolean;
  readonly byRounds: Measures;
  readonly relaxed: Measures;
  /** Across the opening once each round is worked, or the width of flat work. */
  readonly openings: readonly { readonly round: string; readonly byRounds: number; readonly relaxed: number }[];
  /** How many corners stand around it, how far they swing the radius, a share, and how far they turn with a round, turns. */
  readonly corners: { readonly count: number; readonly swing: number; readonly ridge: number };
  /** Degrees between its way up and straight up. */
  readonly lean: number;
}

/** The shapes of all parts of a pattern in stitches of this size; the first copy of each. */
export function shapeReport({ parts }: Pick<PatternCount, 'parts'>, { width, height }: StitchSize): PartShapeReport[] {
  const figure = figureFabric({ parts });
  const ratio = height / width;
  const reports: PartShapeReport[] = [];
  for (let body = 0; body + 1 < figure.bodyStart.length; body++) {
    const firsts = figure.pieces.slice(figure.bodyStart[body], figure.bodyStart[body + 1]).some(({ copy }) => copy === 0);
    if (!firsts) continue;
    const { net, relaxation } = bodyToRelax(figure, body, ratio);
    const outcome = relaxation.run(Number.MAX_SAFE_INTEGER);
    const positions = asSewn(net, relaxation.positions);
    for (const [index, { piece, outline }] of net.pieces.entries()) {
      if (piece.copy > 0) continue;
      const counted = parts[piece.part]!;
      const flat = isFlatLie(outline.lie);
      const byRounds = scaleProfile(unitProfile(outline, ratio), width);
      // Flat work is as its rounds are, whatever the springs say of its folds.
      const relaxed = flat ? byRounds : scaleProfile(profileOfRelaxed(net, index, positions, outcome === 'settled'), width);
      const [one, two] = [openings(byRounds), openings(relaxed)];
      const { corners, lean } = measureRelaxed(net, index, positions);
      reports.push({
        part: counted.part.name,
        copies: counted.part.copies,
        stitches: piece.fabric.stitchCount,
        outcome,
        flat,
        byRounds: measure(byRounds),
        relaxed: measure(relaxed),
        openings: one.map((across, round) => ({ round: counted.rounds[round]!.label, byRounds: across, relaxed: two[round]! })),
        corners: { count: corners.count, swing: corners.swing, ridge: corners.ridge },
        lean,
      });
    }
  }
  return reports;
}

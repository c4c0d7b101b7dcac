import { fabricOf, type Fabric, type PartCount } from '@lemniscus/core/fabric';
import { eyeSpots, faceOf, type BodyShape } from '@lemniscus/core/shape';
import type { FigureEye, FigureMarks } from '../../drawing/figure/figure-body';

/** A line of a pattern, as the indices of its part and of the line in it. */
export interface PatternLine {
  readonly part: number;
  readonly line: number;
}

/** Of every stitch of a shape, the round it is in, 0-based. */
function roundsOf(shape: BodyShape, fabrics: ReadonlyMap<number, Fabric>): Int32Array {
  const { stitches, pieces } = shape;
  return Int32Array.from({ length: stitches.count }, (_, i) => {
    const fabric = fabrics.get(pieces[stitches.piece[i]!]!.part);
    return fabric?.round[stitches.row[i]!] ?? -1;
  });
}

/** The fabrics of the parts a shape is made of, by their index. */
export function fabricsIn({ pieces }: BodyShape, parts: readonly PartCount[]): ReadonlyMap<number, Fabric> {
  return new Map(
    [...new Set(pieces.map(({ part }) => part))].flatMap((part) => (parts[part] ? [[part, fabricOf(parts[part])]] : [])),
  );
}

/** The line a stitch of a shape was worked by. */
export function lineOfStitch(shape: BodyShape, parts: readonly PartCount[], stitch: number): PatternLine | null {
  const piece = shape.pieces[shape.stitches.piece[stitch]!];
  const counted = piece && parts[piece.part];
  if (!counted) return null;
  const round = fabricOf(counted).round[shape.stitches.row[stitch]!];
  const line = round === undefined ? undefined : counted.rounds[round]?.line;
  return line === undefined ? null : { part: piece.part, line };
}

/** The stitches of a line, and those of rounds whose count is off. */
export function marksOf(shape: BodyShape, parts: readonly PartCount[], here: PatternLine | null): FigureMarks {
  const rounds = roundsOf(shape, fabricsIn(shape, parts));
  const lit = new Set<number>();
  const wrong = new Set<number>();
  for (const [stitch, round] of rounds.entries()) {
    const part = shape.pieces[shape.stitches.piece[stitch]!]!.part;
    const counted = parts[part]?.rounds[round];
    if (!counted) continue;
    if (!counted.ok) wrong.add(stitch);
    if (here?.part === part && counted.line === here.line) lit.add(stitch);
  }
  return { lit, wrong };
}

/** Safety eyes of usual size where the pattern names none, mm (common practice). */
const USUAL_EYE_MM = 10;
/** Stitches between two eyes where the pattern says nothing, as a share of the round (common practice: a sixth to a quarter apart). */
const USUAL_APART = 0.2;

/** The eyes of every piece, as its pattern sets them. */
export function eyesOf(shape: BodyShape, parts: readonly PartCount[], eyeMm: number | null, stitchMm: number): FigureEye[] {
  return shape.pieces.flatMap(({ part }, piece) => {
    const counted = parts[part];
    const face = counted && faceOf(counted);
    if (!face) return [];
    const fabric = fabricOf(counted);
    const first = fabric.roundStart[face.round]!;
    const count = fabric.roundStart[face.round + 1]! - first;
    const between = face.between ?? Math.round(count * USUAL_APART) - 1;
    const spots = eyeSpots(shape.stitches, { piece, first, count, between }) ?? [];
    return spots.map(({ at, out }) => ({ at, out, radius: (eyeMm ?? USUAL_EYE_MM) / 2 / stitchMm }));
  });
}

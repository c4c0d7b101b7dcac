import { fabricOf, type PatternCount } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { outlineOf, scaleProfile, unitProfile } from '../shape/index.js';
import type { MadePiece } from './wall.js';

/** Every piece as the pattern has it, worked to its end, with its shape by rounds; fabrics and shapes are made when asked for. */
export function asWritten(
  { parts }: Pick<PatternCount, 'parts'>,
  { width, height }: StitchSize,
): (part: number) => MadePiece | null {
  const known = new Map<number, MadePiece>();
  return (part) => {
    const counted = parts[part];
    if (!counted) return null;
    const made = known.get(part);
    if (made) return made;
    const fabric = fabricOf(counted);
    const profile = scaleProfile(unitProfile(outlineOf(fabric), height / width), width);
    const piece = { counted, fabric, profile };
    known.set(part, piece);
    return piece;
  };
}

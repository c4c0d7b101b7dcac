import { acrossOf, facingOf, type RelaxedRing } from './rings.js';
import { dot, minus } from '../../vector/index.js';

/** Corners of a piece: so many around it, how far the radius swings, and how they run. */
export interface Corners {
  /** How many stand around the piece: the harmonic that swings most. */
  readonly count: number;
  /** Swing of the radius there, a share of it. */
  readonly swing: number;
  /** How far they turn with each round, turns in the direction of work: nought where they stack straight up, else a spiral ridge. */
  readonly ridge: number;
  /** Swing of the radius by harmonic: index m has m corners around; 0 to 2 say size, place and oval. */
  readonly byHarmonic: readonly number[];
}

/** Corners are looked for from a triangle to twelve. */
const MOST_CORNERS = 12;
/** A round of fewer stitches has no corners of its own. */
const FEWEST = 12;

interface Wave {
  readonly cos: number;
  readonly sin: number;
}

/**
 * How far the radius of each round swings around its mean, by harmonic, as the root of the mean square over the rounds that
 * are long enough to show it. Law: it does not change when the piece is turned or mirrored.
 */
export function cornersOf(rings: readonly RelaxedRing[]): Corners {
  const long = rings.filter(({ points }) => points.length >= FEWEST);
  const facing = facingOf(rings);
  const [right, deep] = acrossOf(facing);
  const waves = long.map((ring) => wavesOf(ring, (point) => [dot(point, right), dot(point, deep)]));
  const byHarmonic = Array.from({ length: MOST_CORNERS + 1 }, (_, m) => {
    const seen = long.flatMap(({ points }, i) => (points.length >= 2 * m + 2 ? [size(waves[i]![m]!)] : []));
    return seen.length > 0 ? Math.sqrt(seen.reduce((sum, swing) => sum + swing * swing, 0) / seen.length) : 0;
  });
  let count = 3;
  for (let m = 3; m <= MOST_CORNERS; m++) if (byHarmonic[m]! > byHarmonic[count]!) count = m;
  return { count, swing: byHarmonic[count]!, ridge: ridgeOf(waves, count), byHarmonic };
}

const size = ({ cos, sin }: Wave): number => Math.hypot(cos, sin);

function wavesOf({ points, centre }: RelaxedRing, flat: (point: RelaxedRing['centre']) => readonly [number, number]): Wave[] {
  const seen = points.map((point) => {
    const [u, v] = flat(minus(point, centre));
    return { radius: Math.hypot(u, v), angle: Math.atan2(v, u) };
  });
  const mean = seen.reduce((sum, { radius }) => sum + radius, 0) / seen.length || 1;
  return Array.from({ length: MOST_CORNERS + 1 }, (_, m): Wave => {
    let [cos, sin] = [0, 0];
    for (const { radius, angle } of seen) {
      cos += (radius / mean - 1) * Math.cos(m * angle);
      sin += (radius / mean - 1) * Math.sin(m * angle);
    }
    return { cos: (2 * cos) / seen.length, sin: (2 * sin) / seen.length };
  });
}

/** The mean turn of a harmonic from one round to the next, weighed by how much both swing. */
function ridgeOf(waves: readonly (readonly Wave[])[], m: number): number {
  let [cos, sin] = [0, 0];
  for (let k = 1; k < waves.length; k++) {
    const [a, b] = [waves[k - 1]![m]!, waves[k]![m]!];
    cos += a.cos * b.cos + a.sin * b.sin;
    sin += a.cos * b.sin - a.sin * b.cos;
  }
  return cos === 0 && sin === 0 ? 0 : Math.atan2(sin, cos) / (2 * Math.PI * m);
}

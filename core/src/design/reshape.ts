import type { Wish, WishPoint } from './wish.js';

/** A step to another shape. */
export type Reshape = 'rounder' | 'pointier' | 'flatter' | 'taller';
export const RESHAPES: readonly Reshape[] = ['rounder', 'pointier', 'flatter', 'taller'];

/** How large a step is (our own choice): a seventh of the height, half of the way to an ellipse, a third off the tip. */
const TALL = 7 / 6;
const ROUND = 0.5;
const POINT = 0.34;

/** The outline one step rounder, pointier, flatter or taller; its widest place stays as wide, but where it is rounder. */
export function reshaped(wish: Wish, how: Reshape): Wish {
  const { points } = wish;
  switch (how) {
    case 'taller':
      return { ...wish, points: points.map(({ r, z }) => ({ r, z: z * TALL })) };
    case 'flatter':
      return { ...wish, points: points.map(({ r, z }) => ({ r, z: z / TALL })) };
    case 'rounder':
      return { ...wish, points: rounder(wish) };
    case 'pointier':
      return { ...wish, points: pointier(wish) };
  }
}

const extent = (points: readonly WishPoint[]): { low: number; high: number; wide: number } => ({
  low: Math.min(...points.map(({ z }) => z)),
  high: Math.max(...points.map(({ z }) => z)),
  wide: Math.max(...points.map(({ r }) => r)),
});

/** Half-way to the ellipse of its width and height; an open shape to the half of one that is as tall. */
function rounder({ points, end }: Wish): readonly WishPoint[] {
  const { low, high, wide } = extent(points);
  return points.map(({ r, z }, i) => {
    const share = (z - low) / Math.max(1e-9, high - low);
    const around =
      end === 'shut' ? Math.sqrt(Math.max(0, 1 - (2 * share - 1) ** 2)) : Math.sqrt(Math.max(0, 1 - (1 - share) ** 2));
    const fixed = i === 0 || (end === 'shut' && i === points.length - 1);
    return { r: fixed ? r : r + ROUND * (wide * around - r), z };
  });
}

/** Narrower toward its end, or, where that is open, toward its start. */
function pointier({ points, end }: Wish): readonly WishPoint[] {
  const { low, high, wide } = extent(points);
  const middle = points.find(({ r }) => r === wide)!.z;
  return points.map(({ r, z }) => {
    const share = end === 'shut' ? (z - middle) / Math.max(1e-9, high - middle) : (middle - z) / Math.max(1e-9, middle - low);
    return { r: share > 0 ? r * (1 - POINT * Math.min(1, share) ** 2) : r, z };
  });
}

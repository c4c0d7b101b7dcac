import type { Wish, WishPoint } from './wish.js';

/** Shapes to begin from; sizes in mm. */
export type Primitive =
  | { readonly is: 'ball'; readonly across: number }
  | { readonly is: 'egg'; readonly across: number; readonly tall: number }
  | { readonly is: 'drop'; readonly across: number; readonly tall: number }
  | { readonly is: 'cone'; readonly across: number; readonly tall: number }
  | { readonly is: 'tube'; readonly across: number; readonly tall: number }
  | { readonly is: 'cup'; readonly across: number; readonly tall: number }
  /** Bent: so long from end to end, and so thick. */
  | { readonly is: 'bean'; readonly across: number; readonly tall: number }
  | { readonly is: 'disc'; readonly across: number }
  /** Flat: so long, and so wide. */
  | { readonly is: 'oval'; readonly across: number; readonly tall: number }
  /** A tube whose ends are sewn together: so wide outside, and so thick. */
  | { readonly is: 'ring'; readonly across: number; readonly tall: number };

export const PRIMITIVES: readonly Primitive['is'][] = [
  'ball',
  'egg',
  'drop',
  'cone',
  'tube',
  'cup',
  'bean',
  'disc',
  'oval',
  'ring',
];

/** Pieces that a curve is made of. */
const PIECES = 48;
/** The widest place of an egg and of a drop, as a share of their height (our own choice). */
const EGG_BELLY = 0.42;
const DROP_BELLY = 0.34;

/** How far a bean bends, degrees (our own choice). */
const BEAN_BEND = 45;

/** Half an ellipse over the lower `belly` of the height and half of another over the rest. */
function twoHalves(across: number, tall: number, belly: number, sharp: number): readonly WishPoint[] {
  return Array.from({ length: PIECES + 1 }, (_, i) => {
    const angle = (Math.PI * i) / PIECES;
    const low = belly * tall;
    const z = angle <= Math.PI / 2 ? low * (1 - Math.cos(angle)) : low - (tall - low) * Math.cos(angle);
    const r = (across / 2) * Math.sin(angle) ** (angle <= Math.PI / 2 ? 1 : sharp);
    return { r: i === 0 || i === PIECES ? 0 : r, z };
  });
}

/** The outline of a shape to begin from. */
export function primitive(shape: Primitive): Wish {
  const half = shape.across / 2;
  switch (shape.is) {
    case 'ball':
      return { points: twoHalves(shape.across, shape.across, 0.5, 1), end: 'shut' };
    case 'egg':
      return { points: twoHalves(shape.across, shape.tall, EGG_BELLY, 1), end: 'shut' };
    case 'drop':
      return { points: twoHalves(shape.across, shape.tall, DROP_BELLY, 1.6), end: 'shut' };
    case 'cone':
      return {
        points: [
          { r: 0, z: 0 },
          { r: half, z: shape.tall },
        ],
        end: 'open',
      };
    case 'tube':
      return { points: [...cap(half), { r: half, z: Math.max(shape.tall, half) }], end: 'open' };
    case 'cup':
      return {
        points: [
          { r: 0, z: 0 },
          { r: half, z: 0 },
          { r: half, z: shape.tall },
        ],
        end: 'open',
      };
    case 'bean': {
      const thick = Math.min(shape.tall, shape.across);
      const half = (BEAN_BEND * Math.PI) / 360;
      // Along its middle it is longer than straight across from end to end.
      const along = ((shape.across - thick) * half) / Math.sin(half);
      return { points: capsule(thick / 2, along), end: 'shut', bend: BEAN_BEND };
    }
    case 'disc':
      return flat(half, 0);
    case 'oval': {
      const wide = Math.min(shape.tall, shape.across);
      return flat(wide / 2, shape.across - wide);
    }
    case 'ring': {
      const thick = Math.min(shape.tall, shape.across / 2);
      return {
        points: [
          { r: thick / 2, z: 0 },
          { r: thick / 2, z: Math.PI * (shape.across - thick) },
        ],
        end: 'open',
      };
    }
  }
}

const flat = (r: number, straight: number): Wish => ({
  points: [
    { r: 0, z: 0 },
    { r, z: 0 },
  ],
  end: 'open',
  ...(straight > 0 ? { straight } : {}),
});

/** A tube so long between two half balls. */
function capsule(r: number, long: number): readonly WishPoint[] {
  const start = cap(r);
  const end = start.map((point) => ({ r: point.r, z: 2 * r + long - point.z })).reverse();
  return long > 0 ? [...start, ...end] : [...start, ...end.slice(1)];
}

/** A quarter of a circle from the axis to the wall. */
const cap = (r: number): readonly WishPoint[] =>
  Array.from({ length: PIECES / 4 + 1 }, (_, i) => {
    const angle = (Math.PI / 2) * ((4 * i) / PIECES);
    return { r: i === 0 ? 0 : r * Math.sin(angle), z: r * (1 - Math.cos(angle)) };
  });

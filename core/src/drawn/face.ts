import type { DrawnStrand } from './drawing.js';
import { workedRow } from './fabric-edge.js';
import { yarn } from './scene.js';

/** Fabric that a face stands on, seen straight from outside. */
export const faceRows = (): readonly DrawnStrand[] => [-3, -2, -1, 0].map((row, i) => yarn(`row ${i}`, workedRow(row, -1, 9)));

/** An eye on it. */
export const faceEye = (id: string, x: number): DrawnStrand => ({
  id,
  knots: [
    [x, 0.1, 1],
    [x + 0.001, 0.1, 1],
  ],
  radius: 0.36,
  tone: 'eye',
});

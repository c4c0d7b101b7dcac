import { WAYS, type Fabric } from '../fabric/index.js';

/**
 * How a part lies when it is done: round with stuffing, round and empty, or flat: a round piece pressed into two layers,
 * one layer of rows, or a band that goes around and is pressed flat.
 */
export type Lie = 'stuffed' | 'hollow' | 'pressed' | 'rows' | 'band';

/** Rows are turned; an edge picked up, or worked through two layers, is a band along it; else the part's words decide. */
export function lieOf(fabric: Fabric): Lie {
  const turned = fabric.roundWay.reduce((sum, way) => sum + (WAYS[way] === 'turned' ? 1 : 0), 0);
  if (turned * 2 > fabric.roundCount) return 'rows';
  const from = fabric.foundation?.from;
  return from === 'edge' || from === 'layers' ? 'band' : fabric.fill;
}

/** Whether a part that lies so has a width and no opening. */
export function isFlatLie(lie: Lie): lie is 'pressed' | 'rows' | 'band' {
  return lie === 'pressed' || lie === 'rows' || lie === 'band';
}

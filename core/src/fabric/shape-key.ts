import type { Fabric } from './fabric.js';

/** FNV-1a, 32 bit. */
const OFFSET = 0x811c9dc5;
const PRIME = 0x01000193;

/** A key that two fabrics of the same shape share: what is worked, on what, and how it begins; colours and loops are left out. */
export function shapeKey({
  stitch,
  firstParent,
  parentCount,
  place,
  roundStart,
  roundWay,
  foundations,
  fill,
  endsMeet,
}: Fabric): string {
  let hash = OFFSET;
  for (const row of [stitch, firstParent, parentCount, place, roundStart, roundWay])
    for (const value of row) hash = Math.imul(hash ^ value, PRIME);
  return `${stitch.length} ${roundStart.length} ${(hash >>> 0).toString(36)} ${fill}${endsMeet ? ' ends meet' : ''} ${JSON.stringify([...foundations])}`;
}

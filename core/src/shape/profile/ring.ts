/** Radius of a ring of n stitch widths laid as a polygon, mm. One or two stitches count as three, the fewest that enclose. */
export function ringRadius(stitches: number, width: number): number {
  return width / (2 * Math.sin(Math.PI / Math.max(3, stitches)));
}

/** The way round a ring over its radius, as a polygon of so many stitches. */
export function girthOverRadius(stitches: number): number {
  const corners = Math.max(3, stitches);
  return 2 * corners * Math.sin(Math.PI / corners);
}

import type { BodyPiece, BodyShape, Corners, RelaxedMeasures } from '@lemniscus/core/shape';

/** Corners smaller than this, and a lean less than that, are not seen on a stuffed piece (our own estimate). */
const SEEN_CORNER = 0.02;
const SEEN_LEAN = 3;
/** Second width under so much of the first makes an oval of it (our own estimate). */
const OVAL = 0.9;
/** Corners that turn less than this with a round stand straight up (our own estimate). */
const STRAIGHT = 0.004;

/** What stands out in a shape, in words; lengths are put by `length`, from stitch widths. */
export function standsOut(
  { size, pieces }: Pick<BodyShape, 'size' | 'pieces'>,
  { measures }: BodyPiece,
  length: (widths: number) => string,
  flat: boolean,
): string[] {
  const { diameter, second, height, corners } = measures;
  const [wide, high, deep] = size;
  if (pieces.length > 1)
    return [`all together about ${length(wide)} wide, ${length(high)} high and ${length(deep)} deep`, ...leanWords(measures)];
  if (flat) return [`lies flat, about ${length(diameter)} wide and ${length(height)} long`];
  const oval = second < OVAL * diameter;
  const across = oval ? `about ${length(diameter)} by ${length(second)} across` : `about ${length(diameter)} across`;
  return [`${across}, about ${length(height)} high`, ...(oval ? [] : [cornerWords(corners)]), ...leanWords(measures)];
}

export function cornerWords({ count, swing, ridge }: Corners): string {
  const percent = `${(100 * swing).toFixed(1)} % of the radius`;
  if (swing < SEEN_CORNER) return `round: corners of ${percent} hardly show`;
  const runs = Math.abs(ridge) < STRAIGHT ? 'straight up' : 'in a spiral';
  return `${count} corners ${runs}, ${percent}, which shows`;
}

function leanWords({ lean, height, diameter }: RelaxedMeasures): string[] {
  return lean >= SEEN_LEAN && height > diameter / 2 ? [`it tips by about ${lean.toFixed(0)}°`] : [];
}

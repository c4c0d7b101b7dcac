import { asWritten, featuresOf, moved, placesOf, placingEdits, type Place } from '../assembly/index.js';
import { checkPattern, type PatternCount } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { piecesOf } from '../making/index.js';
import { applyEdits, print, read, type Part } from '../notation/index.js';
import { UPRIGHT } from '../spacing/index.js';

/** A piece as it is made, and how many of its rounds are worked. */
export interface MadeOfPart {
  readonly part: Part;
  readonly worked: number;
}

/**
 * The text of a pattern that follows what was really made: each part as the copy of it that is furthest (of equals the
 * first), what was put elsewhere where it was put. Remarks, colours and the making-up stay.
 * @param made a piece by its id; null for one that is made as it is written
 * @param put places of what was put elsewhere, as it was
 */
export function madeAgain(
  count: PatternCount,
  made: (piece: string) => MadeOfPart | null,
  put: readonly Place[],
  stitch: StitchSize,
): string {
  const { pattern } = count;
  const pieces = piecesOf(pattern);
  const parts = pattern.parts.map((part, index) => {
    const copies = pieces.filter((piece) => piece.part === index).flatMap(({ id }) => made(id) ?? []);
    const furthest = copies.reduce<MadeOfPart | null>((best, copy) => (best && best.worked >= copy.worked ? best : copy), null);
    return furthest ? { ...furthest.part, name: part.name, copies: part.copies } : part;
  });
  return put.reduce((text, place) => withPlace(text, place, stitch), print({ ...pattern, parts }));
}

function withPlace(text: string, place: Place, stitch: StitchSize): string {
  const count = checkPattern(read(text));
  const feature = featuresOf(count).list.find(({ id }) => id === place.feature.id);
  if (!feature) return text;
  const all = placesOf(count, { made: asWritten(count, stitch), lean: UPRIGHT, hand: 'right', stitch, eyeMm: place.size.width });
  const now = all.places.find((each) => each.feature.id === feature.id && each.copy === place.copy);
  const pin = place.pins[0];
  if (!now || !pin) return text;
  return applyEdits(text, placingEdits(text, count, moved(all, now, { round: place.first, fromFront: pin.fromFront })));
}

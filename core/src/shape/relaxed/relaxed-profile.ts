import { figureOf, type Fabric } from '../../fabric/index.js';
import { isFlatLie } from '../lie.js';
import { outlineOf } from '../outline.js';
import { FIRM, unitProfile, type Profile } from '../profile/profile.js';
import { bodyToRelax } from './body-shape.js';
import { profileOfRelaxed } from './profile-of.js';

/** Steps within which a part of usual size settles; larger ones are left as far as they got, which they say. */
const ENOUGH = 1_500;

/**
 * The profile of a part from its stitches relaxed in three dimensions, in stitch widths; what is joined to it is left out.
 * Flat work, and a part of hardly any stitches, is taken by its rounds.
 */
export function relaxedProfile(fabric: Fabric, ratio: number, firmness = FIRM): Profile {
  const outline = outlineOf(fabric);
  if (isFlatLie(outline.lie) || fabric.stitchCount < 3 || outline.counts.some((count) => count === 0))
    return unitProfile(outline, ratio, firmness);
  const { net, relaxation } = bodyToRelax(figureOf(fabric), 0, ratio, { firmness });
  const outcome = relaxation.run(ENOUGH);
  return profileOfRelaxed(net, 0, relaxation.positions, outcome === 'settled');
}

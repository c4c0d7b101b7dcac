import { measure, outline } from './measures.js';
import type { Profile } from './profile.js';

/**
 * Whether a part naturally stands on its start: nearly full width within the first eighth of its height, and taller
 * than wide, like a tower on a flat base. Others are drawn hanging from their start, like a head begun at the crown.
 */
export function standsOnStart(profile: Profile): boolean {
  const { diameter, height } = measure(profile);
  if (height < diameter) return false;
  const low = Math.min(...outline(profile).map(([, z]) => z));
  return outline(profile).some(([r, z]) => r > 0.4 * diameter && z - low < height / 8);
}

import { outlineOf, relaxedProfile, unitProfile, type Profile } from '@lemniscus/core/shape';
import type { ShapeAnswer, ShapeQuestion } from './shape-messages';

/** Up to so many stitches every stitch is relaxed before anything is answered: it takes no longer than an eye notices. */
const AT_ONCE = 1_200;

addEventListener('message', ({ data: { key, fabric, ratio } }: MessageEvent<ShapeQuestion>) => {
  const answer = (profile: Profile | null, last: boolean): void => {
    const said: ShapeAnswer = { key, profile, last };
    postMessage(said);
  };
  let profile: Profile | null = null;
  try {
    if (fabric.stitchCount > AT_ONCE) answer((profile = unitProfile(outlineOf(fabric), ratio)), false);
    profile = relaxedProfile(fabric, ratio);
  } finally {
    // Whoever waits is told; what went wrong is the page's to show.
    answer(profile, true);
  }
});

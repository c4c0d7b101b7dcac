import { outlineOf, relaxedProfile, stitchOfPart, unitProfile, type Profile } from '@lemniscus/core/shape';
import type { FitAnswer, FitQuestion, ShapeAnswer, ShapeQuestion } from './shape-messages';

/** Up to so many stitches every stitch is relaxed before anything is answered: it takes no longer than an eye notices. */
const AT_ONCE = 300;

addEventListener('message', ({ data }: MessageEvent<ShapeQuestion | FitQuestion>) => {
  if ('fit' in data) fit(data);
  else shape(data);
});

function shape({ key, fabric, ratio, stretch }: ShapeQuestion): void {
  const answer = (profile: Profile | null, last: boolean): void => {
    const said: ShapeAnswer = { key, profile, last };
    postMessage(said);
  };
  let profile: Profile | null = null;
  try {
    if (fabric.stitchCount > AT_ONCE) answer((profile = unitProfile(outlineOf(fabric), ratio, stretch)), false);
    profile = relaxedProfile(fabric, ratio, stretch);
  } finally {
    // Whoever waits is told; what went wrong is the page's to show.
    answer(profile, true);
  }
}

function fit({ fit, fabric, measured, tools, swatch }: FitQuestion): void {
  const said: FitAnswer = { fit, read: stitchOfPart(fabric, measured, tools, swatch) };
  postMessage(said);
}

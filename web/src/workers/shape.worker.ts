import { outlineOf, relaxedProfile, stitchOfPart, unitProfile, type Profile } from '@lemniscus/core/shape';
import { KeptShapes, modelOf } from './kept-shapes';
import type { FitAnswer, FitQuestion, ShapeAnswer, ShapeQuestion } from './shape-messages';

/** Up to so many stitches every stitch is relaxed before anything is answered: it takes no longer than an eye notices. */
const AT_ONCE = 300;
const known = new KeptShapes(modelOf(location.pathname));

addEventListener('message', ({ data }: MessageEvent<ShapeQuestion | FitQuestion>) => {
  if ('fit' in data) fit(data);
  else void shape(data);
});

async function shape({ key, fabric, ratio, stretch }: ShapeQuestion): Promise<void> {
  const answer = (profile: Profile | null, last: boolean): void => {
    const said: ShapeAnswer = { key, profile, last };
    postMessage(said);
  };
  let profile = await known.find(key);
  if (profile) {
    answer(profile, true);
    return;
  }
  try {
    if (fabric.stitchCount > AT_ONCE) answer((profile = unitProfile(outlineOf(fabric), ratio, stretch)), false);
    profile = relaxedProfile(fabric, ratio, stretch);
  } finally {
    // Whoever waits is told; what went wrong is the page's to show.
    answer(profile, true);
  }
  await known.keep(key, profile);
}

function fit({ fit, fabric, measured, tools, swatch }: FitQuestion): void {
  const said: FitAnswer = { fit, read: stitchOfPart(fabric, measured, tools, swatch) };
  postMessage(said);
}

import { estimateStitch, YARN_WEIGHTS, type StitchSize } from '@lemniscus/core/gauge';
import type { statedKit } from '@lemniscus/core/supply';

/** What a stitch is sized by where neither the command nor the pattern says: medium yarn, a usual hook (common practice). */
const USUAL = { yarn: 4, hook: 3.5 } as const;

/** The size of a stitch, or why there is none. */
export function sizeOf(
  { yarn, hook, stitch }: { yarn?: string; hook?: string; stitch?: string },
  stated: Pick<ReturnType<typeof statedKit>, 'yarnWeight' | 'hookMm'> = { yarnWeight: null, hookMm: null },
): StitchSize | string {
  if (stitch !== undefined) {
    const [width, height] = stitch.split(/[x×]/).map(Number);
    const fine = [width, height].every((value) => value !== undefined && value >= 0.5 && value <= 60);
    return fine
      ? { width: width!, height: height! }
      : `--stitch ${stitch}: give width and height in mm, 0.5 to 60 each, as in 5x4.8.`;
  }
  const weight = YARN_WEIGHTS.find(
    ({ number }) => number === (yarn === undefined ? (stated.yarnWeight ?? USUAL.yarn) : Number(yarn)),
  );
  if (!weight) return `--yarn ${yarn}: give a weight from 0 (lace) to 7 (jumbo).`;
  try {
    return estimateStitch(weight.number, hook === undefined ? (stated.hookMm ?? USUAL.hook) : Number(hook));
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

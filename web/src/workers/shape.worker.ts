import { unitProfile } from '@lemniscus/core/shape';
import type { ShapeAnswer, ShapeQuestion } from './shape-messages';

addEventListener('message', ({ data: { key, outline, ratio } }: MessageEvent<ShapeQuestion>) => {
  let answer: ShapeAnswer = { key, profile: null };
  try {
    answer = { key, profile: unitProfile(outline, ratio) };
  } finally {
    // Whoever waits is told; what went wrong is the page's to show.
    postMessage(answer);
  }
});

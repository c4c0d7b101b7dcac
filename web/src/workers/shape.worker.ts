import { unitProfile } from '@lemniscus/core/shape';
import type { ShapeAnswer, ShapeQuestion } from './shape-messages';

addEventListener('message', ({ data: { key, outline, ratio } }: MessageEvent<ShapeQuestion>) => {
  const answer: ShapeAnswer = { key, profile: unitProfile(outline, ratio) };
  postMessage(answer);
});

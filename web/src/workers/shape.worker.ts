import { flatProfile, stuffedProfile } from '@lemniscus/core/shape';
import type { ShapeAnswer, ShapeQuestion } from './shape-messages';

addEventListener('message', ({ data: { key, counts, size, lie } }: MessageEvent<ShapeQuestion>) => {
  const profile = lie === 'stuffed' ? stuffedProfile(counts, size) : flatProfile(counts, size, lie);
  const answer: ShapeAnswer = { key, profile };
  postMessage(answer);
});

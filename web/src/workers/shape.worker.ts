import { flatProfile, stuffedProfile } from '@lemniscus/core/shape';
import type { ShapeAnswer, ShapeQuestion } from './shape-messages';

addEventListener('message', ({ data }: MessageEvent<ShapeQuestion>) => {
  const answer: ShapeAnswer = { key: data.key, profile: (data.flat ? flatProfile : stuffedProfile)(data.counts, data.size) };
  postMessage(answer);
});

import { defineEntity } from '@mikro-orm/core';
import type { PracticeAnswer } from '@lemniscus/api/practice';

export const AnswerEntity = defineEntity({
  name: 'PracticeAnswer',
  tableName: 'practice_answer',
  properties: (p) => ({
    id: p.string().primary(),
    answer: p.json().$type<PracticeAnswer>(),
    changedAt: p.integer(),
    removed: p.boolean(),
  }),
});

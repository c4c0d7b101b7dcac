import { TASK_KINDS } from '@lemniscus/core/bounds';
import * as z from 'zod';
import { Time } from './yarn.js';

/** A task of reading the work that was answered; kept as it was. */
export const PracticeAnswer = z.object({
  id: z.uuid('An answer is named by a UUID.'),
  kind: z.enum(TASK_KINDS),
  level: z.int().min(1).max(5),
  /** What the task followed from. */
  seed: z
    .int()
    .min(0)
    .max(2 ** 31),
  at: Time,
  seconds: z.number().min(0).max(86_400),
  right: z.boolean(),
});
export type PracticeAnswer = z.infer<typeof PracticeAnswer>;

export const KeptAnswer = z.object({ answer: PracticeAnswer, changedAt: Time, removed: z.boolean() });
export type KeptAnswer = z.infer<typeof KeptAnswer>;

/** Each is looked at on its own (`KeptAnswer`). */
export const AnswerBatch = z.object({
  answers: z.array(z.unknown()).max(1_000, 'Send at most 1000 answers at once.'),
});

import type { KeptAnswer } from '@lemniscus/api/practice';
import type { EntityManager } from '@mikro-orm/libsql';
import { AnswerEntity } from '../database/answer.entity.js';

/** Everything answered, by id. */
export async function listAnswers(em: EntityManager): Promise<KeptAnswer[]> {
  const rows = await em.find(AnswerEntity, { removed: false }, { orderBy: { id: 'asc' } });
  return rows.map(({ answer, changedAt, removed }) => ({ answer, changedAt, removed }));
}

/** Stores all or none; of two changes to one the later wins, whichever arrives first. */
export async function keepAnswers(em: EntityManager, answers: readonly KeptAnswer[]): Promise<void> {
  await em.transactional(async (within) => {
    for (const { answer, changedAt, removed } of answers) {
      const row = await within.findOne(AnswerEntity, { id: answer.id });
      if (!row) within.create(AnswerEntity, { id: answer.id, answer, changedAt, removed });
      else if (row.changedAt <= changedAt) within.assign(row, { answer, changedAt, removed });
    }
  });
}

import type { Taken } from '@lemniscus/api';
import type { Response } from 'express';

/** Answers a batch: nothing where all of it was taken, else what was refused. */
export function answerTaken(response: Response, refused: Taken['refused']): void {
  if (refused.length === 0) response.status(204).end();
  else response.json({ refused } satisfies Taken);
}

import type { ApiError, ApiErrorCode } from '@lemniscus/api';
import type { ErrorRequestHandler } from 'express';

const STATUS: Readonly<Record<ApiErrorCode, number>> = {
  'bad-request': 400,
  forbidden: 403,
  'not-paired': 401,
  'too-many-tries': 429,
  'not-found': 404,
  conflict: 409,
  'too-large': 413,
  internal: 500,
};

/** A refusal with a sentence for the person, thrown by routes and answered by `answerProblems`. */
export class Problem extends Error {
  constructor(
    readonly code: ApiErrorCode,
    message: string,
    readonly field?: string,
  ) {
    super(message);
    this.name = 'Problem';
  }
}

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const type = typeof error === 'object' && error !== null && 'type' in error ? error.type : null;
  if (type === 'entity.too.large')
    return new Problem('too-large', 'This is more than can be sent at once. Make the text shorter.');
  if (type === 'entity.parse.failed') return new Problem('bad-request', 'The request is no valid JSON.');
  const status = typeof error === 'object' && error !== null && 'status' in error ? error.status : null;
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem('bad-request', 'The request could not be read.');
  return new Problem(
    'internal',
    'Something went wrong on the server. What you did is kept in this browser and will be sent again.',
  );
}

/** Last in the chain: turns whatever was thrown into an `ApiError`, and logs what was not foreseen. */
export const answerProblems: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const { code, message, field } = asProblem(error);
  if (code === 'internal') console.error(error);
  const body: ApiError = { error: field === undefined ? { code, message } : { code, message, field } };
  response.status(STATUS[code]).json(body);
};

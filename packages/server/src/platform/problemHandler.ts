import { randomUUID } from 'node:crypto';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { PROBLEMS, type ProblemCode } from '@freshet/contract/problems';
import { isDatabaseAway } from './database';
import { DomainError, RequestInvalid } from './DomainError';

interface Answer {
  code: ProblemCode;
  detail?: string;
  errors?: { pointer: string; detail: string }[];
}

function toAnswer(error: unknown): Answer {
  if (error instanceof RequestInvalid)
    return { code: 'request/invalid', detail: error.errors[0]?.detail ?? '', errors: error.errors };
  if (error instanceof DomainError)
    return {
      code: error.code,
      detail: error.detail,
      ...(error.pointer ? { errors: [{ pointer: error.pointer, detail: error.detail }] } : {}),
    };
  if (isDatabaseAway(error)) return { code: 'platform/database-away', detail: 'What you typed is kept and will be tried again.' };
  const type = (error as { type?: string } | null)?.type;
  if (type === 'entity.too.large') return { code: 'request/too-large', detail: 'Send less at once.' };
  if (type === 'entity.parse.failed') return { code: 'request/invalid', detail: 'The request is not JSON.' };
  return { code: 'platform/internal' };
}

/** Answers every error as RFC 9457 problem details; what is not expected tells only an id that is in the log. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const answer = toAnswer(error);
    const { status, title, ...rest } = PROBLEMS[answer.code] as { status: number; title: string; overridable?: true };
    const instance = `urn:uuid:${randomUUID()}`;
    if (status >= 500) log.error({ err: error, instance, path: request.path }, answer.code);
    response
      .status(status)
      .type('application/problem+json')
      .send(JSON.stringify({ type: `/problems/${answer.code}`, title, status, ...answer, ...rest, instance }));
  };
}

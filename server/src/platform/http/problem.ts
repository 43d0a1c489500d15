import type { Figures, Problem, ProblemCode } from '@quay/contract/problems';
import { BrokenRecord } from '../database/broken';
import { isDiskFull } from '../database/freeRoom';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';

/** What a caller is told when something cannot be done (RFC 9457): which thing, with its figures. The sentence is the reader's. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly code: ProblemCode,
    readonly figures: Figures = {},
    /** When to come back, s. */
    readonly retryAfterS?: number,
  ) {
    super(code);
  }
}

export const fail = (status: number, code: ProblemCode, figures?: Figures): never => {
  throw new ProblemError(status, code, figures);
};

const send = (res: Response, { status, code, figures, retryAfterS }: ProblemError) =>
  res
    .status(status)
    .set(retryAfterS === undefined ? {} : { 'Retry-After': String(retryAfterS) })
    .set('Cache-Control', 'no-store')
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', status, code, ...(Object.keys(figures).length > 0 ? { figures } : {}) } satisfies Problem));

export const notFound: RequestHandler = (_req, res) => {
  send(res, new ProblemError(404, 'notFound'));
};

type HttpError = { status?: number; type?: string };

export const problems: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) {
    next(error);
    return;
  }
  if (error instanceof ProblemError) {
    send(res, error);
    return;
  }
  if (error instanceof BrokenRecord) {
    send(res, new ProblemError(409, 'recordBroken'));
    return;
  }
  if (isDiskFull(error)) {
    console.error(`${req.method} ${req.path}: the disk is full`);
    send(res, new ProblemError(507, 'diskFull'));
    return;
  }
  // Express and its body parsers mark what the caller did wrong with a status below 500.
  const { status = 500, type } = error as HttpError;
  if (status < 500) {
    send(res, new ProblemError(status, type === 'entity.too.large' ? 'tooMuch' : 'badRequest'));
    return;
  }
  console.error(`${req.method} ${req.path}`, error);
  send(res, new ProblemError(500, 'fault'));
};

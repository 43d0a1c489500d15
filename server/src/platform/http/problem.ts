import { BrokenRecord } from '../database/broken';
import { isDiskFull } from '../database/freeRoom';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';

/** What a caller is told when something cannot be done (RFC 9457): what happened, and what is safe or to be done. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    readonly detail?: string,
    /** When to come back, s. */
    readonly retryAfterS?: number,
  ) {
    super(title);
  }
}

export const fail = (status: number, code: string, title: string, detail?: string): never => {
  throw new ProblemError(status, code, title, detail);
};

/** What is said when nothing more can be written. */
export const DISK_FULL = [
  'The disk of the quay is full.',
  'What was kept is safe, and what is on this phone stays on it and goes out once there is room. Tell whoever runs the server.',
] as const;

const send = (res: Response, { status, code, title, detail, retryAfterS }: ProblemError) =>
  res
    .status(status)
    .set(retryAfterS === undefined ? {} : { 'Retry-After': String(retryAfterS) })
    .set('Cache-Control', 'no-store')
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', title, status, code, ...(detail === undefined ? {} : { detail }) }));

export const notFound: RequestHandler = (_req, res) => {
  send(res, new ProblemError(404, 'notFound', 'There is nothing at this address.'));
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
    send(
      res,
      new ProblemError(
        409,
        'recordBroken',
        'The record of this hire cannot be read.',
        'Nothing of it is lost, and other hires are not touched. A manager finds it under “needs attention” and can set the entry aside that is the cause.',
      ),
    );
    return;
  }
  if (isDiskFull(error)) {
    console.error(`${req.method} ${req.path}: the disk is full`);
    send(res, new ProblemError(507, 'diskFull', ...DISK_FULL));
    return;
  }
  // Express and its body parsers mark what the caller did wrong with a status below 500.
  const { status = 500, type } = error as HttpError;
  if (status < 500) {
    send(
      res,
      new ProblemError(
        status,
        type === 'entity.too.large' ? 'tooLarge' : 'badRequest',
        type === 'entity.too.large' ? 'That is too large.' : 'That cannot be read.',
      ),
    );
    return;
  }
  console.error(`${req.method} ${req.path}`, error);
  send(
    res,
    new ProblemError(
      500,
      'fault',
      'Something broke at the quay.',
      'Nothing that was kept is lost. Try again; if it stays, tell whoever runs the server.',
    ),
  );
};

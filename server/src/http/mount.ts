import { type Application, raw, type Request, type Response, Router } from 'express';
import { parse as parseCookie } from 'cookie';
import type { Endpoint, ReplyOf, ParamsOf, QueryOf, BodyOf } from '@quay/contract/endpoint';
import { CLOCK_HEADER, EPOCH_HEADER, RENTER_HEADER } from '@quay/contract/parts';
import { PHOTO_LIMIT_BYTES } from '@quay/contract/record';
import { renterCookie } from '@quay/contract/renter';
import type { Store } from '../store/open';
import type { QuayKey } from '../store/setting';
import { type RenterSession, renterSessionOf } from '../store/renter';
import { type Session, sessionOf } from '../store/session';
import type { DeviceRow } from '../store/staff';
import type { Comparing } from '../jobs/comparing';
import type { Outside } from '../outside/outside';
import { fail, ProblemError } from './problem';

export type Quay = {
  store: Store;
  key: QuayKey;
  outside: Outside;
  epoch: string;
  version: string;
  secureCookies: boolean;
  /** How far the clock of a demonstration is ahead of the real one, ms; `now` has it in. */
  clockAheadMs?: number;
  now(): Date;
  /** Compares photographs beside its other work; a quay without threads does without. */
  comparing?: Comparing;
};

export type Call<E> = {
  params: ParamsOf<E>;
  query: QueryOf<E>;
  body: BodyOf<E>;
  session: Session | undefined;
  renter: RenterSession | undefined;
  /** The version of the row that the caller saw, where the endpoint asks for it. */
  seen: number;
  cookies: Record<string, string | undefined>;
  quay: Quay;
  req: Request;
  res: Response;
  now: string;
};
/** A handler returns the reply; one that has sent it by itself (a picture, a PDF) returns `sent`. */
export type Handler<E> = (call: Call<E>) => Promise<ReplyOf<E> | typeof sent>;
export const sent = Symbol('sent');

export type Mounted = { endpoint: Endpoint; handler: Handler<Endpoint> };
export const on = <E extends Endpoint>(endpoint: E, handler: Handler<E>): Mounted => ({
  endpoint,
  handler: handler as unknown as Handler<Endpoint>,
});

/** The session, of someone who certainly has one. */
export const staffOf = (call: { session: Session | undefined }): Session =>
  call.session ?? fail(401, 'noSession', 'Nobody is signed in here.');

/** Whoever has a session, staff or renter. */
export const whoOf = (call: {
  session: Session | undefined;
  renter: RenterSession | undefined;
}): { id: string; role: 'hand' | 'manager' | 'renter'; device: DeviceRow } => {
  if (call.renter) return { id: call.renter.renter.id, role: 'renter', device: call.renter.device };
  const { staff, device } = staffOf(call);
  return { id: staff.id, role: staff.role, device };
};

const parse = (schema: Endpoint['body'], value: unknown, where: string): unknown => {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const issue = read.error.issues[0];
  throw new ProblemError(
    400,
    'doesNotFit',
    `What was sent does not fit: ${where}${issue?.path.length ? `, ${issue.path.join('.')}` : ''}.`,
    issue?.message,
  );
};

/** Refuses a request that another site makes with our cookies; ours always come from our own address. */
const ownOrigin = (req: Request): boolean => {
  const origin = req.get('origin');
  if (req.method === 'GET' || origin === undefined) return true;
  return URL.canParse(origin) && new URL(origin).host === req.get('host');
};

const seenVersion = (req: Request): number => {
  const [, version] = /^"(\d{1,9})"$/.exec(req.get('if-match') ?? '') ?? [];
  if (version === undefined)
    throw new ProblemError(428, 'versionMissing', 'This change does not say which version it was made from.', 'Send it with If-Match.');
  return Number(version);
};

const serve =
  (quay: Quay, { endpoint, handler }: Mounted) =>
  async (req: Request, res: Response) => {
    res.set({ 'Cache-Control': 'no-store', [EPOCH_HEADER]: quay.epoch });
    if (quay.clockAheadMs) res.set(CLOCK_HEADER, String(quay.clockAheadMs));
    if (!ownOrigin(req)) throw new ProblemError(403, 'otherSite', 'This request came from another site.');
    const cookies = parseCookie(req.get('cookie') ?? '');
    const now = quay.now();
    // One face at a time: a request that names a renter's hire is the renter's, whoever else is signed in on this phone.
    const hire = req.get(RENTER_HEADER);
    const renter = hire === undefined ? undefined : await renterSessionOf(quay.store.db, cookies[renterCookie(hire)], hire, now);
    const session = hire === undefined ? await sessionOf(quay.store.db, cookies.quay_session, cookies.quay_device, now) : undefined;
    if (endpoint.roles !== 'open' && hire !== undefined) {
      if (!renter)
        throw new ProblemError(
          401,
          'linkEnded',
          'This link opens nothing here.',
          'What this phone holds is safe. Ask the quay for a new link.',
        );
      if (!endpoint.roles.includes('renter')) throw new ProblemError(403, 'mayNot', 'A renter may not do this.');
      // Another hire is, to a renter, one that is not there.
      if (req.params.hireId !== undefined && req.params.hireId !== renter.hire)
        throw new ProblemError(404, 'noSuchHire', 'There is no such hire.');
    } else if (endpoint.roles !== 'open') {
      if (!session)
        throw new ProblemError(401, 'noSession', 'Nobody is signed in here.', 'What this phone holds is safe. Sign in and it goes on.');
      if (!endpoint.roles.includes(session.staff.role)) throw new ProblemError(403, 'mayNot', `A ${session.staff.role} may not do this.`);
    }
    const call = {
      params: parse(endpoint.params, req.params, 'address'),
      query: parse(endpoint.query, req.query, 'address'),
      seen: endpoint.versioned ? seenVersion(req) : 0,
      body: endpoint.takesBytes ? {} : parse(endpoint.body, (req.body as unknown) ?? {}, 'content'),
      session,
      renter,
      cookies,
      quay,
      req,
      res,
      now: now.toISOString(),
    } as Call<Endpoint>;
    try {
      const reply = await handler(call);
      if (reply !== sent) res.json(reply);
    } catch (error) {
      // Whoever asked has hung up in the middle of a picture or a PDF; nobody is left to be told.
      if (!(res.destroyed && (error as NodeJS.ErrnoException).code === 'ERR_STREAM_PREMATURE_CLOSE')) throw error;
    }
  };

/** Mounts the declared endpoints below `/api`. @throws when one is declared but not made, or made twice */
export const mount = (app: Application, quay: Quay, declared: readonly Endpoint[], made: readonly Mounted[]): void => {
  const router = Router();
  const takesBytes = raw({ type: 'application/octet-stream', limit: PHOTO_LIMIT_BYTES });
  for (const endpoint of declared) {
    const mine = made.filter((one) => one.endpoint === endpoint);
    if (mine.length !== 1) throw new Error(`endpoint ${endpoint.name} is made ${mine.length} times`);
    const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'patch' | 'delete';
    if (endpoint.takesBytes) router[method](endpoint.path, takesBytes, serve(quay, mine[0]!));
    else router[method](endpoint.path, serve(quay, mine[0]!));
  }
  app.use('/api', router);
};

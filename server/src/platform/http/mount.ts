import { type Application, json, raw, type Request, type RequestHandler, type Response, Router } from 'express';
import { parse as parseCookie } from 'cookie';
import type { Endpoint, ReplyOf, ParamsOf, QueryOf, BodyOf } from '@quay/contract/endpoint';
import { CLOCK_HEADER, EPOCH_HEADER, RENTER_HEADER } from '@quay/contract/parts';
import { PHOTO_LIMIT_BYTES } from '@quay/contract/record';
import { renterCookie } from '@quay/contract/renter';
import type { Store } from '../database/open';
import type { QuayKey } from '../database/setting';
import { type RenterSession, renterSessionOf } from '../signIn/renter';
import { type Session, sessionOf } from '../signIn/session';
import type { DeviceRow } from '../signIn/staff';
import type { Integrations } from '../../integrations/integrations';
import type { Reader } from '../incoming';
import { fail, ProblemError } from './problem';

/** Compares photographs when it has time. */
export type ComparisonQueue = {
  /** Looks what can be compared of a hire. */
  enqueue: (hire: string) => void;
  /** As `look`, once for each hire as long as the program runs. */
  enqueueOnce: (hire: string) => void;
  /** Takes up what is queued. */
  tick: () => void;
  cancel: (pair: { hire: string; out: string; back: string }) => void;
  stop: () => Promise<void>;
};

export type Quay = {
  store: Store;
  key: QuayKey;
  integrations: Integrations;
  epoch: string;
  version: string;
  secureCookies: boolean;
  /** How far the clock of a demonstration is ahead of the real one, ms; `now` has it in. */
  clockAheadMs?: number;
  now(): Date;
  /** Compares photographs beside its other work; a quay without threads does without. */
  comparing?: ComparisonQueue;
  /** Reads tables and calendars apart; a quay without threads reads them where it is asked. */
  reader?: Reader;
  /** Where bundled threads lie; a quay without them does their work where it is asked. */
  threads?: string;
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

/** The handler is only ever given calls of its own endpoint; declared as a method, so that handlers of all stand in one list. */
export type Mounted = { endpoint: Endpoint; handler(this: void, call: Call<Endpoint>): ReturnType<Handler<Endpoint>> };
export const on = <E extends Endpoint>(endpoint: E, handler: Handler<E>): Mounted => ({
  endpoint,
  handler,
});

/** The session, of someone who certainly has one. */
export const staffOf = (call: { session: Session | undefined }): Session => call.session ?? fail(401, 'noSession');

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
  throw new ProblemError(400, 'doesNotFit', { where: [where, ...(issue?.path ?? [])].join('.'), why: issue?.message ?? '' });
};

/** Refuses a request that another site makes with our cookies; ours always come from our own address. */
const ownOrigin = (req: Request): boolean => {
  const origin = req.get('origin');
  if (req.method === 'GET' || origin === undefined) return true;
  return URL.canParse(origin) && new URL(origin).host === req.get('host');
};

const seenVersion = (req: Request): number => {
  const [, version] = /^"(\d{1,9})"$/.exec(req.get('if-match') ?? '') ?? [];
  if (version === undefined) throw new ProblemError(428, 'versionMissing');
  return Number(version);
};

/** Lets a request work with the data, and says when it has done; refuses while the data is exchanged. */
export type Gate = { enter: (res: Response) => () => void };
const OPEN_GATE: Gate = { enter: () => () => undefined };

/** Who asks, as far as that is known before anything of what they send is read. */
type Known = Pick<Call<Endpoint>, 'session' | 'renter' | 'cookies'> & { epoch: string };

/** Says who asks, or that they may not: nobody is read megabytes of, or waited for, who may not send them. */
const admit =
  (quay: Quay, endpoint: Endpoint, gate: Gate): RequestHandler =>
  async (req, res, next) => {
    const leave = gate.enter(res);
    try {
      res.locals.known = await whoAsks(quay, endpoint, req, res);
    } finally {
      leave();
    }
    next();
  };

const whoAsks = async (quay: Quay, endpoint: Endpoint, req: Request, res: Response): Promise<Known> => {
  res.set({ 'Cache-Control': 'no-store', [EPOCH_HEADER]: quay.epoch });
  if (quay.clockAheadMs) res.set(CLOCK_HEADER, String(quay.clockAheadMs));
  if (!ownOrigin(req)) throw new ProblemError(403, 'otherSite');
  const cookies = parseCookie(req.get('cookie') ?? '');
  const at = quay.now();
  // One face at a time: a request that names a renter's hire is the renter's, whoever else is signed in on this phone.
  const hire = req.get(RENTER_HEADER);
  const renter = hire === undefined ? undefined : await renterSessionOf(quay.store.db, cookies[renterCookie(hire)], hire, at);
  const session = hire === undefined ? await sessionOf(quay.store.db, cookies.quay_session, cookies.quay_device, at) : undefined;
  if (endpoint.roles !== 'open' && hire !== undefined) {
    if (!renter) throw new ProblemError(401, 'linkEnded');
    if (!endpoint.roles.includes('renter')) throw new ProblemError(403, 'mayNot', { role: 'renter' });
    // Another hire is, to a renter, one that is not there.
    if (req.params.hireId !== undefined && req.params.hireId !== renter.hire) throw new ProblemError(404, 'noSuchHire');
  } else if (endpoint.roles !== 'open') {
    if (!session) throw new ProblemError(401, 'noSession');
    if (!endpoint.roles.includes(session.staff.role)) throw new ProblemError(403, 'mayNot', { role: session.staff.role });
  }
  return { session, renter, cookies, epoch: quay.epoch };
};

const serve =
  (quay: Quay, { endpoint, handler }: Mounted, gate: Gate) =>
  async (req: Request, res: Response) => {
    const leave = gate.enter(res);
    try {
      await answer(quay, { endpoint, handler }, req, res);
    } finally {
      leave();
    }
  };

const answer = async (quay: Quay, { endpoint, handler }: Mounted, req: Request, res: Response): Promise<void> => {
  const { session, renter, cookies, epoch } = res.locals.known as Known;
  // The data was exchanged while the rest of the request came in: whoever asked is asked anew who they are.
  if (epoch !== quay.epoch) throw new ProblemError(503, 'restored', {}, 1);
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
    now: quay.now().toISOString(),
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
export const mount = (
  app: Application,
  quay: Quay,
  declared: readonly Endpoint[],
  made: readonly Mounted[],
  gate: Gate = OPEN_GATE,
): void => {
  const router = Router();
  const takesBytes = raw({ type: 'application/octet-stream', limit: PHOTO_LIMIT_BYTES });
  const takesJson = json({ limit: '4mb' });
  // Somebody whom nobody knows says their name and a secret, and nothing larger.
  const takesLittle = json({ limit: '16kb' });
  for (const endpoint of declared) {
    const mine = made.filter((one) => one.endpoint === endpoint);
    if (mine.length !== 1) throw new Error(`endpoint ${endpoint.name} is made ${mine.length} times`);
    const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'patch' | 'delete';
    const takes = endpoint.takesBytes ? takesBytes : endpoint.roles === 'open' ? takesLittle : takesJson;
    router[method](endpoint.path, admit(quay, endpoint, gate), takes, serve(quay, mine[0]!, gate));
  }
  app.use('/api', router);
};

import { Problem } from '@quay/contract/problems';
import type { BodyOf, Endpoint, ParamsOf, QueryOf, ReplyOf } from '@quay/contract/endpoint';
import { CLOCK_HEADER, EPOCH_HEADER, RENTER_HEADER } from '@quay/contract/parts';
import * as z from 'zod/mini';
import { goByClockOf } from '../platform/clock';

/** The quay answered, and said no. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code);
  }
}
/** No answer: no signal, or the quay is down. Everything entered stays here. */
export class NoAnswer extends Error {}
/** An answer that this page cannot read, the quay being of another version: what is kept here stands in for it, as for none. */
export class Unread extends NoAnswer {}

let noticeEpoch: (epoch: string) => void = () => undefined;
export const onEpoch = (listener: (epoch: string) => void): void => {
  noticeEpoch = listener;
};

let renterOf: string | undefined;
/** From here on everything is asked as the renter of a hire. */
export const askAsRenter = (hireId: string | undefined): void => {
  renterOf = hireId;
};

type Given<E> = {
  params?: ParamsOf<E>;
  query?: QueryOf<E>;
  body?: BodyOf<E>;
  bytes?: Blob;
  headers?: Record<string, string>;
  /** Where the quay may think longer than usual, ms. */ patienceMs?: number;
};

export const addressOf = (
  endpoint: Pick<Endpoint, 'path'>,
  params: Record<string, string> = {},
  query: Record<string, string | undefined> = {},
): string => {
  const path = endpoint.path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, value]])),
  ).toString();
  return `/api${path}${search ? `?${search}` : ''}`;
};

/** On a thin line an answer may take long; a dead one must not hang for ever. */
const PATIENCE_MS = 30_000;

/** An answer that breaks off half-way, since the quay went down in the middle of it, is none. @throws NoAnswer */
const whole = async <T>(reading: Promise<T>): Promise<T> => {
  try {
    return await reading;
  } catch (error) {
    throw new NoAnswer((error as Error).message);
  }
};

/** Asks, and gives an answer that is a yes. @throws Refused, NoAnswer */
const answered = async <E extends Endpoint>(endpoint: E, given: Given<E>): Promise<Response> => {
  const takesBody = endpoint.method === 'POST' || endpoint.method === 'PATCH';
  let response: Response;
  try {
    response = await fetch(addressOf(endpoint, given.params as Record<string, string>, given.query as Record<string, string>), {
      method: endpoint.method,
      credentials: 'same-origin',
      signal: AbortSignal.timeout(given.patienceMs ?? PATIENCE_MS),
      headers: {
        ...(takesBody ? { 'content-type': endpoint.takesBytes ? 'application/octet-stream' : 'application/json' } : {}),
        ...(renterOf === undefined ? {} : { [RENTER_HEADER]: renterOf }),
        ...given.headers,
      },
      ...(takesBody ? { body: given.bytes ?? JSON.stringify(given.body ?? {}) } : {}),
    });
  } catch (error) {
    throw new NoAnswer((error as Error).message);
  }
  const epoch = response.headers.get(EPOCH_HEADER);
  if (epoch !== null) {
    noticeEpoch(epoch);
    goByClockOf(response.headers.get(CLOCK_HEADER));
  }
  if (response.ok) return response;
  const problem = response.headers.get('content-type')?.startsWith('application/problem+json')
    ? z.safeParse(Problem, await whole(response.json()))
    : undefined;
  // Proxies answer for a quay that is down; that is no refusal of ours.
  if (!problem?.success) throw new NoAnswer(`status ${response.status}`);
  throw new Refused(problem.data);
};

/** Calls a declared endpoint and reads the answer by its schema. @throws Refused, NoAnswer, Unread */
export const call = async <E extends Endpoint>(endpoint: E, given: Given<E> = {}): Promise<ReplyOf<E>> => {
  const response = await answered(endpoint, given);
  const read = z.safeParse(endpoint.reply, await whole(response.json()));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Unread(`${endpoint.name}: ${issue?.path.join('.') ?? ''} ${issue?.code ?? ''}`);
  }
  return read.data as ReplyOf<E>;
};

/** Calls one whose answer is a file, in the name of whoever asks: an address alone would not say who that is. @throws Refused, NoAnswer */
export const callForFile = async <E extends Endpoint>(endpoint: E, given: Given<E> = {}): Promise<Blob> => {
  const response = await answered(endpoint, given);
  return whole(response.blob());
};

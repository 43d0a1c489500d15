import type * as z from 'zod/mini';

/** Who may call: staff by their role, a renter within their own hire; `open` needs no session at all. */
export type Role = 'hand' | 'manager' | 'renter';

type Schema = z.ZodMiniType;

export type Endpoint<P extends Schema = Schema, Q extends Schema = Schema, B extends Schema = Schema, R extends Schema = Schema> = {
  name: string;
  summary: string;
  method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  /** With `:params`, below `/api`. */
  path: string;
  roles: readonly Role[] | 'open';
  params: P;
  query: Q;
  /** `bytes`: the body is a piece of a file. */
  body: B;
  takesBytes?: boolean;
  /** Changes a row that has a version: the caller names the one it saw in `If-Match: "3"`, and is refused when it is older. */
  versioned?: boolean;
  /** Media type of a reply that is no JSON. */
  gives?: string;
  reply: R;
};

/** Declares an endpoint once: the server mounts it, the app calls it, the published description is made from it. */
export const endpoint = <P extends Schema, Q extends Schema, B extends Schema, R extends Schema>(
  declared: Endpoint<P, Q, B, R>,
): Endpoint<P, Q, B, R> => declared;

export type ParamsOf<E> = E extends Endpoint<infer P, Schema, Schema, Schema> ? z.infer<P> : never;
export type QueryOf<E> = E extends Endpoint<Schema, infer Q, Schema, Schema> ? z.infer<Q> : never;
export type BodyOf<E> = E extends Endpoint<Schema, Schema, infer B, Schema> ? z.infer<B> : never;
export type ReplyOf<E> = E extends Endpoint<Schema, Schema, Schema, infer R> ? z.infer<R> : never;

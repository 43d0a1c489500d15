import type * as z from 'zod/mini';

/** A book as its file is, for whoever would rather write that: its schema, what it says, and how it is put in place. */
export type Expert<B = unknown> = {
  schema: z.ZodMiniType<B>;
  value: B;
  put: (next: B) => void;
};

/** The same, whatever the book is: what is put in place was read by its schema. */
export const expertOf = <B>({ schema, value, put }: Expert<B>): Expert => ({
  schema,
  value,
  put: (next) => put(schema.parse(next)),
});

import * as z from 'zod/mini';

/** A page of the handbook, as it is made from its text when the program is built. */

const Span = z.object({
  text: z.string(),
  as: z.optional(z.enum(['bold', 'italic', 'code'])),
  /** Another page of the handbook. */
  to: z.optional(z.string()),
});
export type Span = z.infer<typeof Span>;
const spans = z.array(Span);

export type Block =
  | { is: 'heading'; level: number; spans: Span[] }
  | { is: 'paragraph'; spans: Span[] }
  | { is: 'list'; ordered: boolean; items: Block[][] }
  | { is: 'table'; rows: Span[][][] }
  | { is: 'code'; text: string }
  /** @property width, height px of the file */
  | { is: 'picture'; src: string; alt: string; width: number; height: number };
const Block: z.ZodMiniType<Block> = z.discriminatedUnion('is', [
  z.object({ is: z.literal('heading'), level: z.int(), spans }),
  z.object({ is: z.literal('paragraph'), spans }),
  z.object({ is: z.literal('list'), ordered: z.boolean(), items: z.array(z.array(z.lazy(() => Block))) }),
  z.object({ is: z.literal('table'), rows: z.array(z.array(spans)) }),
  z.object({ is: z.literal('code'), text: z.string() }),
  z.object({ is: z.literal('picture'), src: z.string(), alt: z.string(), width: z.int(), height: z.int() }),
]);

export const Handbook = z.object({
  /** In the order in which they are read. */
  pages: z.array(z.object({ id: z.string(), title: z.string(), blocks: z.array(Block) })),
});
export type Handbook = z.infer<typeof Handbook>;

/** Where it lies, below the program's own address. */
export const HANDBOOK_AT = '/handbook/handbook.json';

/** What is edited as a book. */
export type BookKind = 'boat' | 'class' | 'base' | 'rules' | 'waters' | 'everywhere';

/** Those that stand on other books, so that a row says where it comes from. */
export const LAYERED: ReadonlySet<BookKind> = new Set(['boat', 'class']);

import type { Book } from '../fleet/book';
import type { Waters } from '../waters/zone';
import { revsWithin } from './speedTable';

/** A limit of a water, where it holds, and the most revs that keep it on this boat; nothing where her table does not say. */
export type LimitHere = { limitKmh: number; names: string[]; rpm: number | undefined };

/** Limits of a water from the lowest on, each once. */
export const limitsOf = ({ features }: Pick<Waters, 'features'>, engine: Book['engine']): LimitHere[] => {
  const byLimit = new Map<number, string[]>();
  for (const { properties } of features) {
    const { limitKmh, name } = properties;
    if (limitKmh === undefined) continue;
    const names = byLimit.get(limitKmh) ?? [];
    if (!names.includes(name)) names.push(name);
    byLimit.set(limitKmh, names);
  }
  return [...byLimit].sort(([a], [b]) => a - b).map(([limitKmh, names]) => ({ limitKmh, names, rpm: revsWithin(engine, limitKmh) }));
};

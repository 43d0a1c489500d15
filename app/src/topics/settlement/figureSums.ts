import { type Figure, type Sort, SORTS } from '@quay/contract/settlement';

/** What is charged, in the order it is stacked; credits are given, and stand apart. */
export const CHARGED = SORTS.filter((sort) => sort !== 'credits');

/** The first day of the month so many months back, this one counted; nothing for all there ever was. @param now ms */
export const firstDay = (now: number, months: number | undefined): string | undefined => {
  if (months === undefined) return undefined;
  const day = new Date(now);
  day.setUTCMonth(day.getUTCMonth() - months + 1, 1);
  return day.toISOString().slice(0, 10);
};

export type Group = { key: string; label: string; sums: Record<Sort, number> };
/** Sums of a kind each, by whatever the figures are grouped by. Minor units of money. */
export const grouped = (figures: readonly Figure[], keyOf: (row: Figure) => [key: string, label: string]): Group[] => {
  const groups = new Map<string, Group>();
  for (const row of figures) {
    const [key, label] = keyOf(row);
    const group = groups.get(key) ?? { key, label, sums: { fuel: 0, damage: 0, lost: 0, late: 0, other: 0, credits: 0 } };
    groups.set(key, group);
    for (const sort of SORTS) group.sums[sort] += row[sort];
  }
  return [...groups.values()];
};
/** What was charged in all, without what was credited. */
export const totalOf = ({ sums }: Group) => CHARGED.reduce((sum, sort) => sum + Math.max(0, sums[sort]), 0);

export type BoatSums = { key: string; label: string; hires: number; charged: number; credits: number; disputed: number };

/** What each boat came to in all its months. Minor units of money. */
export const boatSums = (figures: readonly Figure[]): BoatSums[] =>
  grouped(figures, (row) => [row.boat, row.name]).map((group) => {
    const own = figures.filter(({ boat }) => boat === group.key);
    return {
      key: group.key,
      label: group.label,
      hires: own.reduce((sum, { hires }) => sum + hires, 0),
      charged: totalOf(group),
      credits: group.sums.credits,
      disputed: own.reduce((sum, { disputed }) => sum + disputed, 0),
    };
  });

import type { Case } from '../party/ofHire';
import { feedsEngine, fuelOf, fuelTanks } from '../fuel/readings';
import { type HireRecord } from '../events/record';
import { enoughFor, type ForPlan, type Lasts, lastsFor } from '../trip/lasts';
import type { Tank } from '../fleet/rows';
import type { Fused } from '../fuel/fuse';

const HOUR_MS = 3_600_000;

/** Hours under power that are planned for the first day; on longer hires she is filled on the way. */
export const plannedHours = ({ hire, operator }: Pick<Case, 'hire' | 'operator'>): number =>
  Math.min(operator.underWayHoursADay, (Date.parse(hire.to) - Date.parse(hire.from)) / HOUR_MS);

export type FuelPlan = { tank: Tank; fused: Fused; hours: number; plan: ForPlan | undefined; lasts: Lasts | undefined };

/** What is in each fuel tank against what is planned with it; tanks that nobody has read are left out. */
export const fuelPlans = (record: HireRecord, of: Pick<Case, 'book' | 'hire' | 'operator'>): FuelPlan[] =>
  fuelTanks(of.book).flatMap((tank): FuelPlan[] => {
    const fused = fuelOf(record, of.book, tank);
    if (!fused) return [];
    const hours = plannedHours(of);
    const burn = feedsEngine(tank) ? of.book.engine.burnLPerHour : undefined;
    const unusableL = tank.unusableL ?? 0;
    return [
      {
        tank,
        fused,
        hours,
        plan: burn === undefined ? undefined : enoughFor(fused.out, unusableL, burn, hours),
        lasts: lastsFor(fused.out, unusableL, burn),
      },
    ];
  });

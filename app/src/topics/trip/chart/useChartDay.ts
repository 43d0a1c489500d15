import type { LonLat } from '@quay/core/geometry/plane';
import { stateOf } from '@quay/core/day/board';
import { placesToLie } from '@quay/core/trip/coves';
import { wishesOf } from '@quay/core/trip/places';
import { depthAt, sheetOf } from '@quay/core/waters/sheet';
import { useMemo, useState } from 'react';
import type { HireView } from '../../../local/hire';
import { type Fix, whereAmI } from '../../../platform/browser';
import { readAt } from './chartAddress';
import { useCanalPlan } from './useCanalPlan';
import { useDayPlan } from './useDayPlan';
import { useReach } from './useReach';

/** What stands in the address: a place of the chart by its name in the file, or any place on the water. */
export type ChartAddress = { place?: string | undefined; at?: string | undefined };

/** From an evening to the next morning, ms. */
const NIGHT_MS = 12 * 3_600_000;

/** A hire's water with the day on it: what is chosen there, how far one can go and when to turn, or the days of a canal. */
export const useChartDay = (view: HireView, address: ChartAddress) => {
  const { pack, record } = view;
  const { waters } = pack;
  const [fix, setFix] = useState<Fix | 'looking' | 'none'>();
  const out = stateOf(record) === 'out';
  const fixed = typeof fix === 'object' ? fix : undefined;
  const here = useMemo((): LonLat | undefined => fixed && [fixed.lon, fixed.lat], [fixed]);
  const { plan, day, ahead, foreseen, nowMs } = useDayPlan(view, out ? here : undefined);
  const sheet = useMemo(() => waters && sheetOf(waters), [waters]);
  const feature = waters?.features.find(({ id }) => id === address.place);
  const chosen = useMemo((): LonLat | undefined => {
    if (feature?.geometry.type === 'Point') return feature.geometry.coordinates;
    return readAt(address.at);
  }, [feature, address.at]);
  const chartM = useMemo(() => (sheet && chosen ? depthAt(sheet, chosen, feature) : undefined), [sheet, chosen, feature]);
  const canal = useCanalPlan(view);
  // A line has no reach: its days are planned instead.
  const { reach, stay } = useReach(canal ? undefined : day, chosen);
  const lying = useMemo(() => {
    if (!waters || typeof plan === 'string' || plan.aim !== 'lie') return undefined;
    const from = Math.min(...plan.day.deadlines.map(({ atMs }) => atMs));
    return placesToLie(waters, ahead.weather, from, from + NIGHT_MS);
  }, [waters, plan, ahead]);
  const wishes = useMemo(() => (waters ? wishesOf(waters) : []), [waters]);
  const look = async () => {
    setFix('looking');
    setFix((await whereAmI()) ?? 'none');
  };
  const known = reach?.is === 'known' ? reach : undefined;
  const wish = stay === 'noWay' ? undefined : stay;
  return {
    out,
    fix,
    fixed,
    look,
    plan,
    ahead,
    foreseen,
    nowMs,
    sheet,
    feature,
    chosen,
    chartM,
    canal,
    reach,
    known,
    stay,
    wish,
    lying,
    wishes,
  };
};
export type ChartDay = ReturnType<typeof useChartDay>;

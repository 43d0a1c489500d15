import type { LonLat } from '@quay/core/geometry/plane';
import { stateOf } from '@quay/core/day/board';
import { fuelHoursLeft } from '@quay/core/trip/fuelLeft';
import { type DayPlan, dayPlan } from '@quay/core/trip/plan';
import { type WeatherAhead, weatherAhead } from '@quay/core/trip/reach/weatherAhead';
import { policiesOf } from '@quay/core/party/ofHire';
import { useMemo } from 'react';
import type { HireView } from '../../../local/hire';
import { useNow } from '../../../ui/clock';
import type { Day } from '../../../workers/reachProtocol';
import { useGiven } from '../useConditions';
import { type Foreseen, useForecast } from '../useForecast';

const MINUTE = 60_000;

export type PlanNow = {
  nowMs: number;
  plan: DayPlan | 'over' | 'noBase' | 'noWaters';
  /** What the thread is asked; the same until something changes. */
  day: Day | undefined;
  ahead: WeatherAhead;
  foreseen: Foreseen;
};

/** Wind and water at a base from a minute on, with how far they are to be trusted. */
export const useWeatherAhead = (baseId: string, minute: number) => {
  const { given, from } = useGiven(baseId);
  const foreseen = useForecast(baseId);
  const ahead = useMemo(() => {
    const { windFromDeg, windMs, currentToDeg = 0, currentMs = 0, waterM = 0 } = given;
    const at = 'at' in from ? from.at : undefined;
    const observed =
      at === undefined || windFromDeg === undefined || windMs === undefined
        ? undefined
        : { at, windFromDeg, windMs, currentToDeg, currentMs, waterM };
    return weatherAhead(minute, foreseen?.forecast, observed);
  }, [given, from, foreseen, minute]);
  return { ahead, foreseen, given };
};

/** What a hire's day is reckoned with, renewed by the minute. @param here where she is, when somebody said so */
export const useDayPlan = ({ pack, record }: HireView, here: LonLat | undefined): PlanNow => {
  const minute = Math.floor(useNow(20_000) / MINUTE) * MINUTE;
  const { base, book, hire, waters } = pack;
  const { ahead, foreseen } = useWeatherAhead(base.id, minute);
  const plan = useMemo(
    () =>
      waters
        ? dayPlan({
            waters,
            base,
            book,
            policies: policiesOf(pack),
            from: hire.from,
            to: hire.to,
            out: stateOf(record) === 'out',
            nowMs: minute,
            here,
            ahead,
            fuelH: fuelHoursLeft(record, book, minute),
          })
        : 'noWaters',
    [waters, base, book, pack, hire, record, minute, here, ahead],
  );
  const day = useMemo(
    () => (typeof plan === 'string' || !waters ? undefined : { ...plan.day, draftM: plan.draftM, leastWaterM: plan.leastWaterM, waters }),
    [plan, waters],
  );
  return { nowMs: minute, plan, day, ahead, foreseen };
};

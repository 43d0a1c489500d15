import { type Finding, type BaseFields } from './finding';
import { hoursRun } from '../fuel/readings';
import { type HireRecord } from '../events/record';
import type { Book } from '../fleet/book';

const HOUR_MS = 3_600_000;

/** Hours under power may be so much over the plan before anybody asks why. */
const OVER_PLAN = 1.5;

/** How far hours times burn are off, as a share of what they come to. */
const BURN_SD = 0.2;

export const hoursFinding = (
  record: HireRecord,
  book: Book,
  fuel: Finding | undefined,
  { from, to, hoursADay }: Hired,
  fields: BaseFields,
): Finding[] => {
  const hours = hoursRun(record, book);
  if (hours === undefined) return [];
  const { burnLPerHour } = book.engine;
  const plannedHours =
    hoursADay === undefined ? undefined : Math.max(1, Math.ceil((Date.parse(to) - Date.parse(from)) / (24 * HOUR_MS))) * hoursADay;
  const burnL = burnLPerHour === undefined ? undefined : hours * burnLPerHour;
  const used = fuel?.topic === 'fuel' ? fuel.fuel?.used : undefined;
  const differs = burnL !== undefined && used !== undefined && Math.abs(burnL - used.value) > 2.5 * Math.hypot(BURN_SD * burnL, used.sd);
  const more = plannedHours !== undefined && hours > OVER_PLAN * plannedHours;
  return [{ ...fields, topic: 'hours', is: differs ? 'differs' : more ? 'more' : 'run', hours, plannedHours, burnL }];
};

/** What of a hire its findings depend on. */
export type Hired = {
  from: string;
  /** When the boat was to be back, ISO instant. */
  to: string;
  /** Hours a day under power that the operator plans for. */
  hoursADay?: number | undefined;
};

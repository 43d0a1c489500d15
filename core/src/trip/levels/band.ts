import { dateOf, dayOf } from '../../time/zone';
import type { Range } from './lasting';
import type { TankLasting } from './levels';

const HOUR_MS = 3_600_000;

/** The time a tank has to last as a line from 0 to 1: how far it surely does, how far it may, and where days begin on it. */
export type Band = { sure: number; may: number; days: { at: number; day: string }[] };

/** @param zone of the base, by whose midnights days begin */
export const bandOf = ({ hours, fromMs, untilMs }: Pick<TankLasting, 'fromMs' | 'untilMs'> & { hours: Range }, zone: string): Band => {
  const span = Math.max(1, untilMs - fromMs);
  const share = (h: number) => Math.max(0, Math.min(1, (h * HOUR_MS) / span));
  const days: Band['days'] = [];
  for (let ms = Date.parse(dayOf(new Date(fromMs).toISOString(), zone).to); ms < untilMs;) {
    const at = new Date(ms).toISOString();
    days.push({ at: (ms - fromMs) / span, day: dateOf(at, zone) });
    ms = Date.parse(dayOf(at, zone).to);
  }
  return { sure: share(hours.low), may: share(hours.high), days };
};

import type { Base } from '../../fleet/base';
import type { Book } from '../../fleet/book';
import { instantOf } from '../../time/zone';
import { sheetOf } from '../../waters/sheet';
import type { Feature, Waters } from '../../waters/zone';
import { daylightOn } from '../light';
import { usualPace } from '../speedTable';
import { alongLine, canalLineOf } from './canalLine';
import type { CanalAsked } from './canalPlan';

export type CanalCase = {
  waters: Waters;
  base: Pick<Base, 'position' | 'zone'>;
  book: Pick<Book, 'kind' | 'engine'>;
  hire: { from: string; to: string };
};

/** Kept of the last morning for coming in, ms. */
const COMING_IN_MS = 30 * 60_000;

/** Whether a water is a line to be gone along and no sheet to be gone over. */
const isLine = ({ features }: Pick<Waters, 'features'>): boolean =>
  features.some(({ properties }) => properties.kind === 'channel') &&
  !features.some(({ properties }: Feature) => properties.kind === 'shore');

/** What the days of a hire on a canal are planned from; nothing where the water is no line, or nobody said where the base lies. */
export const canalAsked = ({ waters, base, book, hire }: CanalCase): Omit<CanalAsked, 'hoursADay'> | undefined => {
  const { position, zone } = base;
  const line = isLine(waters) ? canalLineOf(waters) : undefined;
  const sheet = sheetOf(waters);
  if (!line || !sheet || !position) return undefined;
  return {
    line,
    baseM: alongLine(sheet, position),
    speedMs: Math.min(usualPace(book).speedMs, line.limitMs ?? Infinity),
    zone,
    from: hire.from,
    to: new Date(Date.parse(hire.to) - COMING_IN_MS).toISOString(),
    light: (day) => {
      const sun = daylightOn(day, position);
      if (!sun) return undefined;
      const curfew = waters.curfew === undefined ? Infinity : Date.parse(instantOf(`${day}T${waters.curfew}`, zone));
      return { fromMs: sun.fromMs, toMs: Math.min(sun.toMs, curfew) };
    },
  };
};

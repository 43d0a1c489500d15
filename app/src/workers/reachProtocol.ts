import type { LonLat } from '@quay/core/geometry/plane';
import type { DayOut, Stay } from '@quay/core/trip/reach/turnRound';
import type { Waters } from '@quay/core/waters/zone';

/** What the page and the thread that reckons the reach say to each other. */
export type Day = Omit<DayOut, 'grid'> & { waters: Pick<Waters, 'features'>; draftM: number; leastWaterM: number };
export type Reach =
  | { is: 'noShore' | 'cutOff' }
  | {
      is: 'known';
      /** Polygons with their holes. */
      outline: LonLat[][][];
      here: Stay;
    };
export type Asked = { id: number; ask: 'day'; day: Day } | { id: number; ask: 'wish'; wish: LonLat };
export type Said =
  | { id: number; ok: true; reach: Reach }
  /** Nothing where no way leads there, or no day was reckoned. */
  | { id: number; ok: true; stay: Stay | undefined }
  | { id: number; ok: false; why: string };

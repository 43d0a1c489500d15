import { distanceToEdge, lengthOf } from '../../geometry/rings';
import type { LonLat, Xy } from '../../geometry/plane';
import { type Sheet, sheetOf } from '../../waters/sheet';
import { type Waters, type ZoneKind, zoneLimitMs } from '../../waters/zone';

/** A place on a canal or river: so far along its line, m from the line's beginning. */
export type Stop = {
  id: string;
  name: string;
  kind: ZoneKind;
  alongM: number;
  /** When it can be passed or had, by the clocks of the base. */
  hours: { from: string; to: string } | undefined;
  /** The first and the last day on which it is shut altogether. */
  shut?: { from: string; to: string } | undefined;
};
export type CanalLine = { lengthM: number; limitMs: number | undefined; stops: readonly Stop[] };

/** Places farther from the line than this are none of it, m. */
const BESIDE_M = 250;
/** Nobody ties up so near to a lock, a bridge, or a place where others take on water, m. */
export const KEPT_CLEAR_M = 60;

/** How far along a line the place nearest to another lies, and how far off it is, m. */
const along = (line: readonly Xy[], at: Xy): { alongM: number; offM: number } => {
  let [best, passed] = [{ alongM: 0, offM: Infinity }, 0];
  for (let i = 1; i < line.length; i += 1) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const length = Math.hypot(dx, dy);
    const offM = distanceToEdge(at, a, b);
    if (offM < best.offM) {
      const share = length === 0 ? 0 : Math.max(0, Math.min(1, ((at[0] - a[0]) * dx + (at[1] - a[1]) * dy) / (length * length)));
      best = { alongM: passed + share * length, offM };
    }
    passed += length;
  }
  return best;
};

/** The longest channel of a sheet. */
const longestChannel = (sheet: Sheet | undefined) => {
  const lengths = (sheet?.lines ?? [])
    .filter(({ feature }) => feature.properties.kind === 'channel')
    .map((one) => ({
      ...one,
      lengthM: lengthOf(one.line),
    }))
    .sort((a, b) => b.lengthM - a.lengthM);
  return lengths[0];
};

/** How far along the channel of a sheet the place nearest to another lies, m; its beginning where there is no channel. */
export const alongLine = (sheet: Sheet, place: LonLat): number => {
  const longest = longestChannel(sheet);
  return longest ? along(longest.line, sheet.plane.toXy(place)).alongM : 0;
};

/** The longest channel of a sheet as a line of places; nothing where none is drawn. */
export const canalLineOf = (waters: Pick<Waters, 'features'>): CanalLine | undefined => {
  const sheet = sheetOf(waters);
  const longest = longestChannel(sheet);
  if (!sheet || !longest) return undefined;
  const stops = sheet.spots
    .flatMap(({ feature: { id, properties }, at }): Stop[] => {
      const { alongM, offM } = along(longest.line, at);
      return offM > BESIDE_M
        ? []
        : [{ id, name: properties.name, kind: properties.kind, alongM, hours: properties.hours, shut: properties.shut }];
    })
    .sort((a, b) => a.alongM - b.alongM);
  return { lengthM: longest.lengthM, limitMs: zoneLimitMs(longest.feature), stops };
};

/** What is shut altogether on some day of a stay, in the order of the line. @param from `YYYY-MM-DD` */
export const shutBetween = ({ stops }: CanalLine, from: string, to: string): Stop[] =>
  stops.filter(({ shut }) => shut !== undefined && shut.from <= to && shut.to >= from);

/** Where one may lie for a night: at a mooring that is clear of locks, bridges and taps. */
export const nightStops = ({ stops }: CanalLine): Stop[] => {
  const clear = stops.filter(({ kind }) => kind === 'lock' || kind === 'bridge' || kind === 'water');
  return stops.filter(({ kind, alongM }) => kind === 'mooring' && clear.every((one) => Math.abs(one.alongM - alongM) >= KEPT_CLEAR_M));
};

import {
  mdiAccountGroupOutline,
  mdiAlertOutline,
  mdiBookOpenPageVariantOutline,
  mdiCalendarMonthOutline,
  mdiChartBoxOutline,
  mdiClipboardCheckOutline,
  mdiMenu,
  mdiTagOutline,
  mdiTuneVariant,
} from '@mdi/js';

/** A hull on the water, and one from above: ours, on a 24 px grid. */
const AFLOAT =
  'M3.5 6h12.2c2.9 0 4.8 1.7 5.3 4.5l-.4 1.5H5.7zM2 15.2c2 0 2-1.4 4-1.4s2 1.4 4 1.4 2-1.4 4-1.4 2 1.4 4 1.4 2-1.4 4-1.4v2.2c-2 0-2 1.4-4 1.4s-2-1.4-4-1.4-2 1.4-4 1.4-2-1.4-4-1.4-2 1.4-4 1.4z';
const HULL =
  'M2 12c3-5 8-6.2 13-5 3 .7 5.5 2.5 7 5-1.5 2.5-4 4.3-7 5-5 1.2-10 0-13-5zm2.5 0c2.6 3.2 6.2 3.9 10.1 3 1.9-.5 3.6-1.5 4.9-3-1.3-1.5-3-2.5-4.9-3-3.9-.9-7.5-.2-10.1 3z';

/** Those that have a place of their own at the foot of a phone, and those behind More. */
type FootKey = 'today' | 'bookings' | 'fleet';
type MoreKey = 'attention' | 'figures' | 'prices' | 'staff' | 'firstHire' | 'handbook' | 'settings';
export type PlaceKey = FootKey | MoreKey;
export type Place<Key extends PlaceKey = PlaceKey> = {
  key: Key;
  path: string;
  icon: string;
  managerOnly: boolean;
  /** Pages that belong to it and do not lie below its path. */
  besides?: readonly string[];
};

/** What is added to the fleet, on pages of its own. */
const ADDED_TO_FLEET: readonly string[] = ['/boats/new', '/bases/new'];

const FOOT: readonly Place<FootKey>[] = [
  { key: 'today', path: '/', icon: AFLOAT, managerOnly: false },
  { key: 'bookings', path: '/bookings', icon: mdiCalendarMonthOutline, managerOnly: false },
  { key: 'fleet', path: '/fleet', icon: HULL, managerOnly: true, besides: ADDED_TO_FLEET },
];
const BEHIND_MORE: readonly Place<MoreKey>[] = [
  { key: 'attention', path: '/attention', icon: mdiAlertOutline, managerOnly: true },
  { key: 'figures', path: '/figures', icon: mdiChartBoxOutline, managerOnly: true },
  { key: 'prices', path: '/prices', icon: mdiTagOutline, managerOnly: true },
  { key: 'staff', path: '/staff', icon: mdiAccountGroupOutline, managerOnly: true },
  { key: 'firstHire', path: '/first-hire', icon: mdiClipboardCheckOutline, managerOnly: true },
  { key: 'handbook', path: '/handbook', icon: mdiBookOpenPageVariantOutline, managerOnly: false },
  { key: 'settings', path: '/settings', icon: mdiTuneVariant, managerOnly: false },
];
export const MORE = { path: '/more', icon: mdiMenu };

/** Where staff can be, the frequent first. */
export const placesOf = (manager: boolean) => {
  const may = ({ managerOnly }: Place) => manager || !managerOnly;
  return { foot: FOOT.filter(may), behindMore: BEHIND_MORE.filter(may) };
};

/** Which place a page belongs to. A hire belongs to none: it is opened from several. */
export const placeAt = (path: string): PlaceKey | undefined =>
  [...FOOT, ...BEHIND_MORE].find(
    (place) => path === place.path || (place.path !== '/' && path.startsWith(`${place.path}/`)) || place.besides?.includes(path),
  )?.key;

/** Pages that want the whole screen and both hands: one goes back from them, and nowhere else. */
export const isTask = (path: string): boolean => /^\/hire\/[^/]+\/(walk|sign|drill|docking|compare)(\/|$)/.test(path);

/** Pages with one main action at the foot of a phone, where the way back is enough. */
const isStep = (path: string): boolean =>
  isTask(path) ||
  /^\/hire\/[^/]+\/./.test(path) ||
  path === '/enrol' ||
  path === '/setup' ||
  path === '/settings/operator' ||
  path === '/settings/files' ||
  path === '/bookings/exchange' ||
  ADDED_TO_FLEET.includes(path);

/** Height of the bar at the foot of a phone, px. */
export const FOOT_HEIGHT = 72;

/** Whether the foot of a phone says where one can go. */
export const hasFoot = (path: string): boolean => !isStep(path);

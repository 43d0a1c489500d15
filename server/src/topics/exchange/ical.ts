import ICAL from 'ical.js';
import { contactOf } from '@quay/core/booking/contact';
import type { CalendarReading, Raw, ReadFault } from '@quay/core/booking/reading';
import { daysAsHours } from '@quay/core/booking/table';
import { newestOf } from '@quay/core/booking/incoming';
import { instantOf } from '@quay/core/time/zone';
import { isDay } from '@quay/core/time/calendar';

const DAY_MS = 86_400_000;

/** Reads iCalendar (RFC 5545): what of it takes place when, recurring events as each of their days. */

/** Of what recurs so much is looked at: so many days ahead and behind, so many of one event. */
const [AHEAD_DAYS, BEHIND_DAYS, MOST_OF_ONE] = [400, 2, 500];
/** A rule is followed so many steps at most until its days come into sight: fifty years of days. */
const MOST_STEPS = 20_000;
/** What lasts longer has no end that anybody means, ms. */
const LONGEST_MS = 370 * DAY_MS;
/** Nothing that anybody plans lies deeper. */
const DEEPEST = 6;
const MOST_PARTS = 60_000;
/** Rules by which boats are hired; what recurs every second is nobody's hire. */
const FREQUENCIES = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'];

/** The text is no calendar, or one that nobody should have to read. */
export class NoCalendar extends Error {}

const isZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};
/** The zone that a name means in the world's list: some programs put their own address before it. */
const worldZone = (tzid: string): string | undefined => {
  const parts = tzid.split('/');
  return [tzid, parts.slice(-2).join('/'), parts.slice(-3).join('/')].find(isZone);
};

/** Refuses what is nested without an end before anything recurses into it. @throws NoCalendar */
const refuseDeep = (text: string): void => {
  let [depth, parts] = [0, 0];
  for (const [line] of text.matchAll(/^(BEGIN|END):/gim)) {
    depth += line.toUpperCase() === 'BEGIN:' ? 1 : -1;
    parts += 1;
    if (depth > DEEPEST || parts > MOST_PARTS * 2) throw new NoCalendar('it holds more than a calendar does');
  }
};

const two = (n: number) => String(n).padStart(2, '0');
const dayOf = (time: ICAL.Time): string => `${String(time.year).padStart(4, '0')}-${two(time.month)}-${two(time.day)}`;

type Context = { zone: string; zones: Map<string, ICAL.Timezone>; reading: CalendarReading; now: number; faults: ReadFault[] };

/** When a time is, by whatever it says of its zone. @returns ms, or nothing where nobody can know */
const instantAt = (time: ICAL.Time, tzid: string | undefined, at: string, { zone, zones, faults }: Context): number | undefined => {
  const day = dayOf(time);
  if (!isDay(day)) return undefined;
  if (tzid === undefined && time.zone === ICAL.Timezone.utcTimezone) return time.toUnixTime() * 1000;
  const local = (of: string) => Date.parse(instantOf(`${day}T${two(time.hour)}:${two(time.minute)}`, of)) + time.second * 1000;
  // Without a zone it is as the clocks of the base are.
  if (tzid === undefined) return local(zone);
  const own = zones.get(tzid);
  const byOwn = () => {
    const here = time.clone();
    here.zone = own!;
    return here.toUnixTime() * 1000;
  };
  const world = worldZone(tzid);
  if (world === undefined) {
    if (own) return byOwn();
    faults.push({ at, is: 'noZone', text: tzid.slice(0, 120) });
    return undefined;
  }
  const found = local(world);
  // A file that brings a zone under a name of the world's and means other hours by it is not believed, and that is said.
  if (own && byOwn() !== found && !faults.some((one) => one.is === 'zoneDiffers' && one.text === tzid))
    faults.push({ at, is: 'zoneDiffers', text: tzid.slice(0, 120) });
  return found;
};

const textOf = (event: ICAL.Component, name: string): string => {
  const value: unknown = event.getFirstPropertyValue(name);
  return typeof value === 'string' ? value.trim() : '';
};
const zoneOf = (event: ICAL.Component, name: string): string | undefined => {
  const tzid: unknown = event.getFirstProperty(name)?.getParameter('tzid');
  return typeof tzid === 'string' ? tzid : undefined;
};
const timeOf = (event: ICAL.Component, name: string): ICAL.Time | undefined => {
  const value: unknown = event.getFirstPropertyValue(name);
  return value instanceof ICAL.Time ? value : undefined;
};
const stampOf = (event: ICAL.Component): string => (timeOf(event, 'last-modified') ?? timeOf(event, 'dtstamp'))?.toString() ?? '';
const wholeOf = (event: ICAL.Component, name: string): number | undefined => {
  const value: unknown = event.getFirstPropertyValue(name);
  const n = Number(value);
  return value === null || !Number.isInteger(n) || n < 0 || n > 1_000_000 ? undefined : n;
};

/** How somebody can be reached: as it is said, else whoever is invited, else what stands in the text. */
const contactIn = (event: ICAL.Component): string => {
  const said = textOf(event, 'contact');
  if (said !== '') return said.slice(0, 120);
  const invited = textOf(event, 'attendee').replace(/^mailto:/i, '');
  if (invited.includes('@')) return invited.slice(0, 120);
  const { numbers, mails } = contactOf(textOf(event, 'description').slice(0, 2000));
  return [...numbers.slice(0, 1), ...mails.slice(0, 1)].join(', ').slice(0, 120);
};

type Occurrence = { key: string; start: ICAL.Time; event: ICAL.Component };

/** From and to of one of an event's days. */
const spanOf = ({ start, event }: Occurrence, at: string, context: Context): { from: string; to: string } | undefined => {
  const { zone, reading, faults } = context;
  const noEnd = () => void faults.push({ at, is: 'noEnd', text: textOf(event, 'summary').slice(0, 120) });
  const [first, end] = [timeOf(event, 'dtstart')!, timeOf(event, 'dtend')];
  const duration: unknown = event.getFirstPropertyValue('duration');
  if (first.isDate) {
    const days = end
      ? Math.round((end.toUnixTime() - first.toUnixTime()) / 86_400)
      : duration instanceof ICAL.Duration
        ? Math.round(duration.toSeconds() / 86_400)
        : 1;
    const day = dayOf(start);
    if (!isDay(day)) return undefined;
    if (days * DAY_MS > LONGEST_MS) return noEnd();
    const last = new Date(Date.parse(`${day}T00:00:00Z`) + Math.max(0, days - 1) * DAY_MS).toISOString().slice(0, 10);
    return isDay(last) ? daysAsHours(day, last, reading.clocks, zone) : noEnd();
  }
  const tzid = zoneOf(event, 'dtstart');
  const from = instantAt(start, tzid, at, context);
  if (from === undefined) return undefined;
  let lengthMs: number | undefined;
  if (end) {
    const [begun, over] = [instantAt(first, tzid, at, context), instantAt(end, zoneOf(event, 'dtend'), at, context)];
    if (begun === undefined || over === undefined) return undefined;
    lengthMs = over - begun;
  } else if (duration instanceof ICAL.Duration) lengthMs = duration.toSeconds() * 1000;
  if (lengthMs === undefined || lengthMs <= 0 || lengthMs > LONGEST_MS) return noEnd();
  return { from: new Date(from).toISOString(), to: new Date(from + lengthMs).toISOString() };
};

/** Each day of an event that recurs, as far as one looks ahead. */
const occurrencesOf = (event: ICAL.Component, uid: string, context: Context): Occurrence[] => {
  const start = timeOf(event, 'dtstart')!;
  const rules = event.getAllProperties('rrule').map((one): unknown => one.getFirstValue());
  if (rules.length === 0 && event.getFirstProperty('rdate') === null) return [{ key: uid, start, event }];
  const tooOften = () => {
    context.faults.push({ at: uid.slice(0, 120), is: 'tooOften', text: textOf(event, 'summary').slice(0, 120) });
    return [];
  };
  if (rules.some((rule) => !(rule instanceof ICAL.Recur) || !FREQUENCIES.includes(rule.freq))) return tooOften();
  const expansion = new ICAL.RecurExpansion({ component: event, dtstart: start });
  const found: Occurrence[] = [];
  const [since, until] = [context.now - BEHIND_DAYS * DAY_MS, context.now + AHEAD_DAYS * DAY_MS];
  for (let steps = 0; ; steps += 1) {
    if (steps > MOST_STEPS || found.length > MOST_OF_ONE) return tooOften();
    const next = expansion.next() as ICAL.Time | null | undefined;
    if (!next) break;
    // To the day: the zone is looked at for those that are taken.
    const about = Date.UTC(next.year, next.month - 1, next.day);
    if (about > until + DAY_MS) break;
    if (about >= since - DAY_MS) found.push({ key: `${uid}/${next.toString()}`, start: next.clone(), event });
  }
  return found;
};

type JCal = ConstructorParameters<typeof ICAL.Component>[0][];

/** The calendars of a text; several of them stand in a list of lists. @throws NoCalendar */
const parsed = (text: string): JCal[] => {
  let found: unknown;
  try {
    found = ICAL.parse(text);
  } catch (error) {
    throw new NoCalendar((error as Error).message.slice(0, 200));
  }
  return (Array.isArray(found) && Array.isArray(found[0]) ? found : [found]) as JCal[];
};

/** The same, event by event where one of them cannot be read: the others can. @throws NoCalendar where it is none without its events */
const calendarsIn = (text: string, faults: ReadFault[]): JCal[] => {
  try {
    return parsed(text);
  } catch (error) {
    const events = text.match(/^BEGIN:VEVENT\r?$[\s\S]*?^END:VEVENT\r?$/gim) ?? [];
    if (!(error instanceof NoCalendar) || events.length === 0) throw error;
    const bare = text.replace(/^BEGIN:VEVENT\r?$[\s\S]*?^END:VEVENT\r?$\r?\n?/gim, '');
    const whole = parsed(bare);
    const readable = events.filter((event) => {
      try {
        parsed(`BEGIN:VCALENDAR\r\n${event}\r\nEND:VCALENDAR`);
        return true;
      } catch (fault) {
        const uid = /^UID[^:\r\n]*:(.{0,120})/im.exec(event)?.[1]?.trim() ?? '';
        faults.push({ at: uid, is: 'unreadable', text: (fault as Error).message.slice(0, 120) });
        return false;
      }
    });
    // Zones stand before the events and are read with them.
    if (readable.length === 0) return whole;
    return parsed(bare.replace(/^END:VCALENDAR\r?$/im, `${readable.join('\r\n')}\r\nEND:VCALENDAR`));
  }
};

type Versioned = { key: string; sequence: number; stamp: string; event: ICAL.Component };

/**
 * Every booking that a calendar holds. What cannot be read is told by its UID and stops nothing else.
 * @param zone of the base @param now ms @throws NoCalendar
 */
export const readCalendar = (
  text: string,
  reading: CalendarReading,
  zone: string,
  now: number,
): { rows: Raw[]; faults: ReadFault[]; name: string } => {
  refuseDeep(text);
  const faults: ReadFault[] = [];
  const list = calendarsIn(text, faults);
  const rows: Raw[] = [];
  let name = '';
  for (const one of list) {
    const calendar = new ICAL.Component(one);
    if (calendar.name !== 'vcalendar') throw new NoCalendar(`it is a ${calendar.name}`);
    name ||= textOf(calendar, 'x-wr-calname').slice(0, 80);
    const zones = new Map(
      calendar.getAllSubcomponents('vtimezone').map((part) => [textOf(part, 'tzid'), new ICAL.Timezone(part)] as const),
    );
    const context: Context = { zone, zones, reading, now, faults };
    const all = calendar.getAllSubcomponents('vevent').flatMap((event): Versioned[] => {
      const uid = textOf(event, 'uid');
      if (uid !== '' && timeOf(event, 'dtstart')) {
        const day = timeOf(event, 'recurrence-id');
        const key = day ? `${uid}/${day.toString()}` : uid;
        return [{ key, sequence: wholeOf(event, 'sequence') ?? 0, stamp: stampOf(event), event }];
      }
      faults.push({ at: uid.slice(0, 120), is: 'unreadable', text: textOf(event, 'summary').slice(0, 120) });
      return [];
    });
    const cancelsAll = textOf(calendar, 'method').toUpperCase() === 'CANCEL';
    const newest = newestOf(all);
    const changed = new Map(newest.filter(({ event }) => event.getFirstProperty('recurrence-id')).map((each) => [each.key, each]));
    const take = (occurrence: Occurrence, { sequence, stamp }: Versioned) => {
      const { key, event } = occurrence;
      const span = spanOf(occurrence, key.slice(0, 120), context);
      const renter = textOf(event, 'summary').slice(0, 80);
      const cancelled = cancelsAll || textOf(event, 'status').toUpperCase() === 'CANCELLED';
      if (!span) return;
      if (renter === '' && !cancelled) return void faults.push({ at: key.slice(0, 120), is: 'noRenter', text: '' });
      const description = textOf(event, 'description');
      rows.push({
        ...{ key: key.slice(0, 200), sequence, stamp, cancelled, at: key.slice(0, 120), renter: renter || '?', ...span },
        boatIn: [textOf(event, 'location'), textOf(event, 'resources'), textOf(event, 'summary'), description.slice(0, 2000)],
        contact: contactIn(event),
        adults: wholeOf(event, 'x-quay-adults'),
        children: wholeOf(event, 'x-quay-children'),
        notes: description.slice(0, 2000),
        language: textOf(event, 'x-quay-language') || undefined,
      });
    };
    for (const version of newest) {
      if (version.event.getFirstProperty('recurrence-id')) continue;
      try {
        for (const occurrence of occurrencesOf(version.event, version.key, context)) {
          const other = changed.get(occurrence.key);
          changed.delete(occurrence.key);
          if (other) take({ key: other.key, start: timeOf(other.event, 'dtstart')!, event: other.event }, other);
          else take(occurrence, version);
        }
      } catch (error) {
        faults.push({ at: version.key.slice(0, 120), is: 'unreadable', text: (error as Error).message.slice(0, 120) });
      }
    }
    // A day of an event that recurs may come without the event.
    for (const other of changed.values()) take({ key: other.key, start: timeOf(other.event, 'dtstart')!, event: other.event }, other);
  }
  return { rows, faults, name };
};

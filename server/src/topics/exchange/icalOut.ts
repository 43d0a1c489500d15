import ICAL from 'ical.js';

/** Writes iCalendar (RFC 5545). */

export type CalendarHire = {
  id: string;
  version: number;
  boat: string;
  renter: string;
  contact: string;
  adults: number;
  children: number;
  language: string;
  from: string;
  to: string;
  notes: string;
  cancelled: boolean;
  changedAt: string;
};

/** Hires as a calendar that any program reads, in UTC. @param name as it is called there @param host of this quay, for names that stand for one hire in the world */
export const writeCalendar = (hires: readonly CalendarHire[], name: string, host: string): string => {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Jolly Quay//Bookings//EN');
  calendar.addPropertyWithValue('calscale', 'GREGORIAN');
  calendar.addPropertyWithValue('method', 'PUBLISH');
  calendar.addPropertyWithValue('x-wr-calname', name);
  const utc = (at: string) => ICAL.Time.fromJSDate(new Date(at), true);
  for (const hire of hires) {
    const event = new ICAL.Component('vevent');
    const put = (property: string, value: unknown) => event.addPropertyWithValue(property, value as string);
    put('uid', `${hire.id}@${host}`);
    put('sequence', hire.version - 1);
    put('dtstamp', utc(hire.changedAt));
    put('dtstart', utc(hire.from));
    put('dtend', utc(hire.to));
    put('summary', hire.renter);
    put('location', hire.boat);
    if (hire.notes !== '') put('description', hire.notes);
    if (hire.contact !== '') put('contact', hire.contact);
    put('status', hire.cancelled ? 'CANCELLED' : 'CONFIRMED');
    put('x-quay-adults', String(hire.adults));
    put('x-quay-children', String(hire.children));
    put('x-quay-language', hire.language);
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
};

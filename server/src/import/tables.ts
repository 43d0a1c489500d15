import type { Base } from '@quay/core/fleet/base';
import { type Handover, POLICIES } from '@quay/core/policy/policy';
import { type Language, LANGUAGES } from '@quay/core/words/words';
import { readMinor } from '@quay/core/money/minor';
import { ExactInstant } from '@quay/core/time/calendar';
import { instantOf } from '@quay/core/time/zone';
import { Id } from '@quay/contract/parts';
import { isHashed } from '../platform/signIn/secret';
import { fold, secretFault } from '../platform/signIn/staff';
import { readCsv } from '../platform/csv';
import type { Fault } from '../platform/fault';

/** The tables of an import: staff and hires, each row read by itself, its faults told by file and line. */

export type HireIn = {
  id: string;
  boat: string;
  base: string;
  renter: string;
  contact: string;
  language: string;
  handover: Handover;
  adults: number;
  children: number;
  from: string;
  to: string;
  depositMinor: number;
  notes: string;
  /** Taken although somebody else had the boat then. */
  clashed: 0 | 1;
};
export type StaffIn = { id: string; name: string; role: 'hand' | 'manager'; secret: string; languages: Language[]; bases: string[] };
/** What is wrong with an id of a table. @param seen those of the rows above, to which it is added */
const idFaults = (id: string, seen: Set<string>): string[] => {
  const twice = seen.has(id);
  seen.add(id);
  return [
    ...(Id.safeParse(id).success ? [] : [`id “${id}” is not made of letters, digits and hyphens`]),
    ...(twice ? [`id “${id}” is used twice`] : []),
  ];
};

/** @param there bases of the import, of which somebody may work at some */
export const readStaff = (text: string | undefined, there: readonly Base[], faults: Fault[]): StaffIn[] => {
  if (text === undefined) return [];
  const file = 'staff.csv';
  const names = new Set<string>();
  const ids = new Set<string>();
  return readCsv(file, text, ['id', 'name', 'role', 'secret'], faults).flatMap((row): StaffIn[] => {
    const where = `line ${row.line}`;
    const id = row.get('id');
    for (const reason of idFaults(id, ids)) faults.push({ file, where, reason });
    if (row.get('name') === '' || row.get('name').length > 80) faults.push({ file, where, reason: 'a name has 1 to 80 characters' });
    const role = row.get('role');
    if (role !== 'hand' && role !== 'manager') {
      faults.push({ file, where, reason: `role “${role}” is neither hand nor manager` });
      return [];
    }
    const secret = row.get('secret');
    const weak = secret === '' || isHashed(secret) ? undefined : secretFault(role, secret);
    if (weak !== undefined) faults.push({ file, where, reason: weak });
    if (names.has(fold(row.get('name')))) faults.push({ file, where, reason: `name “${row.get('name')}” is used twice` });
    names.add(fold(row.get('name')));
    const several = (column: string) => row.get(column).split('|').filter(Boolean);
    const languages = several('languages').flatMap((one) => {
      const known = LANGUAGES.find((language) => language === one);
      if (known === undefined) faults.push({ file, where, reason: `language “${one}” is not among ${LANGUAGES.join(', ')}` });
      return known ?? [];
    });
    const bases = several('bases');
    for (const base of bases) if (!there.some((one) => one.id === base)) faults.push({ file, where, reason: `there is no base “${base}”` });
    return [{ id, name: row.get('name'), role, secret, languages, bases }];
  });
};

/** `2026-06-13T09:30` by the clock of a base, an instant such as `2026-10-25T00:30:00.000Z` where that clock says two things, or `today-2 09:30` for a made-up operator that always lives in the present. */
const readTime = (text: string, zone: string, now: string): string | undefined => {
  const relative = /^today([+-]\d{1,3})? (\d\d):(\d\d)$/.exec(text);
  const near = /^now([+-]\d{1,5})$/.exec(text);
  if (ExactInstant.safeParse(text).success) return text;
  if (near) return new Date(Math.round(Date.parse(now) / 300_000) * 300_000 + Number(near[1]) * 60_000).toISOString();
  try {
    if (!relative) return instantOf(text, zone);
    const day = new Date(Date.parse(now) + Number(relative[1] ?? 0) * 86_400_000);
    const date = new Intl.DateTimeFormat('sv-SE', { timeZone: zone }).format(day);
    return instantOf(`${date}T${relative[2]}:${relative[3]}`, zone);
  } catch {
    return undefined;
  }
};

export const readHires = (
  text: string | undefined,
  currency: string,
  bases: readonly Base[],
  boats: readonly { id: string; base: string }[],
  now: string,
  faults: Fault[],
): HireIn[] => {
  if (text === undefined) return [];
  const file = 'hires.csv';
  const seen = new Set<string>();
  return readCsv(
    file,
    text,
    ['id', 'boat', 'renter', 'contact', 'language', 'adults', 'children', 'from', 'to', 'deposit', 'notes'],
    faults,
  ).flatMap((row): HireIn[] => {
    const where = `line ${row.line}`;
    const no = (reason: string) => {
      faults.push({ file, where, reason });
      return undefined;
    };
    const id = row.get('id');
    for (const reason of idFaults(id, seen)) no(reason);
    const boat = boats.find((one) => one.id === row.get('boat')) ?? no(`there is no boat “${row.get('boat')}”`);
    const zone = bases.find((base) => base.id === boat?.base)?.zone;
    const time = (column: string) =>
      zone === undefined
        ? undefined
        : (readTime(row.get(column), zone, now) ?? no(`${column} “${row.get(column)}” is no local time such as 2026-06-13T09:30`));
    const whole = (column: string, least: number) =>
      /^\d{1,2}$/.test(row.get(column)) && Number(row.get(column)) >= least
        ? Number(row.get(column))
        : no(`${column} “${row.get(column)}” is no number of people from ${least}`);
    const handover = (POLICIES.handover as readonly string[]).includes(row.get('handover')) ? (row.get('handover') as Handover) : undefined;
    if (row.get('handover') !== '' && !handover) no(`handover “${row.get('handover')}” is not among ${POLICIES.handover.join(', ')}`);
    const [from, to, adults, children] = [time('from'), time('to'), whole('adults', 1), whole('children', 0)];
    const depositMinor = readMinor(row.get('deposit'), currency) ?? no(`deposit “${row.get('deposit')}” is no sum in ${currency}`);
    if (from !== undefined && to !== undefined && to <= from) no('the return would be before the departure');
    if (row.get('renter') === '') no('renter is empty');
    if (!boat || from === undefined || to === undefined || adults === undefined || children === undefined || depositMinor === undefined)
      return [];
    return [
      {
        id,
        boat: boat.id,
        base: boat.base,
        renter: row.get('renter'),
        contact: row.get('contact'),
        language: row.get('language') || 'en',
        handover: handover ?? 'staffed',
        adults,
        children,
        from,
        to,
        depositMinor,
        notes: row.get('notes'),
        clashed: row.get('clashed') === 'yes' ? 1 : 0,
      },
    ];
  });
};

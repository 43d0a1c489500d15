import { howBriefed } from './briefed';
import { type Finding, type BaseFields } from './finding';
import { fuelTanks } from '../fuel/readings';
import { isEntered, currentOf, type HireRecord } from '../events/record';
import { asFound, counted, evidenceGiven } from '../condition/events';
import { gaugeRead } from '../fuel/events';
import { compareCount } from '../condition/counts';
import { revsFell } from '../condition/propeller';
import type { Book } from '../fleet/book';

export const countFindings = (
  record: HireRecord,
  book: Book,
  base: <T extends string>(key: T, station?: string) => BaseFields,
): Finding[] =>
  book.fittings.flatMap((fitting): Finding[] => {
    const [out, back] = (['out', 'in'] as const).map((walk) => currentOf(record, [walk, 'count', fitting.id], counted)?.value);
    const { is, pieces } = compareCount(fitting, out, back);
    if (is === 'same') return [];
    const fields = base(`count/${fitting.id}`, fitting.station);
    const priced = fitting.price !== undefined;
    return [
      {
        ...fields,
        // What is there to be used up is only charged where it has a price.
        chargeable: ['missing', 'damaged', 'unsealed', 'swapped'].includes(is) || (is === 'used' && priced),
        briefed: howBriefed(book, fitting.price, record),
        topic: 'count',
        fitting,
        is,
        pieces,
        out: out?.count,
        in: back?.count,
      },
    ];
  });

export const gaugeFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => {
  const fuelIds = new Set(fuelTanks(book).map(({ id }) => id));
  return book.gauges.flatMap((gauge): Finding[] => {
    if (gauge.reads === 'counter' || (gauge.tank !== undefined && fuelIds.has(gauge.tank))) return [];
    const [out, back] = (['out', 'in'] as const).map((walk) => currentOf(record, [walk, 'gauge', gauge.id], gaugeRead)?.value.shown);
    if (out === undefined || back === undefined || out === back) return [];
    return [{ ...base(`gauge/${gauge.id}`, gauge.station), topic: 'gauge', gauge, is: 'differs', out, in: back }];
  });
};

export const propellerFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  book.propellers.flatMap((propeller): Finding[] => {
    const [given, returned] = (['out', 'in'] as const).map(
      (walk) => currentOf(record, [walk, 'propeller', propeller.id], evidenceGiven)?.value,
    );
    const [out, back] = [given?.state, returned?.state];
    const [outRpm, inRpm] = [given?.fullRpm, returned?.fullRpm];
    const flawed = (state: typeof out) => state === 'flawWithinLimit' || state === 'flawOverLimit';
    const is =
      back === undefined || back === 'notSeen'
        ? 'notSeen'
        : flawed(back) && (out === 'sound' || (out === 'flawWithinLimit' && back === 'flawOverLimit'))
          ? 'new'
          : revsFell(outRpm, inRpm)
            ? 'slower'
            : !flawed(back)
              ? 'sound'
              : out === undefined || out === 'notSeen'
                ? 'cannotTell'
                : 'known';
    if (is === 'sound') return [];
    return [
      {
        ...base(`propeller/${propeller.id}`, propeller.station),
        // Fewer revs are a reason to look, not a flaw that anybody has seen.
        chargeable: is === 'new',
        briefed: howBriefed(book, propeller.price, record),
        topic: 'propeller',
        propeller,
        is,
        outRpm,
        inRpm,
      },
    ];
  });

export const checkFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  isEntered(record, ['in', 'started'])
    ? book.checks.flatMap((check): Finding[] => {
        const found = currentOf(record, ['in', 'check', check.id], asFound)?.value;
        const way = found && check.ways.find(({ id }) => id === found.way);
        if (found && way === check.ways[0]) return [];
        return [
          {
            ...base(`check/${check.id}`, check.station),
            chargeable: way?.price !== undefined,
            briefed: howBriefed(book, way?.price, record),
            topic: 'check',
            check,
            is: found ? 'not' : 'notLooked',
            way,
            note: found?.note,
            photos: found?.photos ?? [],
          },
        ];
      })
    : [];

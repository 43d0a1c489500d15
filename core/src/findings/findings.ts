import { cameIn } from '../trip/events';
import { type DECISIONS, type EXTRAS, type RECEIPTS, extraNoted, findingDecided, receiptShown } from './events';
import { feedsEngine, fillsOf, fuelOf, fuelTanks, hoursRun, PUMP_OVER, shownLevel } from '../fuel/readings';
import { marksOf } from '../condition/placed';
import { isEntered, currentOf, currentUnder, type HireRecord } from '../events/record';
import type { Subject } from '../events/define';
import { pointBriefed } from '../briefing/events';
import { asFound, counted, evidenceGiven, surfaceSeen } from '../condition/events';
import { gaugeRead } from '../fuel/events';
import { compareCount } from '../condition/counts';
import { compareMarks, type Mark } from '../condition/marks';
import { revsFell } from '../condition/propeller';
import type { Book } from '../fleet/book';
import type { Check, Fitting, Gauge, Propeller, Surface, Tank } from '../fleet/rows';
import type { Fused } from '../fuel/fuse';
import { happenedAt } from '../events/stored';

/**
 * A finding is one difference between out and in, with what it rests on. The machine proposes; a person decides.
 * `is` is one of a closed list, so that each is put in words by the reader's language, not here.
 */
export type Finding = {
  /** Stays the same however often it is computed: decisions and statement lines point at it. */
  key: string;
  station: string | undefined;
  /** Whether departure leaves it open to be charged at all. */
  chargeable: boolean;
  /** How the renter learnt what this costs: told by staff, read by themselves, or not at all; undefined where there is no such point. */
  briefed: HowBriefed | undefined;
  decision: (typeof DECISIONS)[number] | undefined;
} & (
  | {
      topic: 'count';
      fitting: Fitting;
      is: 'missing' | 'used' | 'damaged' | 'unsealed' | 'swapped' | 'extra' | 'moved' | 'notCounted';
      pieces: number;
      out: number | undefined;
      in: number | undefined;
    }
  | {
      topic: 'mark';
      surface: Surface | undefined;
      /** `cannotTell`: nobody looked at that surface at departure, so that nothing on it can be called new. */
      is: 'new' | 'grown' | 'known' | 'notSeen' | 'cannotTell';
      out: Mark | undefined;
      in: Mark | undefined;
      nearestM: number | undefined;
    }
  | {
      topic: 'fuel';
      tank: Tank;
      is: 'used' | 'notRead';
      fuel: Fused | undefined;
      meteredL: number | undefined;
      filledL: number;
      /** What the renter paid for it, as far as they said, and for how many litres. */
      paid: { litres: number; minor: number };
    }
  | {
      topic: 'hours';
      /** `more` than was planned for; `differs` from what the fuel says by more than both can be wrong. */
      is: 'run' | 'more' | 'differs';
      hours: number;
      plannedHours: number | undefined;
      /** What so many hours usually burn. */
      burnL: number | undefined;
    }
  | { topic: 'tank'; tank: Tank; is: 'fuller'; outL: number | undefined; inL: number }
  | {
      topic: 'check';
      check: Check;
      is: 'not' | 'notLooked';
      way: Check['ways'][number] | undefined;
      note: string | undefined;
      photos: string[];
    }
  | {
      topic: 'extra';
      extra: string;
      is: (typeof EXTRAS)[number];
      price: string | undefined;
      quantity: number;
      amountMinor: number | undefined;
      text: string;
      photos: string[];
    }
  | {
      topic: 'receipt';
      receipt: string;
      is: (typeof RECEIPTS)[number];
      amountMinor: number;
      text: string;
      photos: string[];
      byRenter: boolean;
    }
  | { topic: 'gauge'; gauge: Gauge; is: 'differs'; out: number; in: number }
  | {
      topic: 'propeller';
      propeller: Propeller;
      is: 'new' | 'known' | 'notSeen' | 'slower' | 'cannotTell';
      outRpm: number | undefined;
      inRpm: number | undefined;
    }
  | { topic: 'late'; is: 'late' | 'inTime'; minutes: number }
  | { topic: 'conflict'; is: 'open'; subject: Subject }
);

export type HowBriefed = 'told' | 'read' | 'no';

const priceOf = (book: Book, price: string | undefined, record: HireRecord): HowBriefed | undefined => {
  const points = price === undefined ? [] : book.points.filter((point) => point.price === price);
  if (points.length === 0) return undefined;
  const how = points.map(({ id }) => currentOf(record, ['out', 'point', id], pointBriefed)?.value.how);
  if (how.some((one) => one === 'said' || one === 'shown')) return 'told';
  return how.includes('read') || points.some(({ id }) => isEntered(record, ['home', id])) ? 'read' : 'no';
};

const sizesOf = (book: Book) => new Map(book.surfaces.map((surface) => [surface.id, surface]));

const countFindings = (record: HireRecord, book: Book, base: <T extends string>(key: T, station?: string) => BaseFields): Finding[] =>
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
        briefed: priceOf(book, fitting.price, record),
        topic: 'count',
        fitting,
        is,
        pieces,
        out: out?.count,
        in: back?.count,
      },
    ];
  });

type BaseFields = Pick<Finding, 'key' | 'station' | 'chargeable' | 'briefed' | 'decision'>;

const markFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => {
  const sizes = sizesOf(book);
  const seenGoing = new Set(marksOf(record, 'out').map(({ surface }) => surface));
  const looked = (surface: string) => seenGoing.has(surface) || isEntered(record, ['out', 'surface', surface]);
  return compareMarks(marksOf(record, 'out'), marksOf(record, 'in'), sizes).map((found): Finding => {
    const mark = found.is === 'notSeen' ? found.out : found.in;
    const surface = sizes.get(mark.surface);
    const is = found.is === 'new' && !looked(mark.surface) ? 'cannotTell' : found.is;
    return {
      ...base(`mark/${mark.id}`, surface?.station),
      chargeable: is === 'new' || is === 'grown',
      topic: 'mark',
      surface,
      is,
      out: found.is === 'new' ? undefined : found.out,
      in: found.is === 'notSeen' ? undefined : found.in,
      nearestM: found.is === 'new' ? found.nearestM : undefined,
    };
  });
};

const tankFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  fuelTanks(book).map((tank): Finding => {
    const fuel = fuelOf(record, book, tank);
    const brims = fillsOf(record, tank.id, 'operator').filter(({ brim }) => brim);
    const renters = fillsOf(record, tank.id, 'renter');
    // The meter settles alone only from brim to brim: she left full and was filled to the brim at return.
    const receipts = renters.filter(({ paidMinor }) => paidMinor !== undefined);
    const leftFull = fuel !== undefined && fuel.out.value + fuel.out.sd >= 0.97 * tank.capacityL;
    return {
      ...base(`fuel/${tank.id}`),
      chargeable: true,
      topic: 'fuel',
      tank,
      is: fuel?.used ? 'used' : 'notRead',
      fuel,
      meteredL: brims.length > 0 && leftFull ? brims.reduce((sum, { litres }) => sum + litres, 0) : undefined,
      filledL: renters.reduce((sum, { litres }) => sum + litres, 0),
      paid: {
        litres: receipts.reduce((sum, { litres }) => sum + litres, 0),
        minor: receipts.reduce((sum, { paidMinor }) => sum + (paidMinor ?? 0), 0),
      },
    };
  });

const gaugeFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => {
  const fuelIds = new Set(fuelTanks(book).map(({ id }) => id));
  return book.gauges.flatMap((gauge): Finding[] => {
    if (gauge.reads === 'counter' || (gauge.tank !== undefined && fuelIds.has(gauge.tank))) return [];
    const [out, back] = (['out', 'in'] as const).map((walk) => currentOf(record, [walk, 'gauge', gauge.id], gaugeRead)?.value.shown);
    if (out === undefined || back === undefined || out === back) return [];
    return [{ ...base(`gauge/${gauge.id}`, gauge.station), topic: 'gauge', gauge, is: 'differs', out, in: back }];
  });
};

const propellerFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
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
        briefed: priceOf(book, propeller.price, record),
        topic: 'propeller',
        propeller,
        is,
        outRpm,
        inRpm,
      },
    ];
  });

/** To be pumped out and fuller by so much than she left, a tank of waste is the renter's to empty where the operator says so. */
const FULLER_BY = 0.1;

const wasteFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  book.tanks.flatMap((tank): Finding[] => {
    if (tank.holds !== 'waste') return [];
    const [outL, inL] = [shownLevel(record, book, tank, 'out'), shownLevel(record, book, tank, 'in')];
    if (inL === undefined || inL <= PUMP_OVER * tank.capacityL || inL - (outL ?? inL) < FULLER_BY * tank.capacityL) return [];
    return [{ ...base(`tank/${tank.id}`), chargeable: true, topic: 'tank', tank, is: 'fuller', outL, inL }];
  });

const checkFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  isEntered(record, ['in', 'started'])
    ? book.checks.flatMap((check): Finding[] => {
        const found = currentOf(record, ['in', 'check', check.id], asFound)?.value;
        const way = found && check.ways.find(({ id }) => id === found.way);
        if (found && way === check.ways[0]) return [];
        return [
          {
            ...base(`check/${check.id}`, check.station),
            chargeable: way?.price !== undefined,
            briefed: priceOf(book, way?.price, record),
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

const extraFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => [
  ...currentUnder(record, ['extra'], extraNoted).map(({ value }): Finding => ({
    ...base(`extra/${value.extra}`),
    chargeable: true,
    briefed: priceOf(book, value.price, record),
    topic: 'extra',
    extra: value.extra,
    is: value.what,
    price: value.price,
    quantity: value.quantity ?? 1,
    amountMinor: value.amountMinor,
    text: value.text,
    photos: value.photos,
  })),
  ...currentUnder(record, ['receipt'], receiptShown).map(({ value, by }): Finding => ({
    ...base(`receipt/${value.receipt}`),
    chargeable: true,
    topic: 'receipt',
    receipt: value.receipt,
    is: value.what,
    amountMinor: value.amountMinor,
    text: value.text,
    photos: value.photos,
    byRenter: by.actor.role === 'renter',
  })),
];

const HOUR_MS = 3_600_000;
/** Hours under power may be so much over the plan before anybody asks why. */
const OVER_PLAN = 1.5;
/** How far hours times burn are off, as a share of what they come to. */
const BURN_SD = 0.2;

const hoursFinding = (
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

/** Everything that differs between departure and return. */
export const findingsOf = (record: HireRecord, book: Book, hired: Hired): Finding[] => {
  const base = (key: string, station?: string): BaseFields => ({
    key,
    station,
    chargeable: false,
    briefed: undefined,
    decision: currentOf(record, ['decided', key], findingDecided)?.value.decision,
  });
  const findings: Finding[] = [
    ...markFindings(record, book, base),
    ...propellerFindings(record, book, base),
    ...countFindings(record, book, base),
    ...tankFindings(record, book, base),
    ...wasteFindings(record, book, base),
    ...gaugeFindings(record, book, base),
    ...checkFindings(record, book, base),
    ...extraFindings(record, book, base),
  ];
  const engines = findings.find((one) => one.topic === 'fuel' && feedsEngine(one.tank));
  findings.push(...hoursFinding(record, book, engines, hired, base('hours')));
  const back = currentOf(record, ['cameIn'], cameIn);
  if (back) {
    const minutes = Math.floor((happenedAt(back.by) - Date.parse(hired.to)) / 60_000);
    findings.push({ ...base('late'), chargeable: minutes > 0, topic: 'late', is: minutes > 0 ? 'late' : 'inTime', minutes });
  }
  for (const open of record.conflicts)
    findings.push({ ...base(`conflict/${open.subject.join('/')}`), topic: 'conflict', is: 'open', subject: open.subject });
  return findings;
};

/** Findings that somebody must look at before the hire can be closed fairly. */
export const needsDecision = (finding: Finding): boolean => {
  if (finding.topic === 'conflict') return true;
  if (finding.decision !== undefined) return finding.decision === 'askManager';
  if (finding.topic === 'mark') return finding.is === 'new' || finding.is === 'grown';
  if (finding.topic === 'count')
    return finding.chargeable || ['missing', 'damaged', 'unsealed', 'swapped', 'notCounted'].includes(finding.is);
  if (finding.topic === 'check') return finding.is === 'notLooked' || finding.chargeable;
  // What the quay itself put down or looked at needs nobody's word again.
  if (finding.topic === 'receipt') return finding.byRenter;
  return finding.topic === 'propeller' && finding.is !== 'known';
};

/** How many lines of equipment and surfaces were looked at coming in and were as they had been. */
export const unchangedCount = (record: HireRecord, findings: readonly Finding[]): number => {
  const fittings = new Set(findings.flatMap((one) => (one.topic === 'count' ? [one.fitting.id] : [])));
  const surfaces = new Set(findings.flatMap((one) => (one.topic === 'mark' && one.is !== 'known' && one.surface ? [one.surface.id] : [])));
  return (
    currentUnder(record, ['in', 'count'], counted).filter(({ value }) => !fittings.has(value.fitting)).length +
    currentUnder(record, ['in', 'surface'], surfaceSeen).filter(({ value }) => !surfaces.has(value.surface)).length
  );
};

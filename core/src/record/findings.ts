import { compareCount } from '../condition/counts';
import { compareMarks, type Mark } from '../condition/marks';
import { revsFell } from '../condition/propeller';
import type { Book } from '../fleet/book';
import type { Fitting, Gauge, Propeller, Surface, Tank } from '../fleet/rows';
import type { Fused } from '../fuel/fuse';
import { happenedAt } from './held';
import type { DECISIONS } from './kinds';
import { type HireRecord, type Slot, slot } from './project';
import { fillsOf, fuelOf, fuelTanks, hoursRun, marksOf } from './walk';

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
  /** Whether the renter was told what this costs; undefined where there is no such point. */
  told: boolean | undefined;
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
      is: 'new' | 'grown' | 'known' | 'notSeen';
      out: Mark | undefined;
      in: Mark | undefined;
      nearestM: number | undefined;
    }
  | { topic: 'fuel'; tank: Tank; is: 'used' | 'notRead'; fuel: Fused | undefined; meteredL: number | undefined; filledL: number }
  | { topic: 'hours'; is: 'run'; hours: number }
  | { topic: 'gauge'; gauge: Gauge; is: 'differs'; out: number; in: number }
  | {
      topic: 'propeller';
      propeller: Propeller;
      is: 'new' | 'known' | 'notSeen' | 'slower';
      outRpm: number | undefined;
      inRpm: number | undefined;
    }
  | { topic: 'late'; is: 'late' | 'inTime'; minutes: number }
  | { topic: 'contradiction'; is: 'open'; slot: Slot }
);

const priceOf = (book: Book, price: string | undefined, record: HireRecord): boolean | undefined => {
  const points = price === undefined ? [] : book.points.filter((point) => point.price === price);
  if (points.length === 0) return undefined;
  return points.some(({ id }) => slot(record, `out/point/${id}`, 'pointTold') !== undefined);
};

const sizesOf = (book: Book) => new Map(book.surfaces.map((surface) => [surface.id, surface]));

const countFindings = (record: HireRecord, book: Book, base: <T extends string>(key: T, station?: string) => BaseFields): Finding[] =>
  book.fittings.flatMap((fitting): Finding[] => {
    const [out, back] = (['out', 'in'] as const).map((walk) => slot(record, `${walk}/count/${fitting.id}`, 'counted')?.value);
    const { is, pieces } = compareCount(fitting, out, back);
    if (is === 'same') return [];
    const fields = base(`count/${fitting.id}`, fitting.station);
    return [
      {
        ...fields,
        chargeable: ['missing', 'damaged', 'unsealed', 'swapped'].includes(is),
        told: priceOf(book, fitting.price, record),
        topic: 'count',
        fitting,
        is,
        pieces,
        out: out?.count,
        in: back?.count,
      },
    ];
  });

type BaseFields = Pick<Finding, 'key' | 'station' | 'chargeable' | 'told' | 'decision'>;

const markFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => {
  const sizes = sizesOf(book);
  return compareMarks(marksOf(record, 'out'), marksOf(record, 'in'), sizes).map((found): Finding => {
    const mark = found.is === 'notSeen' ? found.out : found.in;
    const surface = sizes.get(mark.surface);
    return {
      ...base(`mark/${mark.id}`, surface?.station),
      chargeable: found.is === 'new' || found.is === 'grown',
      topic: 'mark',
      surface,
      is: found.is,
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
    };
  });

const gaugeFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => {
  const fuelIds = new Set(fuelTanks(book).map(({ id }) => id));
  return book.gauges.flatMap((gauge): Finding[] => {
    if (gauge.reads === 'counter' || (gauge.tank !== undefined && fuelIds.has(gauge.tank))) return [];
    const [out, back] = (['out', 'in'] as const).map((walk) => slot(record, `${walk}/gauge/${gauge.id}`, 'gaugeRead')?.value.shown);
    if (out === undefined || back === undefined || out === back) return [];
    return [{ ...base(`gauge/${gauge.id}`, gauge.station), topic: 'gauge', gauge, is: 'differs', out, in: back }];
  });
};

const propellerFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] =>
  book.propellers.flatMap((propeller): Finding[] => {
    const [given, returned] = (['out', 'in'] as const).map(
      (walk) => slot(record, `${walk}/propeller/${propeller.id}`, 'evidenceGiven')?.value,
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
            : flawed(back)
              ? 'known'
              : 'sound';
    if (is === 'sound') return [];
    return [
      {
        ...base(`propeller/${propeller.id}`, propeller.station),
        // Fewer revs are a reason to look, not a flaw that anybody has seen.
        chargeable: is === 'new',
        told: priceOf(book, propeller.price, record),
        topic: 'propeller',
        propeller,
        is,
        outRpm,
        inRpm,
      },
    ];
  });

/**
 * Everything that differs between departure and return.
 * @param due when the boat was to be back, ISO instant
 */
export const findingsOf = (record: HireRecord, book: Book, due: string): Finding[] => {
  const base = (key: string, station?: string): BaseFields => ({
    key,
    station,
    chargeable: false,
    told: undefined,
    decision: slot(record, `decided/${key}`, 'findingDecided')?.value.decision,
  });
  const findings: Finding[] = [
    ...markFindings(record, book, base),
    ...propellerFindings(record, book, base),
    ...countFindings(record, book, base),
    ...tankFindings(record, book, base),
    ...gaugeFindings(record, book, base),
  ];
  const hours = hoursRun(record, book);
  if (hours !== undefined) findings.push({ ...base('hours'), topic: 'hours', is: 'run', hours });
  const cameIn = slot(record, 'cameIn', 'cameIn');
  if (cameIn) {
    const minutes = Math.floor((happenedAt(cameIn.by) - Date.parse(due)) / 60_000);
    findings.push({ ...base('late'), chargeable: minutes > 0, topic: 'late', is: minutes > 0 ? 'late' : 'inTime', minutes });
  }
  for (const open of record.contradictions)
    findings.push({ ...base(`contradiction/${open.key}`), topic: 'contradiction', is: 'open', slot: open });
  return findings;
};

/** Findings that somebody must look at before the hire can be closed fairly. */
export const needsDecision = (finding: Finding): boolean => {
  if (finding.topic === 'contradiction') return true;
  if (finding.decision !== undefined) return finding.decision === 'askManager';
  if (finding.topic === 'mark') return finding.is === 'new' || finding.is === 'grown';
  if (finding.topic === 'count') return ['missing', 'damaged', 'unsealed', 'swapped', 'notCounted'].includes(finding.is);
  return finding.topic === 'propeller' && finding.is !== 'known';
};

/** How many lines of equipment and surfaces were looked at coming in and were as they had been. */
export const unchangedCount = (record: HireRecord, findings: readonly Finding[]): number => {
  const differs = new Set<string>();
  for (const finding of findings) {
    if (finding.topic === 'count') differs.add(`in/count/${finding.fitting.id}`);
    else if (finding.topic === 'mark' && finding.is !== 'known' && finding.surface) differs.add(`in/surface/${finding.surface.id}`);
  }
  return [...record.slots.keys()].filter((key) => /^in\/(count|surface)\//.test(key) && !differs.has(key)).length;
};

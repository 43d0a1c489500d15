import { type Hired, hoursFinding } from './hours';
import { tankFindings, wasteFindings } from './tanks';
import { countFindings, gaugeFindings, propellerFindings, checkFindings } from './equipment';
import { howBriefed } from './briefed';
import { type Finding, type BaseFields } from './finding';
import { cameIn } from '../trip/events';
import { extraNoted, findingDecided, receiptShown } from './events';
import { feedsEngine } from '../fuel/readings';
import { marksOf } from '../condition/placed';
import { isEntered, currentOf, currentUnder, type HireRecord } from '../events/record';
import { counted, surfaceSeen } from '../condition/events';
import { compareMarks } from '../condition/marks';
import type { Book } from '../fleet/book';
import { happenedAt } from '../events/stored';

const sizesOf = (book: Book) => new Map(book.surfaces.map((surface) => [surface.id, surface]));

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

const extraFindings = (record: HireRecord, book: Book, base: (key: string, station?: string) => BaseFields): Finding[] => [
  ...currentUnder(record, ['extra'], extraNoted).map(({ value }): Finding => ({
    ...base(`extra/${value.extra}`),
    chargeable: true,
    briefed: howBriefed(book, value.price, record),
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
  if (finding.topic === 'fuel') return finding.onTheirWord;
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

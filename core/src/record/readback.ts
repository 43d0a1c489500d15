import type { Book } from '../fleet/book';
import type { Wording } from '../fleet/words';
import { say } from '../fleet/words';
import { spokenReading } from '../fuel/level';
import { digestOf } from './canonical';
import { triesOf } from './drills';
import type { Walk } from './event';
import { DRILL_WAYS, type DrillWay } from './kinds';
import { type HireRecord, slot } from './project';
import { fuelOf, fuelTanks, marksOf } from './walk';

/** What the renter reads back before signing, and whose digest they sign: plain facts, in their language. */
export type Page = {
  walk: Walk;
  language: string;
  boat: string;
  told: string[];
  skipped: string[];
  counts: { name: string; count: number; of: number; state: string }[];
  marks: { surface: string; kind: string; sizeMm: number; photos: number }[];
  gauges: { name: string; shown: string }[];
  fuel: { tank: string; litres: number; low: number; high: number }[];
  propellers: { name: string; state: string }[];
  /** How she came back: what was looked at, and how it was found. */
  checks?: { name: string; way: string }[];
  /** Drills gone through: how the best try went, and its mistakes. */
  drills?: { name: string; how: DrillWay; mistakes: number }[];
  /** What whoever signs wanted to stand beside it. */
  remarks?: { as: 'renter' | 'staff'; text: string }[];
};

/** @param language the one the page is shown in; wording that the book lacks in it falls back to English */
export const pageOf = (record: HireRecord, book: Book, walk: Walk, boat: string, language: string): Page => {
  const words = (wording: Wording) => say(wording, language);
  const points = book.points.map((point) => ({ point, slot: slot(record, `${walk}/point/${point.id}`, 'pointTold', 'pointSkipped') }));
  const drills = book.drills.flatMap((drill) => {
    const best = [...triesOf(record, drill.id)].sort(
      (a, b) => DRILL_WAYS.indexOf(b.how) - DRILL_WAYS.indexOf(a.how) || a.mistakes.length - b.mistakes.length || a.at - b.at,
    )[0];
    return best ? [{ name: words(drill.name), how: best.how, mistakes: best.mistakes.length }] : [];
  });
  const checks = book.checks.flatMap((check) => {
    const found = slot(record, `${walk}/check/${check.id}`, 'asFound')?.value;
    const way = found && check.ways.find(({ id }) => id === found.way);
    return found ? [{ name: words(check.name), way: way ? words(way.name) : found.way }] : [];
  });
  const remarks = (['renter', 'staff'] as const).flatMap((as) => {
    const said = slot(record, `${walk}/remark/${as}`, 'remarked')?.value;
    return said ? [{ as, text: said.text }] : [];
  });
  return {
    walk,
    language,
    boat,
    told: points.flatMap((p) => (p.slot?.value.kind === 'pointTold' ? [words(p.point.say)] : [])),
    skipped: points.flatMap((p) => (p.slot?.value.kind === 'pointSkipped' ? [words(p.point.say)] : [])),
    counts: book.fittings.flatMap((fitting) => {
      const counted = slot(record, `${walk}/count/${fitting.id}`, 'counted')?.value;
      return counted ? [{ name: words(fitting.name), count: counted.count, of: fitting.count, state: counted.state }] : [];
    }),
    marks: marksOf(record, walk).map((mark) => {
      const surface = book.surfaces.find(({ id }) => id === mark.surface);
      return { surface: surface ? words(surface.name) : mark.surface, kind: mark.kind, sizeMm: mark.sizeMm, photos: mark.photos.length };
    }),
    gauges: book.gauges.flatMap((gauge) => {
      const read = slot(record, `${walk}/gauge/${gauge.id}`, 'gaugeRead')?.value;
      return read ? [{ name: words(gauge.name), shown: spokenReading(gauge, read.shown) }] : [];
    }),
    fuel: fuelTanks(book).flatMap((tank) => {
      const fuel = fuelOf(record, book, tank);
      const estimate = walk === 'out' ? fuel?.out : fuel?.in;
      return estimate
        ? [{ tank: words(tank.name), litres: Math.round(estimate.value), low: Math.round(estimate.low), high: Math.round(estimate.high) }]
        : [];
    }),
    propellers: book.propellers.flatMap((propeller) => {
      const given = slot(record, `${walk}/propeller/${propeller.id}`, 'evidenceGiven')?.value;
      return given ? [{ name: words(propeller.name), state: given.state }] : [];
    }),
    ...(checks.length > 0 ? { checks } : {}),
    // Absent where there are none, as it is from pages that were signed before there were drills.
    ...(walk === 'out' && drills.length > 0 ? { drills } : {}),
    ...(remarks.length > 0 ? { remarks } : {}),
  };
};

/** The digest of the page as shown, which the renter signs. */
export const pageDigest = (page: Page): string => digestOf(page);

import { remarked } from './events';
import { fuelOf, fuelTanks } from '../fuel/readings';
import { marksOf } from '../condition/placed';
import { isEntered, currentOf, currentAt, type HireRecord } from '../events/record';
import { pointSkipped, pointBriefed } from '../briefing/events';
import { asFound, counted, evidenceGiven } from '../condition/events';
import { gaugeRead } from '../fuel/events';
import { compareMarks } from '../condition/marks';
import type { Book } from '../fleet/book';
import type { Wording } from '../words/words';
import { say } from '../words/words';
import { spokenReading } from '../fuel/level';
import { digestOf } from '../events/canonical';
import { triesOf } from '../drill/ofHire';
import { type Measures, measuresIn, METRIC } from '../number/units';
import type { Walk } from '../events/parts';
import { DRILL_WAYS, type DrillWay } from '../drill/events';
import { type Missing, walkState } from './walk';

/** What the renter reads back before signing, and whose digest they sign: plain facts, in their language. */
export type Page = {
  walk: Walk;
  language: string;
  boat: string;
  /** Said or shown by staff. */
  briefed: string[];
  /** Read by the renter, on the quay or at home, with nobody beside them. */
  read?: string[];
  skipped: string[];
  /** `was`: how many there were at departure, of a return that differs from it. */
  counts: { name: string; count: number; of: number; state: string; was?: number }[];
  /** `is`: of a return, whether departure knew it. */
  marks: { surface: string; kind: string; sizeMm: number; photos: number; is?: 'new' | 'grown' | 'known' }[];
  gauges: { name: string; shown: string }[];
  fuel: { tank: string; litres: number; low: number; high: number }[];
  propellers: { name: string; state: string }[];
  /** How she came back: what was looked at, and how it was found. */
  checks?: { name: string; way: string; asItShould: boolean }[];
  /** What nobody counted, looked at, read or judged, by name; and of what a picture is wanted that nobody took. */
  open?: string[];
  pictures?: string[];
  /** Of a return: what was confirmed in one press as it had been at departure. */
  onePress?: string[];
  /** Drills gone through: how the best try went, and its mistakes. */
  drills?: { name: string; how: DrillWay; mistakes: number }[];
  /** What whoever signs wanted to stand beside it. */
  remarks?: { as: 'renter' | 'staff'; text: string }[];
  /** Of a departure: the operator's terms, which whoever signs agrees to. */
  clauses?: string;
};

/** What else a page depends on. */
type Reading = {
  /** The renter makes this walk without staff, and more pictures are asked for. */
  alone?: boolean;
  /** What readings are said in. */
  measures?: Measures;
};

/**
 * @param language the one the page is shown in; wording that the book lacks in it falls back to English
 */
export const pageOf = (
  record: HireRecord,
  book: Book,
  walk: Walk,
  boat: string,
  language: string,
  { alone = false, measures = measuresIn(METRIC) }: Reading = {},
): Page => {
  const words = (wording: Wording) => say(wording, language);
  const points = book.points.map((point) => ({ point, current: currentOf(record, [walk, 'point', point.id], pointBriefed, pointSkipped) }));
  const drills = book.drills.flatMap((drill) => {
    const best = [...triesOf(record, drill.id)].sort(
      (a, b) => DRILL_WAYS.indexOf(b.how) - DRILL_WAYS.indexOf(a.how) || a.mistakes.length - b.mistakes.length || a.at - b.at,
    )[0];
    return best ? [{ name: words(drill.name), how: best.how, mistakes: best.mistakes.length }] : [];
  });
  const checks = book.checks.flatMap((check) => {
    const found = currentOf(record, [walk, 'check', check.id], asFound)?.value;
    const way = found && check.ways.find(({ id }) => id === found.way);
    return found ? [{ name: words(check.name), way: way ? words(way.name) : found.way, asItShould: check.ways[0]?.id === found.way }] : [];
  });
  const read = points.flatMap(({ point, current: briefed }) =>
    briefed?.value.kind === 'pointBriefed'
      ? briefed.value.how === 'read'
        ? [words(point.say)]
        : []
      : walk === 'out' && alone && isEntered(record, ['home', point.id])
        ? [words(point.say)]
        : [],
  );
  const stops = walkState(record, book, walk, undefined, alone);
  const named = (pick: (missing: Missing) => readonly string[]) =>
    stops.flatMap((stop) =>
      [...stop.fittings, ...stop.propellers, ...stop.surfaces, ...stop.gauges, ...stop.checks]
        .filter(({ id }) => pick(stop.missing).includes(id))
        .map(({ name }) => words(name)),
    );
  const open = named((missing) => [...missing.fittings, ...missing.propellers, ...missing.surfaces, ...missing.gauges, ...missing.checks]);
  const pictures = named((missing) => missing.pictures);
  const known =
    walk === 'in'
      ? new Map(
          compareMarks(marksOf(record, 'out'), marksOf(record, 'in'), new Map(book.surfaces.map((one) => [one.id, one]))).flatMap((one) =>
            one.is === 'notSeen' ? [] : [[one.in.id, one.is] as const],
          ),
        )
      : new Map<string, 'new' | 'grown' | 'known'>();
  const asBefore = (...of: string[]) => {
    const value = currentAt(record, ['in', ...of])?.value;
    return value !== undefined && 'asBefore' in value && value.asBefore === true;
  };
  const onePress =
    walk === 'in'
      ? [...book.fittings.filter(({ id }) => asBefore('count', id)), ...book.surfaces.filter(({ id }) => asBefore('surface', id))].map(
          ({ name }) => words(name),
        )
      : [];
  const remarks = (['renter', 'staff'] as const).flatMap((as) => {
    const said = currentOf(record, [walk, 'remark', as], remarked)?.value;
    return said ? [{ as, text: said.text }] : [];
  });
  return {
    walk,
    language,
    boat,
    briefed: points.flatMap((p) =>
      p.current?.value.kind === 'pointBriefed' && p.current.value.how !== 'read' ? [words(p.point.say)] : [],
    ),
    ...(read.length > 0 ? { read } : {}),
    skipped: points.flatMap((p) => (p.current?.value.kind === 'pointSkipped' ? [words(p.point.say)] : [])),
    counts: book.fittings.flatMap((fitting) => {
      const count = currentOf(record, [walk, 'count', fitting.id], counted)?.value;
      const was = walk === 'in' ? currentOf(record, ['out', 'count', fitting.id], counted)?.value.count : undefined;
      return count
        ? [
            {
              name: words(fitting.name),
              count: count.count,
              of: fitting.count,
              state: count.state,
              ...(was === undefined || was === count.count ? {} : { was }),
            },
          ]
        : [];
    }),
    marks: marksOf(record, walk).map((mark) => {
      const surface = book.surfaces.find(({ id }) => id === mark.surface);
      const is = known.get(mark.id);
      return {
        surface: surface ? words(surface.name) : mark.surface,
        kind: mark.kind,
        sizeMm: mark.sizeMm,
        photos: mark.photos.length,
        ...(is === undefined ? {} : { is }),
      };
    }),
    gauges: book.gauges.flatMap((gauge) => {
      const read = currentOf(record, [walk, 'gauge', gauge.id], gaugeRead)?.value;
      return read ? [{ name: words(gauge.name), shown: spokenReading(gauge, read.shown, measures) }] : [];
    }),
    fuel: fuelTanks(book).flatMap((tank) => {
      const fuel = fuelOf(record, book, tank);
      const estimate = walk === 'out' ? fuel?.out : fuel?.in;
      return estimate
        ? [{ tank: words(tank.name), litres: Math.round(estimate.value), low: Math.round(estimate.low), high: Math.round(estimate.high) }]
        : [];
    }),
    propellers: book.propellers.flatMap((propeller) => {
      const given = currentOf(record, [walk, 'propeller', propeller.id], evidenceGiven)?.value;
      return given ? [{ name: words(propeller.name), state: given.state }] : [];
    }),
    ...(checks.length > 0 ? { checks } : {}),
    ...(open.length > 0 ? { open } : {}),
    ...(pictures.length > 0 ? { pictures } : {}),
    ...(onePress.length > 0 ? { onePress } : {}),
    // Absent where there are none, as it is from pages that were signed before there were drills.
    ...(walk === 'out' && drills.length > 0 ? { drills } : {}),
    ...(remarks.length > 0 ? { remarks } : {}),
    ...(walk === 'out' && book.clauses ? { clauses: words(book.clauses) } : {}),
  };
};

/** The digest of the page as shown, which the renter signs. */
export const pageDigest = (page: Page): string => digestOf(page);

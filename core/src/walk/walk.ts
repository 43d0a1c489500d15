import type { Briefing } from '../briefing/compose';
import { evidenceGiven, surfaceSeen } from '../condition/events';
import { bladesToShow } from '../condition/propeller';
import type { Walk } from '../events/parts';
import { isEntered, type HireRecord, currentOf } from '../events/record';
import type { Book } from '../fleet/book';
import { routeOf, type Stop } from '../fleet/route';
import type { Gauge, Propeller, Surface } from '../fleet/rows';
import type { Point } from '../fleet/points';
import { gaugeRead } from '../fuel/events';

/** What is missing at a stop before it can be completed without leaving something out. */
export type Missing = {
  points: string[];
  fittings: string[];
  gauges: string[];
  surfaces: string[];
  propellers: string[];
  checks: string[];
  /** Sides looked at, gauges read and propellers judged of which a picture is asked for and not there yet. */
  pictures: string[];
};
export type StopState = Stop & { completed: boolean; missing: Missing; left: number };

const lookedAt = (record: HireRecord, walk: Walk, surface: string) => currentOf(record, [walk, 'surface', surface], surfaceSeen)?.value;

/** Whether a picture of the whole surface is asked for on this walk and is not there yet. */
export const wantsPicture = (record: HireRecord, walk: Walk, surface: Surface, alone: boolean): boolean =>
  (surface.picture === 'always' || (alone && surface.picture === 'alone')) &&
  (lookedAt(record, walk, surface.id)?.photos.length ?? 0) === 0;

/** Whether a picture of what a gauge reads is asked for on this walk and is not there yet, though it was read. */
export const wantsGaugePicture = (record: HireRecord, walk: Walk, gauge: Gauge, alone: boolean): boolean => {
  if (gauge.picture !== 'always' && !(alone && gauge.picture === 'alone')) return false;
  const read = currentOf(record, [walk, 'gauge', gauge.id], gaugeRead)?.value;
  return read !== undefined && (read.photos?.length ?? 0) === 0;
};

/** Whether pictures of a propeller's blades are asked for and are not all there yet, though she was judged. */
export const wantsBlades = (record: HireRecord, walk: Walk, propeller: Propeller): boolean => {
  const given = currentOf(record, [walk, 'propeller', propeller.id], evidenceGiven)?.value;
  return given !== undefined && given.state !== 'notSeen' && given.photos.length < bladesToShow(propeller);
};

/** Whether the renter has read a point at home and has nothing to see of it on the boat: it need not be read again. */
export const readAtHome = (record: HireRecord, point: Pick<Point, 'id' | 'show'>): boolean =>
  point.show === undefined && isEntered(record, ['home', point.id]);

/**
 * The walk as far as it has come, in the order of the route.
 * @param briefing what is told on the way out; without one, all the points of the book
 * @param alone the renter makes this walk without staff
 */
export const walkState = (record: HireRecord, book: Book, walk: Walk, briefing?: Briefing, alone = false): StopState[] =>
  routeOf({
    ...book,
    ...(briefing ? { points: briefing.toBrief.map(({ point }) => point) } : {}),
    propellers: propellersToJudge(book, alone),
  }).map((stop) => {
    const open = (prefix: string, rows: readonly { id: string }[]) =>
      rows.filter(({ id }) => !isEntered(record, [walk, prefix, id])).map(({ id }) => id);
    const missing: Missing = {
      // Telling belongs to the way out; coming in, nobody is briefed.
      points:
        walk === 'out'
          ? open(
              'point',
              stop.points.filter((point) => point.weight === 'must' && !(alone && readAtHome(record, point))),
            )
          : [],
      fittings: open('count', stop.fittings),
      gauges: open('gauge', stop.gauges),
      surfaces: open('surface', stop.surfaces),
      propellers: open('propeller', stop.propellers),
      // How she comes back is looked at when she comes back.
      checks: walk === 'in' ? open('check', stop.checks) : [],
      // What nobody looked at yet is open once, not twice.
      pictures: [
        ...stop.surfaces.filter(
          (surface) => lookedAt(record, walk, surface.id) !== undefined && wantsPicture(record, walk, surface, alone),
        ),
        ...stop.gauges.filter((gauge) => wantsGaugePicture(record, walk, gauge, alone)),
        ...stop.propellers.filter((propeller) => wantsBlades(record, walk, propeller)),
      ].map(({ id }) => id),
    };
    const left = Object.values(missing).reduce((sum, ids) => sum + ids.length, 0);
    return { ...stop, completed: isEntered(record, [walk, 'completed', stop.station.id]), missing, left };
  });

/** Propellers that are judged on a walk: nobody who is alone with a strange boat puts an arm through a hatch to feel one. */
export const propellersToJudge = ({ propellers }: Pick<Book, 'propellers'>, alone: boolean): Propeller[] =>
  propellers.filter(({ evidence }) => !(alone && evidence === 'feltThroughHatch'));

/** The stop to go on to: the next one that is not completed, else any other that is not; nothing when all others are. */
export const nextOpen = (stops: readonly Pick<StopState, 'completed'>[], at: number): number | undefined => {
  const open = stops.flatMap(({ completed }, i) => (completed || i === at ? [] : [i]));
  return open.find((i) => i > at) ?? open[0];
};

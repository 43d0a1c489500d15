import type { Book } from './book';
import type { Station } from './rows';

/** Everything that is to be said, counted, looked at and read at one stop. */
export type Stop = {
  station: Station;
  points: Book['points'];
  fittings: Book['fittings'];
  surfaces: Book['surfaces'];
  gauges: Book['gauges'];
  propellers: Book['propellers'];
  checks: Book['checks'];
};

/** The walk, stop by stop, in the order of the book: nobody walks round the boat twice. */
export const routeOf = (book: Book): Stop[] =>
  book.stations.map((station) => {
    const here = <T extends { station: string }>(rows: readonly T[]) => rows.filter((row) => row.station === station.id);
    return {
      station,
      points: here(book.points),
      fittings: here(book.fittings),
      surfaces: here(book.surfaces),
      gauges: here(book.gauges),
      propellers: here(book.propellers),
      checks: here(book.checks),
    };
  });

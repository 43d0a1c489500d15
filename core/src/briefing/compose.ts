import type { Book } from '../fleet/book';
import type { Condition, Facts, NamedConditions } from '../fleet/condition';
import { judge } from '../fleet/judge';
import type { GeneralPoint, Point } from '../fleet/points';

/** A point as it is told to this party: in full, or shorter since they were told it not long ago. */
export type Piece = { point: Point; seconds: number; short: boolean; briefedDaysAgo: number | undefined };
export type Briefing = {
  /** What is told, in the order of the walk. */
  toBrief: Piece[];
  /** What applies but is not told: it goes to the pocket guide. */
  guide: (Piece & { why: 'noTime' | 'toldBefore' })[];
  /** Points whose condition says that they do not concern this party. */
  dropped: Point[];
  /** Ids of points kept because their condition could not be judged. */
  unsure: string[];
  seconds: number;
  /** By how much the musts alone exceed the time; 0 when they fit. */
  overBy: number;
};

const VALUE = { must: 1, should: 10, spare: 10 } as const;
/** Shorter wording without a length of its own takes half as long, but never less than it takes to say anything. */
/** What pieces of a briefing take, min; never nothing. */
export const minutesOf = (pieces: readonly Pick<Piece, 'seconds'>[]): number =>
  Math.max(1, Math.round(pieces.reduce((sum, { seconds }) => sum + seconds, 0) / 60));

const shortSeconds = ({ seconds, again }: Point): number => again?.seconds ?? Math.max(5, Math.round(seconds / 2));

/**
 * 0/1 knapsack on whole seconds: which of the items to take.
 * @returns for each item whether it is taken; of equal choices the one that takes earlier items
 */
export const fill = (items: readonly { seconds: number; value: number }[], secondsLeft: number): boolean[] => {
  const room = Math.max(0, Math.floor(secondsLeft));
  const total = items.reduce((sum, { seconds }) => sum + seconds, 0);
  if (total <= room) return items.map(() => true);
  // From the last item to the first, so that reading the choices off from the first prefers earlier ones.
  const best = new Float64Array(room + 1);
  const taken = items.map(() => new Uint8Array(room + 1));
  for (let i = items.length - 1; i >= 0; i -= 1) {
    const { seconds, value } = items[i]!;
    const mine = taken[i]!;
    for (let at = room; at >= seconds; at -= 1) {
      const having = best[at - seconds]! + value;
      if (having >= best[at]!) {
        best[at] = having;
        mine[at] = 1;
      }
    }
  }
  let at = room;
  return items.map(({ seconds }, i) => {
    const take = taken[i]![at] === 1;
    if (take) at -= seconds;
    return take;
  });
};

/**
 * What to toBrief this party in this time. What does not apply is left out, what cannot be judged stays; every must stays;
 * the seconds left are filled with what is worth most, one should outranking all spares.
 * @param points in the order of the walk @param briefedDaysAgo days since this renter was last told a point, where they were
 */
export const compose = ({
  points,
  facts,
  named = {},
  secondsThere,
  briefedDaysAgo = () => undefined,
}: {
  points: readonly Point[];
  facts: Facts;
  named?: NamedConditions | undefined;
  secondsThere: number;
  briefedDaysAgo?: (point: string) => number | undefined;
}): Briefing => {
  const dropped: Point[] = [];
  const unsure: string[] = [];
  const pieces: Piece[] = [];
  for (const point of points) {
    const days = briefedDaysAgo(point.id);
    const verdict = point.when ? judge(point.when, { ...facts, 'toldWithin.days': days }, named) : 'yes';
    if (verdict === 'no') {
      dropped.push(point);
      continue;
    }
    if (verdict === 'unknown') unsure.push(point.id);
    const short = point.again !== undefined && days !== undefined && days <= point.again.days;
    pieces.push({ point, seconds: short ? shortSeconds(point) : point.seconds, short, briefedDaysAgo: days });
  }
  const isMust = ({ point }: Piece) => point.weight === 'must';
  const mustSeconds = pieces.filter(isMust).reduce((sum, { seconds }) => sum + seconds, 0);
  // Told not long ago and no must: the guide has it.
  const open = pieces.filter((piece) => !isMust(piece) && !piece.short);
  const worth = ({ weight, value }: Point) => value ?? VALUE[weight];
  const spares = open.reduce((sum, { point }) => (point.weight === 'spare' ? sum + worth(point) : sum), 0);
  const chosen = fill(
    open.map(({ point, seconds }) => ({ seconds, value: point.weight === 'should' ? worth(point) * (spares + 1) : worth(point) })),
    secondsThere - mustSeconds,
  );
  const taken = new Set(open.filter((_, i) => chosen[i]));
  const toBrief = pieces.filter((piece) => isMust(piece) || taken.has(piece));
  return {
    toBrief,
    guide: pieces
      .filter((piece) => !isMust(piece) && !taken.has(piece))
      .map((piece) => ({ ...piece, why: piece.short ? ('toldBefore' as const) : ('noTime' as const) })),
    dropped,
    unsure,
    seconds: toBrief.reduce((sum, { seconds }) => sum + seconds, 0),
    overBy: Math.max(0, mustSeconds - secondsThere),
  };
};

/** Points of the boat, and of the base, waters and operator where the boat has a place for them, in the order of the walk. */
export const pointsInOrder = (book: Book, general: readonly GeneralPoint[]): Point[] => {
  const stations = book.stations.map(({ id }) => id);
  const last = stations[stations.length - 1]!;
  const own = new Set(book.points.map(({ id }) => id));
  const placed = general
    .filter(({ id }) => !own.has(id))
    .map(({ stations: wanted, ...point }): Point => ({ ...point, station: wanted.find((id) => stations.includes(id)) ?? last }));
  const all = [...book.points, ...placed];
  return stations.flatMap((station) => all.filter((point) => point.station === station));
};

/** Whether something with a condition is to be shown: what cannot be judged is. */
export const applies = (when: Condition | undefined, facts: Facts, named?: NamedConditions): boolean =>
  when === undefined || judge(when, facts, named) !== 'no';

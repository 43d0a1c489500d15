import { dateOf, instantOf, type Instant, shiftDay } from '../../time/zone';
import { CANAL_MINUTES, isShutOn, type Opening, obstaclesOf, openingsOn, type Passed, passingMs, travel } from './travel';
import { type CanalLine, nightStops, type Stop } from './canalLine';

/** Days on a canal: out to a turning place and home by the deadline, a night at a mooring between each two of them. */

export type CanalAsked = {
  line: CanalLine;
  /** Where the base lies along the line, m. */
  baseM: number;
  speedMs: number;
  zone: string;
  from: Instant;
  /** Back at the base. */
  to: Instant;
  /** Light of a day, `YYYY-MM-DD`, ms since 1970: nobody is under way before or after; nothing where the sun does not rise. */
  light: (day: string) => { fromMs: number; toMs: number } | undefined;
  /** Hours a day under way that the party wants at most. */
  hoursADay: number;
  /** The turning place to go to; the farthest that can be had where nobody chose. */
  turnAt?: string | undefined;
  /** Where somebody wants to lie: by day, the id of a mooring. */
  nights?: Readonly<Record<string, string>> | undefined;
};

export type CanalDay = {
  day: string;
  leaveMs: number;
  arriveMs: number;
  underWayMs: number;
  fromM: number;
  /** Where the night is spent; nothing where the day ends at the base. */
  night: Stop | undefined;
  /** The turning place, on the day one turns there. */
  turns: Stop | undefined;
  passed: Passed[];
  /** Taps and pump-outs that one comes by. */
  serves: Stop[];
};
export type CanalPlan =
  | { is: 'plan'; turn: Stop; days: CanalDay[] }
  /** No turning place can be had and left again in time. */
  | { is: 'none' }
  /** The chosen one, or a chosen night, cannot: what would have to give. */
  | { is: 'cannot'; turn: Stop };

/** A place along the way out and home: `out` metres from the base, farther for the way home. */
type Node = { unrolledM: number; alongM: number; night: Stop | undefined };

const HOUR_MS = 3_600_000;
/** Nobody leaves before this, by the clocks of the base. */
const MORNING = '08:30';

const daysOf = ({ from, to, zone }: CanalAsked): string[] => {
  const days = [dateOf(from, zone)];
  while (days.at(-1)! < dateOf(to, zone)) days.push(shiftDay(days.at(-1)!, 1));
  return days;
};

/** A day as it is reckoned with: when one may be under way, and when what is on the line is open. */
type Light = { day: string; fromMs: number; toMs: number; openings: ReadonlyMap<string, Opening>; obstacles: readonly Stop[] };

const lightOf = (asked: CanalAsked, obstacles: readonly Stop[], day: string): Light | undefined => {
  const light = asked.light(day);
  if (!light) return undefined;
  const morning = Date.parse(instantOf(`${day}T${MORNING}`, asked.zone));
  return {
    day,
    fromMs: Math.max(morning, light.fromMs, Date.parse(asked.from)),
    toMs: Math.min(light.toMs, Date.parse(asked.to)),
    openings: openingsOn(obstacles, day, asked.zone),
    obstacles,
  };
};

/** Nights out and home between the base and a turning place, in the order one comes to them. */
const unrolled = (asked: CanalAsked, turn: Stop): Node[] => {
  const { line, baseM } = asked;
  const reachM = Math.abs(turn.alongM - baseM);
  const sign = Math.sign(turn.alongM - baseM) || 1;
  const out = nightStops(line)
    .map((night) => ({ night, outM: (night.alongM - baseM) * sign }))
    .filter(({ outM }) => outM > 0 && outM <= reachM)
    .sort((a, b) => a.outM - b.outM);
  return [
    { unrolledM: 0, alongM: baseM, night: undefined },
    ...out.map(({ night, outM }) => ({ unrolledM: outM, alongM: night.alongM, night })),
    // A mooring at the very turning place is passed once.
    ...[...out]
      .reverse()
      .filter(({ outM }) => outM < reachM)
      .map(({ night, outM }) => ({ unrolledM: 2 * reachM - outM, alongM: night.alongM, night })),
    { unrolledM: 2 * reachM, alongM: baseM, night: undefined },
  ];
};

/** One day from a place of the way to a later one; nothing where it cannot be done in its light, or something is shut. */
const dayBetween = (asked: CanalAsked, turn: Stop, a: Node, b: Node, light: Light): CanalDay | undefined => {
  const { line, speedMs, baseM } = asked;
  const reachM = Math.abs(turn.alongM - baseM);
  const turns = a.unrolledM <= reachM && b.unrolledM > reachM;
  const way = { speedMs, obstacles: light.obstacles, openings: light.openings };
  const legs = turns
    ? [
        { fromM: a.alongM, toM: turn.alongM },
        { fromM: turn.alongM, toM: b.alongM },
      ]
    : [{ fromM: a.alongM, toM: b.alongM }];
  let [atMs, underWayMs] = [light.fromMs, 0];
  const passed: Passed[] = [];
  for (const [i, leg] of legs.entries()) {
    if (i > 0) {
      atMs += CANAL_MINUTES.turn * 60_000;
      underWayMs += CANAL_MINUTES.turn * 60_000;
    }
    const done = travel({ ...way, ...leg, leaveMs: atMs });
    if (!done) return undefined;
    atMs = done.arriveMs;
    underWayMs += done.underWayMs;
    passed.push(...done.passed);
  }
  // Who stays needs no light.
  if (a.unrolledM !== b.unrolledM && atMs > light.toMs) return undefined;
  const ends = legs.flatMap(({ fromM, toM }) => [fromM, toM]);
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  return {
    day: light.day,
    leaveMs: light.fromMs,
    arriveMs: atMs,
    underWayMs: Math.round(underWayMs),
    fromM: a.alongM,
    night: b.night,
    turns: turns ? turn : undefined,
    passed,
    serves: line.stops.filter(
      (stop) =>
        (stop.kind === 'water' || stop.kind === 'pumpOut') && stop.alongM >= low && stop.alongM <= high && !isShutOn(stop, light.day),
    ),
  };
};

/** What is come to along the way out and home, in order: a place for a night, the turning place, or something to be let through. */
type Event = { unrolledM: number; takesMs: number; node: number | undefined; obstacle: Stop | undefined };

const eventsOf = (asked: CanalAsked, turn: Stop, nodes: readonly Node[], obstacles: readonly Stop[]): Event[] => {
  const { baseM } = asked;
  const reachM = Math.abs(turn.alongM - baseM);
  const sign = Math.sign(turn.alongM - baseM) || 1;
  const through = obstacles.flatMap((obstacle): Event[] => {
    const outM = (obstacle.alongM - baseM) * sign;
    const takesMs = passingMs(obstacle);
    return outM > 0 && outM < reachM
      ? [outM, 2 * reachM - outM].map((unrolledM) => ({ unrolledM, takesMs, node: undefined, obstacle }))
      : [];
  });
  const turning: Event = { unrolledM: reachM, takesMs: CANAL_MINUTES.turn * 60_000, node: undefined, obstacle: undefined };
  const stops = nodes.map(({ unrolledM }, node): Event => ({ unrolledM, takesMs: 0, node, obstacle: undefined }));
  // Sorting keeps what lies at one place in order: who lies at the turning place turns in the morning.
  return [...stops, turning, ...through].sort((a, b) => a.unrolledM - b.unrolledM);
};

type Reached = { node: number; underWayMs: number };

/** From a place of the way, every later one that a day's light and openings allow. */
const reachedFrom = (events: readonly Event[], start: number, speedMs: number, light: Light): Reached[] => {
  let k = events.findIndex(({ node }) => node === start);
  let [atM, atMs, underWayMs] = [events[k]!.unrolledM, light.fromMs, 0];
  const found: Reached[] = [{ node: start, underWayMs: 0 }];
  for (k += 1; k < events.length; k += 1) {
    const { unrolledM, takesMs, node, obstacle } = events[k]!;
    const ms = ((unrolledM - atM) / speedMs) * 1000;
    [atM, atMs, underWayMs] = [unrolledM, atMs + ms, underWayMs + ms];
    if (atMs > light.toMs) break;
    const opening = obstacle && light.openings.get(obstacle.id);
    if (opening && atMs > opening.toMs) break;
    if (opening && atMs < opening.fromMs) atMs = opening.fromMs;
    // Whole milliseconds: days of one length are alike, whatever way they were summed up.
    if (node !== undefined) found.push({ node, underWayMs: Math.round(underWayMs) });
    [atMs, underWayMs] = [atMs + takesMs, underWayMs + takesMs];
  }
  return found;
};

/**
 * Ends of days along the way, one after the other, with the least total; each at a later place than it began at, or where it
 * began: a day to stay. @param reached by day and place where it begins @param add what a day makes of the total
 */
const fewest = (
  asked: CanalAsked,
  nodes: readonly Node[],
  lights: readonly Light[],
  reached: (d: number, from: number) => readonly Reached[],
  mostMs: number,
  add: (total: number, underWayMs: number) => number,
): { total: number; ends: number[] } | undefined => {
  const last = nodes.length - 1;
  let best = new Map([[0, { total: 0, ends: [] as number[] }]]);
  for (const [d, { day }] of lights.entries()) {
    const next: typeof best = new Map();
    const final = d === lights.length - 1;
    const wanted = asked.nights?.[day];
    for (const [i, so] of best) {
      for (const { node: j, underWayMs } of reached(d, i)) {
        if (underWayMs > mostMs) break;
        // On the last day only the base will do; who is due early in the morning lies there the night before.
        if (final ? j !== last : j === 0) continue;
        if (!final && wanted !== undefined && nodes[j]!.night?.id !== wanted) continue;
        const total = add(so.total, underWayMs);
        if (total < (next.get(j)?.total ?? Infinity)) next.set(j, { total, ends: [...so.ends, j] });
      }
    }
    best = next;
  }
  return best.get(last);
};

/** The days to a turning place and home that keep the longest of them shortest, and among those the ones most alike (least sum of squares). */
const daysTo = (asked: CanalAsked, lights: readonly Light[], obstacles: readonly Stop[], turn: Stop): CanalDay[] | undefined => {
  const nodes = unrolled(asked, turn);
  const events = eventsOf(asked, turn, nodes, obstacles);
  const known = new Map<number, Reached[]>();
  const reached = (d: number, from: number): Reached[] => {
    const key = d * nodes.length + from;
    const found = known.get(key) ?? reachedFrom(events, from, asked.speedMs, lights[d]!);
    known.set(key, found);
    return found;
  };
  // The longest day and the sum at once have no optimal parts: first the one, then the other under its bound.
  const longest = fewest(asked, nodes, lights, reached, asked.hoursADay * HOUR_MS, Math.max);
  const even = longest && fewest(asked, nodes, lights, reached, longest.total, (squares, ms) => squares + (ms / HOUR_MS) ** 2);
  return even?.ends.flatMap((end, d) => dayBetween(asked, turn, nodes[even.ends[d - 1] ?? 0]!, nodes[end]!, lights[d]!) ?? []);
};

/** @returns the days, to the turning place that was chosen or else to the farthest one that can be had */
export const canalPlan = (asked: CanalAsked): CanalPlan => {
  const obstacles = obstaclesOf(asked.line.stops);
  const lights = daysOf(asked).map((day) => lightOf(asked, obstacles, day));
  // Where the sun does not rise nobody plans a day.
  const lit = lights.flatMap((light) => light ?? []);
  const turnings = asked.line.stops
    .filter(({ kind }) => kind === 'turning')
    .sort((a, b) => Math.abs(b.alongM - asked.baseM) - Math.abs(a.alongM - asked.baseM));
  const chosen = turnings.find(({ id }) => id === asked.turnAt);
  for (const turn of chosen ? [chosen] : turnings) {
    const days = lit.length === lights.length ? daysTo(asked, lit, obstacles, turn) : undefined;
    if (days) return { is: 'plan', turn, days };
  }
  return chosen ? { is: 'cannot', turn: chosen } : { is: 'none' };
};

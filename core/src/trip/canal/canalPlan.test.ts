import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { Waters } from '../../waters/zone';
import { type CanalLine, canalLineOf, KEPT_CLEAR_M, nightStops, shutBetween, type Stop } from './canalLine';
import { type CanalAsked, type CanalDay, canalPlan } from './canalPlan';
import { CANAL_MINUTES, obstaclesOf, openingsOn, travel } from './travel';

const cut = Waters.parse(JSON.parse(readFileSync('demo/waters/tarn-cut.geojson', 'utf8')));
const HOUR = 3_600_000;
const zone = 'UTC';
const at = (kind: Stop['kind'], km: number, hours?: [string, string]): Stop => ({
  id: `${kind}-${km}`,
  name: `${kind} ${km}`,
  kind,
  alongM: km * 1000,
  hours: hours && { from: hours[0], to: hours[1] },
});
const lineOf = (...stops: Stop[]): CanalLine => ({ lengthM: 60_000, limitMs: undefined, stops });
const asked = (line: CanalLine, over: Partial<CanalAsked> = {}): CanalAsked => ({
  line,
  baseM: 0,
  // 3.6 km an hour: a kilometre is a thousand seconds.
  speedMs: 1,
  zone,
  from: '2026-06-13T08:30:00.000Z',
  to: '2026-06-15T14:00:00.000Z',
  light: (day) => ({ fromMs: Date.parse(`${day}T05:00:00Z`), toMs: Date.parse(`${day}T20:00:00Z`) }),
  hoursADay: 8,
  ...over,
});
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);

describe('a leg along a canal', () => {
  const leg = (leave: string, stops: Stop[], fromKm = 0, toKm = 7.2) =>
    travel({
      fromM: fromKm * 1000,
      toM: toKm * 1000,
      leaveMs: Date.parse(`2026-06-13T${leave}:00Z`),
      speedMs: 1,
      obstacles: obstaclesOf(stops),
      openings: openingsOn(stops, '2026-06-13', zone),
    });

  it('takes its distance, its locks and its queues, and waits for what opens: hand-worked', () => {
    // Two hours for 7.2 km, and a lock with its queue: twenty minutes.
    expect(clock(leg('09:00', [at('lock', 3.6)])!.arriveMs)).toBe('11:20');
    expect(leg('09:00', [at('lock', 3.6)])!.underWayMs).toBe(2 * HOUR + (CANAL_MINUTES.lock + CANAL_MINUTES.queue) * 60_000);
    // There at ten, open from half past: an hour and a half more for the rest of it.
    const waited = leg('09:00', [at('lock', 3.6, ['10:30', '17:00'])])!;
    expect(clock(waited.arriveMs)).toBe('11:50');
    expect(waited.passed[0]!.waitedMs).toBe(HOUR / 2);
    // Closed by the time one is there.
    expect(leg('16:30', [at('lock', 3.6, ['10:30', '17:00'])])).toBeUndefined();
    // A fixed bridge costs nothing, one that moves does; home as well as out.
    expect(clock(leg('09:00', [at('bridge', 3)])!.arriveMs)).toBe('11:00');
    expect(clock(leg('09:00', [at('bridge', 3, ['08:00', '20:00'])], 7.2, 0)!.arriveMs)).toBe('11:13');
  });
});

/** Every way to choose nights, tried one by one. */
const exhaustive = (of: CanalAsked, turn: Stop): { worst: number; squares: number } | undefined => {
  const reach = Math.abs(turn.alongM - of.baseM);
  const nights = nightStops(of.line).filter(({ alongM }) => alongM > 0 && alongM <= reach);
  const days: string[] = [];
  for (let ms = Date.parse(of.from.slice(0, 10)); ms <= Date.parse(of.to.slice(0, 10)); ms += 24 * HOUR)
    days.push(new Date(ms).toISOString().slice(0, 10));
  /** Out to it, or on the way home, or home. */
  type At = { m: number; home: boolean };
  const places: At[] = [
    ...nights.map(({ alongM }) => ({ m: alongM, home: false })),
    ...nights.filter(({ alongM }) => alongM < reach).map(({ alongM }) => ({ m: alongM, home: true })),
    { m: 0, home: true },
  ];
  let best: { worst: number; squares: number } | undefined;
  const go = (d: number, from: At, worst: number, squares: number) => {
    const day = days[d]!;
    const light = of.light(day)!;
    const leaveMs = Math.max(light.fromMs, Date.parse(`${day}T08:30:00Z`), Date.parse(of.from));
    const final = d === days.length - 1;
    for (const to of final ? [{ m: 0, home: true }] : places) {
      if (from.home && !to.home) continue;
      if (from.home === to.home && (to.home ? to.m > from.m : to.m < from.m)) continue;
      const legs =
        from.home === to.home
          ? [[from.m, to.m]]
          : [
              [from.m, reach],
              [reach, to.m],
            ];
      let [atMs, under] = [leaveMs, 0];
      let open = true;
      for (const [k, [fromM, toM]] of legs.entries()) {
        if (k > 0) [atMs, under] = [atMs + CANAL_MINUTES.turn * 60_000, under + CANAL_MINUTES.turn * 60_000];
        const done = travel({
          fromM: fromM!,
          toM: toM!,
          leaveMs: atMs,
          speedMs: of.speedMs,
          obstacles: obstaclesOf(of.line.stops),
          openings: openingsOn(
            of.line.stops.map(({ shut: _, ...stop }) => stop),
            day,
            zone,
          ),
        });
        if (!done || done.passed.some(({ stop: { shut } }) => shut && day >= shut.from && day <= shut.to)) {
          open = false;
          break;
        }
        [atMs, under] = [done.arriveMs, under + done.underWayMs];
      }
      if (!open || atMs > Math.min(light.toMs, Date.parse(of.to)) || under > of.hoursADay * HOUR) continue;
      const ms = Math.round(under);
      const [w, s] = [Math.max(worst, ms), squares + (ms / HOUR) ** 2];
      if (!final) go(d + 1, to, w, s);
      else if (!best || w < best.worst || (w === best.worst && s < best.squares)) best = { worst: w, squares: s };
    }
  };
  go(0, { m: 0, home: false }, 0, 0);
  return best;
};
const sums = (days: readonly CanalDay[]) => ({
  worst: Math.max(...days.map(({ underWayMs }) => underWayMs)),
  squares: days.reduce((sum, { underWayMs }) => sum + (underWayMs / HOUR) ** 2, 0),
});

describe('days on a canal', () => {
  it('are as even as exhaustive search finds them, on small canals of all sorts', () => {
    const km = fc.integer({ min: 1, max: 24 }).map((n) => n + 0.37);
    const some = (kind: Stop['kind'], most: number) =>
      fc
        .uniqueArray(km, { maxLength: most })
        .map((all) => all.map((one) => at(kind, kind === 'lock' ? one + 0.2 : kind === 'bridge' ? one + 0.5 : one)));
    const shut = fc.uniqueArray(km, { maxLength: 2 }).map((all) => all.map((one) => at('bridge', one + 0.7, ['10:00', '15:00'])));
    // A lock that is shut on some of the three days, or on none of them.
    const works = fc.tuple(fc.integer({ min: 12, max: 16 }), fc.integer({ min: 0, max: 2 }));
    let [plans, withWorks] = [0, 0];
    fc.assert(
      fc.property(
        some('mooring', 5),
        some('lock', 3),
        shut,
        fc.integer({ min: 6, max: 22 }),
        fc.integer({ min: 4, max: 10 }),
        works,
        (moorings, locks, bridges, turnKm, hoursADay, [first, days]) => {
          const turn = at('turning', turnKm);
          const shut = { from: `2026-06-${first}`, to: `2026-06-${first + days}` };
          const closing = locks.map((lock, i) => (i === 0 ? { ...lock, shut } : lock));
          const of = asked(lineOf(...moorings, ...closing, ...bridges, turn), { hoursADay });
          const found = canalPlan(of);
          const best = exhaustive(of, turn);
          expect(found.is === 'plan').toBe(best !== undefined);
          if (found.is !== 'plan' || !best) return;
          plans += 1;
          if (found.days.some(({ passed }) => passed.some(({ stop }) => stop.shut))) withWorks += 1;
          const { worst, squares } = sums(found.days);
          expect(worst).toBe(best.worst);
          expect(squares).toBeCloseTo(best.squares, 6);
        },
      ),
      { numRuns: 150 },
    );
    // Of what is made up enough can be done at all.
    expect(plans).toBeGreaterThan(20);
    expect(withWorks).toBeGreaterThan(3);
  });

  it('on the Cut: nights only where one may lie, in the light, home by the last morning', () => {
    const line = canalLineOf(cut)!;
    const of = asked(line, {
      speedMs: 1.5,
      from: '2026-06-13T11:30:00.000Z',
      to: '2026-06-19T08:00:00.000Z',
      hoursADay: 6,
      light: (day) => ({ fromMs: Date.parse(`${day}T06:00:00Z`), toMs: Date.parse(`${day}T19:00:00Z`) }),
    });
    const found = canalPlan({ ...of, to: '2026-06-19T12:00:00.000Z' });
    if (found.is !== 'plan') throw new Error(found.is);
    expect(found.days).toHaveLength(7);
    for (const { night, arriveMs, day } of found.days.slice(0, -1)) {
      if (!night) continue;
      expect(night.kind).toBe('mooring');
      for (const { kind, alongM } of line.stops)
        if (kind === 'lock' || kind === 'bridge' || kind === 'water')
          expect(Math.abs(alongM - night.alongM)).toBeGreaterThanOrEqual(KEPT_CLEAR_M);
      expect(arriveMs).toBeLessThanOrEqual(Date.parse(`${day}T19:00:00Z`));
    }
    expect(found.days.at(-1)!.night).toBeUndefined();
    expect(found.days.filter(({ turns }) => turns)).toHaveLength(1);
    // A day less, and one does not come as far, or not in fewer hours a day.
    const shorter = canalPlan({ ...of, to: '2026-06-17T12:00:00.000Z' });
    if (shorter.is !== 'plan') throw new Error(shorter.is);
    expect(shorter.turn.alongM).toBeLessThanOrEqual(found.turn.alongM);
    // A lock that is shut all week ends the way before it.
    const third = line.stops.filter(({ kind }) => kind === 'lock')[2]!;
    const closed: CanalLine = {
      ...line,
      stops: line.stops.map((stop) => (stop === third ? { ...stop, hours: { from: '03:00', to: '03:10' } } : stop)),
    };
    const before = canalPlan({ ...of, line: closed, to: '2026-06-17T12:00:00.000Z' });
    if (before.is !== 'plan') throw new Error(before.is);
    expect(before.turn.alongM).toBeLessThan(third.alongM);
  });

  it('a lock that is shut from some day on is passed before: the round is shorter by the days on its far side', () => {
    const line = canalLineOf(cut)!;
    const of = asked(line, {
      speedMs: 1.5,
      from: '2026-06-13T11:30:00.000Z',
      to: '2026-06-17T12:00:00.000Z',
      hoursADay: 6,
      light: (day) => ({ fromMs: Date.parse(`${day}T06:00:00Z`), toMs: Date.parse(`${day}T19:00:00Z`) }),
    });
    const open = canalPlan(of);
    if (open.is !== 'plan') throw new Error(open.is);
    const first = open.days[0]!.passed.find(({ stop }) => stop.kind === 'lock')!.stop;
    expect(open.days.at(-1)!.passed.map(({ stop }) => stop.id)).toContain(first.id);
    const shutFrom = (from: string, stop: Stop): CanalLine => ({
      ...line,
      stops: line.stops.map((one) => (one.id === stop.id ? { ...one, shut: { from, to: '2026-06-30' } } : one)),
    });
    // Shut from the last day on: home through it by the day before.
    const closing = shutFrom('2026-06-17', first);
    const shorter = canalPlan({ ...of, line: closing });
    if (shorter.is !== 'plan') throw new Error(shorter.is);
    expect(shorter.days.at(-1)!.passed.map(({ stop }) => stop.id)).not.toContain(first.id);
    expect(shorter.turn.alongM).toBeLessThanOrEqual(open.turn.alongM);
    expect(shutBetween(closing, '2026-06-13', '2026-06-17').map(({ id }) => id)).toEqual([first.id]);
    expect(shutBetween(closing, '2026-06-13', '2026-06-16')).toEqual([]);
    // Shut from the day after the hire on it bears on nothing.
    expect(canalPlan({ ...of, line: shutFrom('2026-06-18', first) })).toMatchObject({ is: 'plan', turn: { id: open.turn.id } });
    // Shut for all of it nobody gets past it; where it stands before the first turning place there is nowhere to go.
    const never = canalPlan({ ...of, line: shutFrom('2026-06-01', first) });
    if (never.is === 'plan') expect(never.turn.alongM).toBeLessThan(first.alongM);
  });

  it('a bridge that never moves takes no time, and nobody passes it on days of works', () => {
    const bridge: Stop = { ...at('bridge', 3), shut: { from: '2026-06-14', to: '2026-06-14' } };
    const legOn = (day: string) =>
      travel({
        fromM: 0,
        toM: 7200,
        leaveMs: Date.parse(`${day}T09:00:00Z`),
        speedMs: 1,
        obstacles: obstaclesOf([bridge]),
        openings: openingsOn([bridge], day, zone),
      });
    expect(clock(legOn('2026-06-13')!.arriveMs)).toBe('11:00');
    expect(legOn('2026-06-14')).toBeUndefined();
    expect(clock(legOn('2026-06-15')!.arriveMs)).toBe('11:00');
  });

  it('who is due at breakfast lies at the base the night before', () => {
    const line = canalLineOf(cut)!;
    const found = canalPlan(asked(line, { speedMs: 1.5, to: '2026-06-16T07:30:00.000Z', hoursADay: 6 }));
    if (found.is !== 'plan') throw new Error(found.is);
    expect(found.days.map(({ night }) => night !== undefined)).toEqual([true, true, false, false]);
    expect(found.days.at(-1)!.underWayMs).toBe(0);
  });

  it('move when a night is chosen, and say when a wish cannot be had', () => {
    const line = canalLineOf(cut)!;
    const of = asked(line, { speedMs: 1.5, to: '2026-06-17T12:00:00.000Z', hoursADay: 6 });
    const first = canalPlan(of);
    if (first.is !== 'plan') throw new Error(first.is);
    const other = nightStops(line).find(({ id, alongM }) => id !== first.days[0]!.night!.id && alongM < first.days[0]!.night!.alongM)!;
    const moved = canalPlan({ ...of, nights: { '2026-06-13': other.id } });
    if (moved.is !== 'plan') throw new Error(moved.is);
    expect(moved.days[0]!.night!.id).toBe(other.id);
    expect(moved.days.at(-1)!.arriveMs).toBeLessThanOrEqual(Date.parse('2026-06-17T12:00:00.000Z'));
    const farthest = line.stops.filter(({ kind }) => kind === 'turning').at(-1)!;
    expect(canalPlan({ ...of, turnAt: farthest.id, to: '2026-06-14T12:00:00.000Z' })).toEqual({ is: 'cannot', turn: farthest });
    expect(canalPlan({ ...of, hoursADay: 0.2 })).toEqual({ is: 'none' });
  });
});

import type { Finding } from '../findings/finding';
import { PUMP_OVER, shownLevel } from '../fuel/readings';
import { currentOf, type HireRecord } from '../events/record';
import { evidenceGiven, reported } from '../condition/events';
import { workDone, workJudged } from './events';
import type { Mark } from '../condition/marks';
import type { Book } from '../fleet/book';

/**
 * What must happen to a boat before the next hire, read off the record of the hire that came in. It is done when somebody
 * says so and shows it; nothing is ever struck off by itself.
 */
export type Work = {
  /** Stays the same however often it is worked out: words about it point here. */
  key: string;
  station: string | undefined;
  /** Holds the boat for the next hire until it is done. */
  unsafe: boolean;
  done: Done | undefined;
} & Task;

export type Task =
  | { is: 'replace'; fitting: string; pieces: number; why: 'missing' | 'used' | 'damaged' | 'unsealed' | 'swapped' }
  /** It lies at another station than the book says. */
  | { is: 'putBack'; fitting: string }
  | { is: 'repair'; mark: Mark }
  | { is: 'propeller'; propeller: string; sizeMm: number | undefined }
  /** Found at return other than it should be: a switch, rubbish, how clean she is. */
  | { is: 'putRight'; check: string; way: string; note: string | undefined }
  /** Litres to its brim, as far as anybody knows. */
  | { is: 'refuel' | 'fill' | 'pumpOut'; tank: string; litres: number }
  /** Somebody reported it from afloat. */
  | { is: 'fault' | 'knock'; note: string; photos: readonly string[] };

export type Done = { note: string | undefined; photos: readonly string[]; by: string; at: string };

/** A defect that an earlier hire left and nobody has settled. */
export type Defect = { hire: string; key: string; station?: string | undefined } & (
  | { is: 'repair'; mark: Mark }
  | { is: 'said'; note: string }
  /** Something of the book, by its id. */
  | { is: 'thing'; thing: string }
);

/** Emptier than this, and she is filled up before she leaves; fuller than this, and she is pumped out. */
const FILL_UNDER = 0.9;

/** Flaws that may let water in or a hand through: somebody looks before the next party comes. */
const UNSAFE_MARKS: readonly Mark['kind'][] = ['crack', 'tear', 'missing'];

/** Decisions by which there is nothing to mend. */
const NOTHING_TO_MEND = ['known', 'notDamage', 'found'];

type Bare = Task & { key: string; station?: string | undefined; unsafe: boolean };

const tankWork = (record: HireRecord, book: Book, findings: readonly Finding[]): Bare[] =>
  book.tanks.flatMap((tank): Bare[] => {
    const fuel = findings.find((one) => one.topic === 'fuel' && one.tank.id === tank.id);
    const at = (fuel?.topic === 'fuel' ? fuel.fuel?.in?.value : undefined) ?? shownLevel(record, book, tank, 'in');
    if (at === undefined) return [];
    const station = book.gauges.find((gauge) => gauge.tank === tank.id)?.station;
    const share = at / tank.capacityL;
    const is = tank.holds === 'waste' ? 'pumpOut' : tank.holds === 'fresh' ? 'fill' : tank.holds === 'gas' ? undefined : 'refuel';
    if (!is || (is === 'pumpOut' ? share <= PUMP_OVER : share >= FILL_UNDER)) return [];
    return [{ key: `${is}/${tank.id}`, is, tank: tank.id, litres: is === 'pumpOut' ? at : tank.capacityL - at, station, unsafe: false }];
  });

const TO_REPLACE = ['missing', 'used', 'damaged', 'unsealed', 'swapped'] as const;
const isToReplace = (is: string): is is (typeof TO_REPLACE)[number] => TO_REPLACE.some((one) => one === is);

const findingWork = (record: HireRecord, finding: Finding): Bare[] => {
  const { key, station, decision } = finding;
  if (decision !== undefined && NOTHING_TO_MEND.includes(decision)) return [];
  if (finding.topic === 'count' && finding.is === 'moved')
    return [{ key, is: 'putBack', fitting: finding.fitting.id, station, unsafe: false }];
  if (finding.topic === 'count' && isToReplace(finding.is))
    return [
      {
        key,
        is: 'replace',
        fitting: finding.fitting.id,
        pieces: Math.max(1, finding.pieces),
        why: finding.is,
        station,
        unsafe: finding.fitting.safety === true && finding.is !== 'used',
      },
    ];
  if (finding.topic === 'mark' && (finding.is === 'new' || finding.is === 'grown' || finding.is === 'cannotTell') && finding.in)
    return [{ key, is: 'repair', mark: finding.in, station, unsafe: UNSAFE_MARKS.includes(finding.in.kind) }];
  if (finding.topic === 'check' && finding.way)
    return [{ key, is: 'putRight', check: finding.check.id, way: finding.way.id, note: finding.note, station, unsafe: false }];
  if (finding.topic === 'propeller' && finding.is !== 'known' && finding.is !== 'notSeen') {
    const given = currentOf(record, ['in', 'propeller', finding.propeller.id], evidenceGiven)?.value;
    return [
      {
        key,
        is: 'propeller',
        propeller: finding.propeller.id,
        sizeMm: given?.sizeMm,
        station,
        unsafe: given?.state === 'flawOverLimit',
      },
    ];
  }
  return [];
};

const reportedWork = (record: HireRecord): Bare[] =>
  (currentOf(record, ['reported'], reported)?.currentEvents ?? []).flatMap(({ event: { id, body } }): Bare[] =>
    body.kind === 'reported'
      ? [
          {
            key: `${body.what}/${id}`,
            is: body.what,
            note: body.note,
            photos: body.photos,
            station: body.station,
            unsafe: body.what === 'fault',
          },
        ]
      : [],
  );

/** Everything to be done before the next hire, what holds her first, then in the order of the walk. */
export const workOf = (record: HireRecord, book: Book, findings: readonly Finding[]): Work[] => {
  const all = [...reportedWork(record), ...findings.flatMap((one) => findingWork(record, one)), ...tankWork(record, book, findings)];
  const stops = new Map(book.stations.map(({ id }, i) => [id, i]));
  const place = (work: Work) => (work.station === undefined ? stops.size : (stops.get(work.station) ?? stops.size));
  return all
    .map((work): Work => {
      const said = currentOf(record, ['work', work.key], workDone);
      const judged = currentOf(record, ['unsafe', work.key], workJudged);
      return {
        ...work,
        station: work.station,
        unsafe: judged?.value.unsafe ?? work.unsafe,
        done: said && { note: said.value.note, photos: said.value.photos, by: said.by.actor.id, at: said.by.event.at },
      };
    })
    .sort(
      (a, b) => Number(a.done !== undefined) - Number(b.done !== undefined) || Number(b.unsafe) - Number(a.unsafe) || place(a) - place(b),
    );
};

/**
 * What of a hire's work holds the boat for the next one. Equipment and propellers are looked at anew at every departure and
 * hold her there by what is found then; a flaw in the boat and a fault somebody reported are not found again by counting.
 */
export const defectsOf = (hire: string, work: readonly Work[]): Defect[] =>
  work.flatMap((one): Defect[] => {
    if (!one.unsafe || one.done) return [];
    const { key, station } = one;
    const base = { hire, key, ...(station === undefined ? {} : { station }) };
    if (one.is === 'repair') return [{ ...base, is: 'repair', mark: one.mark }];
    if (one.is === 'fault' || one.is === 'knock') return [{ ...base, is: 'said', note: one.note }];
    if (one.is === 'refuel' || one.is === 'fill' || one.is === 'pumpOut') return [{ ...base, is: 'thing', thing: one.tank }];
    return [];
  });

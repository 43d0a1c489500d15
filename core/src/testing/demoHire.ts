import type { Case } from '../party/ofHire';
import { type HireRecord } from '../events/record';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Base } from '../fleet/base';
import { BoatBook, ClassBook } from '../fleet/book';
import { mergeBooks } from '../fleet/merge';
import { HandoverPolicy } from '../fleet/handoverPolicy';
import type { Person } from '../party/people';
import { RuleSet } from '../party/rules';
import { Waters } from '../waters/zone';
import { digestOf } from '../events/canonical';
import { type EventBody, type StoredHireEvent } from '../record/event';
import type { Actor } from '../events/stored';
import { project } from '../record/project';

/** A hire of the demo operator's, with a party of five, for tests that want a boat true to her kind. */

const json = (...path: string[]): unknown => JSON.parse(readFileSync(join(__dirname, '../../..', ...path), 'utf8'));
const demo = (path: string): unknown => json('demo', path);

/** The book of a demo boat, merged over its classes. */
export const bookOfDemo = (boat: string, ...classes: string[]): Case['book'] => {
  const resolved = mergeBooks(
    classes.map((name) => ClassBook.parse(json('starters', 'classes', `${name}.json`))),
    BoatBook.parse(demo(`boats/${boat}.json`)),
  );
  if (!resolved.ok) throw new Error(JSON.stringify(resolved.faults));
  return resolved.book;
};

export const people: Person[] = [
  { id: 'a', name: 'Ines', age: 36, massKg: 64, swims: 'well', drives: true },
  { id: 'b', name: 'Olu', age: 38, massKg: 82, swims: 'well', lookout: true },
  ...['c', 'd', 'e'].map((id): Person => ({ id, name: id, age: 8, size: 'child', swims: 'weakly' })),
];
export const sheet = { salt: 'f'.repeat(32), party: { people } };
export const party: EventBody = { kind: 'partySet', sheet: digestOf(sheet), people: 5, children: 3 };

export const TODAY = '2026-06-13';
export const demoCase: Case = {
  hire: {
    id: 'h',
    boat: 'tuppenny-bun',
    from: `${TODAY}T09:00:00.000Z`,
    to: `${TODAY}T13:00:00.000Z`,
    party: { adults: 2, children: 3 },
  },
  book: bookOfDemo('tuppenny-bun', 'any-boat', 'pontoon-7'),
  base: Base.parse((demo('bases.json') as { bases: unknown[] }).bases[0]),
  waters: Waters.parse(demo('waters/lake-ossel.geojson')),
  rules: RuleSet.parse(demo('rules/ossel.json')),
  operator: HandoverPolicy.parse(demo('operator.json')),
  briefedBefore: {},
  sheets: [sheet],
};

/** Events a minute apart, as one phone made them. */
export const heldBy = (role: Actor['role'], bodies: readonly EventBody[]): StoredHireEvent[] =>
  bodies.map((body, i) => ({
    event: {
      id: `00000000-0000-7000-8000-${String(i + 1).padStart(12, '0')}`,
      v: 1,
      stream: 'h',
      device: 'd',
      deviceSeq: i + 1,
      at: new Date(Date.parse(`${TODAY}T08:00:00.000Z`) + i * 60_000).toISOString(),
      bookVersion: 1,
      replaces: [],
      body,
    },
    actor: { id: role, role },
  }));

export const recordOf = (...bodies: EventBody[]): HireRecord => project(heldBy('hand', bodies));

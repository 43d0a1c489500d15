import { briefingOf, languageOf } from '@quay/core/briefing/ofHire';
import type { StoredEvent } from '@quay/core/events/stored';
import { Base } from '@quay/core/fleet/base';
import { BoatBook, ClassBook } from '@quay/core/fleet/book';
import { mergeBooks } from '@quay/core/fleet/merge';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import { RuleSet } from '@quay/core/party/rules';
import { type Walk } from '@quay/core/events/parts';
import { type EventBody, type StoredHireEvent } from '@quay/core/record/event';
import type { Actor } from '@quay/core/events/stored';
import { project } from '@quay/core/record/project';
import { walkState } from '@quay/core/walk/walk';
import type { HirePack } from '@quay/contract/hire';
import boatBook from '../../../demo/boats/tuppenny-bun.json';
import bases from '../../../demo/bases.json';
import anyBoat from '../../../starters/classes/any-boat.json';
import classBook from '../../../starters/classes/pontoon-7.json';
import operator from '../../../demo/operator.json';
import rules from '../../../demo/rules/ossel.json';
import type { Entry } from '../local/outbox/save';
import { i18n } from '../i18n';
import { en } from '../i18n/en';
import { inside } from '../i18n/inside';
import { en as renterEn } from '../i18n/renter/en';
import { en as stopEn } from '../i18n/stop/en';
import type { WalkView } from '../local/useWalk';

// In the app the words come with the face that speaks them.
i18n.addResourceBundle('en', 'translation', en, true);
i18n.addResourceBundle('en', 'translation', inside, true);
i18n.addResourceBundle('en', 'translation', renterEn, true);
i18n.addResourceBundle('en', 'translation', stopEn, true);

const resolved = mergeBooks([ClassBook.parse(anyBoat), ClassBook.parse(classBook)], BoatBook.parse(boatBook));
if (!resolved.ok) throw new Error(JSON.stringify(resolved.faults));

/** The demo's Tuppenny Bun with a hire of today, for tests of screens. */
export const pack: HirePack = {
  hire: {
    id: 'h-1001',
    boat: 'tuppenny-bun',
    base: 'ossel-quay',
    renter: 'Ines Okonjo-Lind',
    contact: '+353 85 555 0142',
    language: 'en',
    handover: 'staffed',
    party: { adults: 4, children: 2 },
    from: '2026-06-13T09:00:00.000Z',
    to: '2026-06-13T13:00:00.000Z',
    depositMinor: 25_000,
    notes: '',
    version: 1,
  },
  boat: { id: 'tuppenny-bun', name: 'Tuppenny Bun', hullNumber: 'OS 104' },
  base: Base.parse(bases.bases[0]),
  waters: null,
  rules: RuleSet.parse(rules),
  operator: { ...HandoverPolicy.parse(operator), name: operator.name },
  briefedBefore: {},
  away: null,
  sheets: [],
  book: resolved.book,
  bookVersion: 1,
  prices: {
    version: 1,
    currency: 'EUR',
    fuelScheme: 'used',
    fuelIncludedL: 0,
    lateGraceMin: 15,
    damage: { policy: 'list' },
    breach: 'priced',
    prices: [
      { code: 'fender', name: { en: 'Fender' }, per: 'each', amountMinor: 3800, taxBp: 2000 },
      { code: 'petrol', name: { en: 'Petrol' }, per: 'litre', amountMinor: 205, taxBp: 2000 },
      { code: 'late-hour', name: { en: 'Late, per hour' }, per: 'hour', amountMinor: 4800, taxBp: 0 },
    ],
  },
  previousSeal: null,
  seals: [],
  signerSalt: 'salt',
  statementNumber: null,
};

/** What a phone made; a row may say who made it, on which phone, and what it replaces. */
export type Made = EventBody | { body: EventBody; device?: string; role?: Actor['role']; replaces?: readonly string[] };

/** Ids of events as {@link heldOf} gives them, for what covers them. */
export const idsOf = (rows: readonly Made[]): string[] =>
  rows.map((_, i) => `${String(i + 1).padStart(8, '0')}-0000-7000-8000-000000000000`);

/** So many of a fitting, all of them as they should be. */
export const counted = (walk: Walk, fitting: string, count: number): EventBody => ({
  kind: 'counted',
  walk,
  fitting,
  count,
  state: 'fine',
});

/** Her propeller looked at on both walks, and sound. */
export const soundPropeller: EventBody[] = (['out', 'in'] as const).map((walk) => ({
  kind: 'evidenceGiven',
  walk,
  propeller: pack.book.propellers[0]!.id,
  state: 'sound',
  photos: [],
}));

const SHA = 'a'.repeat(64);
/** A walk that was made so, sealed. */
export const sealed = (walk: Walk, rows: readonly Made[]): Made[] => [
  ...rows,
  { kind: 'sealed', walk, covers: idsOf(rows), photos: [], previous: null, root: SHA, signature: '', key: SHA },
];

/** Events as phones made them, a second apart. */
export const heldOf = (rows: readonly Made[]): StoredHireEvent[] => {
  const ids = idsOf(rows);
  return rows.map((row, i): StoredHireEvent => {
    const id = ids[i]!;
    const { body, device = 'd1', role = 'hand', replaces = [] } = 'body' in row ? row : { body: row };
    return {
      event: {
        id,
        v: 1,
        stream: 'h-1001',
        device,
        deviceSeq: i + 1,
        at: new Date(Date.parse('2026-06-13T08:30:00.000Z') + i * 1000).toISOString(),
        bookVersion: 1,
        replaces: [...replaces],
        body,
      },
      actor: { id: role, role },
    };
  });
};

/** A walk standing at a stop, with what is entered kept in a list instead of on a phone. */
export const viewOf = (
  stored: readonly StoredHireEvent[],
  walk: Walk,
  station: string,
): { view: WalkView; entered: EventBody[]; undone: StoredEvent[] } => {
  const entered: EventBody[] = [];
  const undone: StoredEvent[] = [];
  const record = project(stored);
  const briefing = briefingOf(record, pack);
  const stops = walkState(record, pack.book, walk, briefing);
  const take = (entries: readonly (EventBody | Entry)[]) => {
    entered.push(...entries.map((entry) => ('body' in entry ? entry.body : entry)));
    return Promise.resolve([]);
  };
  const view: WalkView = {
    pack,
    record,
    events: stored.map((one) => ({ id: one.event.id, hire: 'h-1001', state: 'synced', stored: one, grant: undefined, addedAt: 0 })),
    add: take,
    undo: (what) => {
      undone.push(...what);
      return Promise.resolve([]);
    },
    allDrawn: () => Promise.resolve(),
    sheets: pack.sheets,
    unsent: undefined,
    walk,
    alone: false,
    briefing,
    stops,
    at: stops.findIndex((stop) => stop.station.id === station),
    jump: () => undefined,
    enter: take,
    begun: true,
    sealed: false,
    language: 'en',
    theirs: languageOf(record, pack.hire),
  };
  return { view, entered, undone };
};

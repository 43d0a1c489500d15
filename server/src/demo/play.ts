import type { HireRow } from '../platform/database/tables';
import { bookOf } from '../topics/fleet/book';
import { fuelTanks } from '@quay/core/fuel/readings';
import { briefingOf } from '@quay/core/briefing/ofHire';
import { type Case, dayOfUse, fitOf } from '@quay/core/party/ofHire';
import { generateKeyPairSync, type KeyObject, randomUUID, sign } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import sharp from 'sharp';
import * as z from 'zod/mini';
import type { Mark } from '@quay/core/condition/marks';
import { MARK_KINDS } from '@quay/core/condition/marks';
import { stateOf, HIRE_STATES } from '@quay/core/day/board';
import type { Book } from '@quay/core/fleet/book';
import { litresAt } from '@quay/core/fuel/level';
import { routeOf } from '@quay/core/fleet/route';
import { chance } from '@quay/core/number/chance';
import type { Person } from '@quay/core/party/people';
import { commit } from '@quay/core/events/canonical';
import { type Walk } from '@quay/core/events/parts';
import { type EventBody, type HireEvent, type StoredHireEvent } from '@quay/core/record/event';
import { EVENT_VERSION } from '@quay/core/events/version';
import { findingsOf, needsDecision } from '@quay/core/findings/findings';
import { project, sealContent } from '@quay/core/record/project';
import { pageDigest, pageOf } from '@quay/core/walk/readback';
import { sealMessage } from '@quay/core/events/seal';
import type { Sheet } from '@quay/contract/fit';
import { integrationsOf } from '../integrations/integrations';
import { closeHire, draftOf } from '../topics/settlement/closing';
import { groundOf, keepSheet } from '../topics/party/party';
import type { Store } from '../platform/database/open';
import { heldBefore, settlePayments } from '../topics/settlement/payment';
import { appendPhoto } from '../topics/photo/upload';
import { appendEvents } from '../topics/record/delivery';
import { wholeRecord } from '../topics/record/record';
import { refresh } from '../topics/record/refresh';
import { appendQuayEvent } from '../topics/record/quayEvent';
import { hashToken, newToken } from '../platform/signIn/secret';
import { type QuayKey, readHandoverPolicy } from '../platform/database/setting';

const MarkSpec = z.object({ surface: z.string(), x: z.number(), y: z.number(), kind: z.enum(MARK_KINDS), sizeMm: z.number() });
const PlayFile = z.object({
  format: z.literal('quay-play/1'),
  about: z.string(),
  hires: z.array(
    z.object({
      hire: z.string(),
      by: z.string(),
      upTo: z.enum(HIRE_STATES),
      /** Stops tied, while she is still being walked. */
      stations: z.optional(z.int()),
      fuelOut: z.optional(z.number()),
      fuelIn: z.optional(z.number()),
      hours: z.optional(z.number()),
      late: z.optional(z.number()),
      /** Litres by the pump's meter with which the operator filled her to the brim at return. */
      brimL: z.optional(z.number()),
      missing: z.optional(z.record(z.string(), z.int())),
      /** Ways in which things were found at return, where not as they should be. */
      found: z.optional(z.record(z.string(), z.string())),
      newMark: z.optional(MarkSpec),
      /** Held before she is walked out; once she is out it is, unless said otherwise. */
      deposit: z.optional(z.boolean()),
    }),
  ),
});
type Play = z.infer<typeof PlayFile>['hires'][number];

/** A made-up photograph of a hull side with its mark, so that nothing real is ever shown. */
const photograph = (mark: z.infer<typeof MarkSpec> | undefined, seed: number): Promise<Buffer> => {
  const hue = 150 + (seed % 5) * 9;
  const scratch = mark
    ? `<path d="M${mark.x * 700 + 60} ${200 + mark.y * 60} q60 ${20 + (seed % 20)} 130 26" stroke="#D9D4C3" stroke-width="7" fill="none" stroke-linecap="round"/>`
    : '';
  // What every hull has and no two have alike: her number in strokes, rivets, rubs and specks.
  const { within, next } = chance(seed * 977 + 5);
  const letters = Array.from({ length: 5 }, (_, i) => {
    const at = () => `${560 + i * 46 + within(0, 30)} ${within(236, 286)}`;
    return `M${at()}L${at()}L${at()}L${at()}`;
  }).join('');
  const specks = Array.from({ length: 150 }, () => {
    const [x, y, r] = [within(10, 890), within(225, 440), within(1.5, 5)];
    return `<circle cx="${x}" cy="${y}" r="${r}" fill="${next() < 0.5 ? '#10201b' : '#b9c4b4'}" fill-opacity="${within(0.25, 0.8)}"/>`;
  }).join('');
  const hers = `<path d="${letters}" stroke="#E9E0CB" stroke-width="7" fill="none" stroke-linejoin="round"/>${specks}`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="600"><defs><linearGradient id="h" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="hsl(${hue} 26% 34%)"/><stop offset="1" stop-color="hsl(${hue} 30% 19%)"/></linearGradient></defs><rect width="900" height="600" fill="#9DBFC6"/><path d="M0 130Q480 80 900 176V450Q450 426 0 474Z" fill="url(#h)"/><path d="M0 130Q480 80 900 176V206Q480 112 0 164Z" fill="#E9E0CB"/><path d="M0 474Q450 426 900 450V600H0Z" fill="#7FA7AE"/><g stroke="#DCE9EA" stroke-opacity=".35" stroke-width="5"><path d="M40 530h200M330 546h260M130 572h130M560 516h190"/></g>${hers}${scratch}</svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 82 }).toBuffer();
};

/** A made-up signature. */
const scrawl = (seed: number): Promise<Buffer> => {
  const wave = Array.from(
    { length: 9 },
    (_, i) => `q${10 + ((seed * 7 + i * 13) % 14)} ${i % 2 ? 26 : -30} ${24 + ((seed + i) % 9)} ${((seed * (i + 3)) % 17) - 8}`,
  ).join('');
  return sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="120"><path d="M30 74${wave}" fill="none" stroke="#17211E" stroke-width="4" stroke-linecap="round"/></svg>`,
    ),
  )
    .png()
    .toBuffer();
};

type Phone = { device: string; key: KeyObject; fingerprint: string; seq: number };

/** Plays invented hires up to the state wanted of them, through the same record, seals and closing as real ones. */
export const play = async (store: Store, key: QuayKey, file: string, now: Date): Promise<void> => {
  const { hires } = PlayFile.parse(JSON.parse(readFileSync(file, 'utf8')));
  const pair = generateKeyPairSync('ec', { namedCurve: 'prime256v1' });
  const spki = pair.publicKey.export({ type: 'spki', format: 'der' });
  const fingerprint = createHash('sha256').update(spki).digest('hex');
  const phone: Phone = { device: randomUUID(), key: pair.privateKey, fingerprint, seq: 0 };
  await store.db('device').insert({
    id: phone.device,
    name: 'Quay phone (simulated)',
    token: hashToken(newToken()),
    enrolled: true,
    createdAt: now.toISOString(),
    key: spki.toString('base64'),
    keyFingerprint: fingerprint,
  });
  for (const [i, one] of hires.entries()) await playHire(store, key, phone, one, i, now);
};

const GROWN_UPS = ['Arlo', 'Brennick', 'Cass', 'Delphie', 'Eskil', 'Fenna', 'Gide', 'Hollis', 'Isolde', 'Jorun'];
const CHILDREN = ['Kip', 'Lune', 'Moss', 'Nell', 'Otto'];

/** Whoever comes along on an invented hire: the renter drives, the next grown-up looks out. */
const madeUpParty = (hire: Pick<HireRow, 'adults' | 'children'>, renter: string, seed: number): Person[] => [
  ...Array.from({ length: hire.adults }, (_, i): Person => ({
    id: `p${i + 1}`,
    name: i === 0 ? renter : GROWN_UPS[(seed + i) % GROWN_UPS.length]!,
    age: 28 + ((seed * 7 + i * 11) % 38),
    massKg: 58 + ((seed * 5 + i * 13) % 34),
    swims: i % 4 === 3 ? 'weakly' : 'well',
    ...(i === 0 ? { drives: true, licence: true } : i === 1 ? { lookout: true } : {}),
  })),
  ...Array.from({ length: hire.children }, (_, i): Person => ({
    id: `p${hire.adults + i + 1}`,
    name: CHILDREN[(seed + i) % CHILDREN.length]!,
    age: 6 + ((seed + i * 3) % 5),
    size: 'child',
    swims: i % 2 === 0 ? 'weakly' : 'well',
  })),
];

const playHire = async (store: Store, key: QuayKey, phone: Phone, one: Play, seed: number, now: Date) => {
  const hire = await store.db('hire').where({ id: one.hire }).first();
  if (!hire) throw new Error(`play.json: there is no hire ${one.hire}`);
  const found = await bookOf(store.db, hire.boat, undefined);
  const staff = await store.db('staff').where({ id: one.by }).first('id', 'role');
  if (!found || !staff) throw new Error(`play.json: ${one.hire} lacks its boat’s book or its hand ${one.by}`);
  const { book, version } = found;
  const held: StoredHireEvent[] = [];
  // Before departure a walk takes half an hour; coming in, a quarter. Nothing lies in the future.
  let clock = Math.min(Date.parse(hire.from) - 30 * 60_000, now.getTime() - 20 * 60_000);
  const add = (body: EventBody) => {
    clock = Math.min(clock + 25_000, now.getTime() - 1000);
    const event: HireEvent = {
      id: uuidv7({ msecs: clock, seq: (phone.seq += 1) }),
      v: EVENT_VERSION,
      stream: hire.id,
      device: phone.device,
      deviceSeq: phone.seq,
      at: new Date(clock).toISOString(),
      bookVersion: version,
      replaces: [],
      body,
    };
    held.push({ event, actor: staff });
  };
  const has = () => stateOf(project(held));
  const sha = async (bytes: Promise<Buffer>) => {
    const data = await bytes;
    const name = createHash('sha256').update(data).digest('hex');
    const stored = await appendPhoto(store, {
      hire: hire.id,
      sha: name,
      offset: 0,
      size: data.length,
      bytes: data,
      now: new Date(clock).toISOString(),
    });
    if (!stored.ok) throw new Error(`made-up photograph refused: ${stored.fault}`);
    return name;
  };
  const salt = (await store.db('person').where({ id: hire.renter }).first('salt'))!.salt;
  const signAndSeal = async (walk: Walk) => {
    const boat = (await store.db('boat').where({ id: hire.boat }).first('name', 'lastSeal'))!;
    const page = pageDigest(pageOf(project(held), book, walk, boat.name, 'en'));
    add({
      kind: 'signed',
      walk,
      as: 'renter',
      page,
      language: 'en',
      signer: commit(salt, 'renter'),
      drawing: await sha(scrawl(seed + 3)),
    });
    add({
      kind: 'signed',
      walk,
      as: 'staff',
      page,
      language: 'en',
      signer: commit(salt, staff.id),
      drawing: await sha(scrawl(seed + 11)),
    });
    const content = sealContent(held, boat.lastSeal);
    const signature = sign('sha256', Buffer.from(sealMessage(hire.id, walk, content.root)), {
      key: phone.key,
      dsaEncoding: 'ieee-p1363',
    }).toString('base64');
    add({ kind: 'sealed', walk, ...content, signature, key: phone.fingerprint });
  };
  const deliver = async () => {
    const taken = await appendEvents(store.db, {
      hire: hire.id,
      newestBook: version,
      device: phone.device,
      actor: staff,
      events: held.map(({ event }) => event),
      behindMs: 0,
      now: now.toISOString(),
    });
    if (taken.refused.length > 0) throw new Error(`${one.hire}: ${JSON.stringify(taken.refused[0])}`);
    await refresh(store.db, hire.id, key, now.toISOString());
  };

  if (hire.depositMinor > 0 && (one.deposit ?? !['booked', 'walkingOut', 'readyToGo'].includes(one.upTo)))
    await appendQuayEvent(store.db, hire.id, {
      body: {
        kind: 'depositAnswered',
        attempt: `played-${hire.id}`,
        amountMinor: hire.depositMinor,
        answer: 'authorised',
        reference: 'made up',
      },
      seq: 1,
      bookVersion: version,
      now: new Date(clock - 60_000).toISOString(),
    });
  const ground = await groundOf(store.db, hire.id);
  if (!ground) throw new Error(`play.json: ${one.hire} lacks its base`);
  const { name: renter } = (await store.db('person').where({ id: hire.renter }).first('name'))!;
  const sheet: Sheet = { salt, party: { people: madeUpParty(hire, renter, seed) } };
  const of: Case = {
    ...ground,
    hire: { id: hire.id, boat: hire.boat, from: hire.from, to: hire.to, party: { adults: hire.adults, children: hire.children } },
    book,
    operator: await readHandoverPolicy(store.db),
    briefedBefore: {},
    sheets: [sheet],
  };
  if (one.upTo !== 'booked') {
    add({
      kind: 'partySet',
      sheet: await keepSheet(store.db, hire.id, sheet, now.toISOString()),
      people: sheet.party.people.length,
      children: hire.children,
    });
    for (const { person, rack } of fitOf(project(held), of, dayOfUse(of, now.toISOString()))?.given ?? [])
      add({ kind: 'jacketGiven', person, fitting: rack.fitting, where: rack.where });
    const told = new Set(briefingOf(project(held), of).tell.map(({ point }) => point.id));
    await walkStations(book, 'out', one, seed, told, add, sha);
  }
  if (one.upTo !== 'booked' && one.upTo !== 'walkingOut') {
    await signAndSeal('out');
    clock = Math.max(clock, Math.min(Date.parse(hire.from) + (seed % 5) * 60_000, now.getTime() - 60_000));
    if (one.upTo !== 'readyToGo') add({ kind: 'castOff' });
  }
  if (['walkingIn', 'settling', 'closed'].includes(one.upTo)) {
    clock = Math.min(Date.parse(hire.to) + (one.late ?? 0) * 60_000, now.getTime() - 8 * 60_000);
    add({ kind: 'cameIn' });
    await walkStations(book, 'in', one, seed, new Set(), add, sha);
    const tank = fuelTanks(book)[0];
    if (one.brimL !== undefined && tank) add({ kind: 'fuelFilled', tank: tank.id, litres: one.brimL, brim: true, by: 'operator' });
  }
  if (one.upTo === 'settling' || one.upTo === 'closed') await signAndSeal('in');
  if (one.upTo === 'closed')
    for (const finding of findingsOf(project(held), book, hire).filter(needsDecision))
      add({ kind: 'findingDecided', finding: finding.key, decision: 'renters' });
  await deliver();
  if (one.upTo === 'closed') {
    const whole = await wholeRecord(store.db, hire.id);
    const closed = await closeHire(
      store.db,
      hire.id,
      { totalMinor: (await draftOf(store.db, hire, whole)).totalMinor, events: whole.held.length },
      now.toISOString(),
    );
    if (!closed.ok) throw new Error(`${one.hire} cannot be closed: ${closed.reason} ${JSON.stringify(closed.figures)}`);
    // As at the desk: what is owed is taken from what is held, and the rest is let go.
    const { cardTerminal: terminal } = integrationsOf(
      true,
      () => store.db,
      heldBefore,
      () => now,
    );
    const paid = await settlePayments({ db: store.db, terminal, clock: () => now }, hire.id);
    if (!paid.ok || paid.state !== 'done') throw new Error(`${one.hire} cannot be settled: ${JSON.stringify(paid)}`);
    await refresh(store.db, hire.id, key, now.toISOString());
  } else if (has() !== one.upTo) throw new Error(`${one.hire} came to ${has()}, not ${one.upTo}`);
};

/** Fuel as a share of the tank shown on each gauge, with the little errors that real gauges have. */
const shownOf = (gauge: Book['gauges'][number], book: Book, walk: Walk, one: Play): number => {
  const level = (walk === 'out' ? one.fuelOut : one.fuelIn) ?? 0.9;
  const fuel = book.tanks.some(({ id, holds }) => id === gauge.tank && (holds === 'petrol' || holds === 'diesel'));
  const round = (v: number) => Math.round(v / (gauge.step ?? 0.1)) * (gauge.step ?? 0.1);
  const tank = book.tanks.find(({ id }) => id === gauge.tank);
  if (tank && gauge.reads === 'totaliser') {
    const used = ((one.fuelOut ?? 0.9) - (one.fuelIn ?? 0.9)) * tank.capacityL;
    return Math.round((3.4 + (walk === 'in' ? used : 0)) * 10) / 10;
  }
  // Up the dipstick until there is as much in the tank.
  if (tank && gauge.unit === 'mm') {
    let mm = gauge.min;
    while (mm < gauge.max && litresAt(tank, mm) < level * tank.capacityL) mm += 1;
    return mm;
  }
  if (fuel) return Math.round(round(gauge.min + (gauge.max - gauge.min) * (gauge.reads === 'needle' ? level - 0.03 : level)) * 1000) / 1000;
  if (gauge.reads === 'counter') return Math.round((1240.4 + (walk === 'in' ? (one.hours ?? 2) : 0)) * 10) / 10;
  if (gauge.unit === 'V') return gauge.min > 20 ? 51.2 : 12.6;
  return gauge.unit === '%' ? (walk === 'out' ? 98 : 61) : gauge.min + 1;
};

const walkStations = async (
  book: Book,
  walk: Walk,
  one: Play,
  seed: number,
  /** Points of the briefing that was composed for this party. */
  told: ReadonlySet<string>,
  add: (body: EventBody) => void,
  sha: (bytes: Promise<Buffer>) => Promise<string>,
) => {
  const partly = (walk === 'out' && one.upTo === 'walkingOut') || (walk === 'in' && one.upTo === 'walkingIn');
  const stops = routeOf(book).slice(0, partly ? (one.stations ?? 2) : undefined);
  add({ kind: 'walkStarted', walk });
  for (const stop of stops) {
    if (walk === 'out')
      for (const point of stop.points)
        if (told.has(point.id)) add({ kind: 'pointBriefed', walk, point: point.id, how: 'said', language: 'en' });
    for (const fitting of stop.fittings)
      add({
        kind: 'counted',
        walk,
        fitting: fitting.id,
        count: fitting.count - (walk === 'in' ? (one.missing?.[fitting.id] ?? 0) : 0),
        state: 'fine',
        ...(walk === 'in' && !one.missing?.[fitting.id] ? { asBefore: true as const } : {}),
      });
    for (const gauge of stop.gauges) add({ kind: 'gaugeRead', walk, gauge: gauge.id, shown: shownOf(gauge, book, walk, one) });
    for (const surface of stop.surfaces) {
      const picture = await sha(photograph(walk === 'in' && one.newMark?.surface === surface.id ? one.newMark : undefined, seed));
      // One old flaw a hull, known to everybody.
      if (surface.id === 'port-side') {
        const old: Mark = {
          id: `old-${one.hire}`,
          surface: surface.id,
          x: 0.2 + 0.05 * seed,
          y: 0.8,
          kind: 'chip',
          sizeMm: 12,
          photos: [picture],
        };
        add({ kind: 'markPlaced', walk, mark: old, ...(walk === 'in' ? { asBefore: true as const } : {}) });
      }
      if (walk === 'in' && one.newMark?.surface === surface.id)
        add({ kind: 'markPlaced', walk, mark: { ...one.newMark, id: `new-${one.hire}`, photos: [picture] } });
      add({ kind: 'surfaceSeen', walk, surface: surface.id, photos: [picture] });
    }
    for (const propeller of stop.propellers) add({ kind: 'evidenceGiven', walk, propeller: propeller.id, state: 'sound', photos: [] });
    if (walk === 'in')
      for (const { id, ways } of stop.checks) add({ kind: 'asFound', walk, check: id, way: one.found?.[id] ?? ways[0]!.id, photos: [] });
    if (walk === 'out')
      for (const { id } of book.drills.filter(({ needed, station }) => needed && station === stop.station.id))
        add({ kind: 'drillDone', drill: id, how: 'onBoat', by: 'driver', mistakes: [], seconds: 90 });
    add({ kind: 'stationCompleted', walk, station: stop.station.id });
  }
};

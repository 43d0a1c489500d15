import { photograph, scrawl, madeUpParty } from './madeUp';
import { PlayFile, type Play } from './playFile';
import { bookOf } from '../topics/fleet/book';
import { fuelTanks } from '@quay/core/fuel/readings';
import { briefingOf } from '@quay/core/briefing/ofHire';
import { type Case, dayOfUse, fitOf } from '@quay/core/party/ofHire';
import { generateKeyPairSync, type KeyObject, randomUUID, sign } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import type { Mark } from '@quay/core/condition/marks';
import { stateOf } from '@quay/core/day/board';
import type { Book } from '@quay/core/fleet/book';
import { litresAt } from '@quay/core/fuel/level';
import { routeOf } from '@quay/core/fleet/route';
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
import { groundOf, storeSheet } from '../topics/party/party';
import type { Store } from '../platform/database/open';
import { heldBefore, settlePayments } from '../topics/settlement/payment';
import { appendPhoto } from '../topics/photo/upload';
import { appendEvents } from '../topics/record/delivery';
import { wholeRecord } from '../topics/record/record';
import { refresh } from '../topics/record/refresh';
import { appendQuayEvent } from '../topics/record/quayEvent';
import { hashToken, newToken } from '../platform/signIn/secret';
import { type QuayKey, readHandoverPolicy } from '../platform/database/setting';

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

const playHire = async (store: Store, key: QuayKey, phone: Phone, one: Play, seed: number, now: Date) => {
  const hire = await store.db('hire').where({ id: one.hire }).first();
  if (!hire) throw new Error(`play.json: there is no hire ${one.hire}`);
  const found = await bookOf(store.db, hire.boat, undefined);
  const staff = await store.db('staff').where({ id: one.by }).first('id', 'role');
  if (!found || !staff) throw new Error(`play.json: ${one.hire} lacks its boat’s book or its hand ${one.by}`);
  const { book, version } = found;
  const stored: StoredHireEvent[] = [];
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
    stored.push({ event, actor: staff });
  };
  const has = () => stateOf(project(stored));
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
    const page = pageDigest(pageOf(project(stored), book, walk, boat.name, 'en'));
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
    const content = sealContent(stored, boat.lastSeal);
    const signature = sign('sha256', Buffer.from(sealMessage(hire.id, walk, content.root)), {
      key: phone.key,
      dsaEncoding: 'ieee-p1363',
    }).toString('base64');
    add({ kind: 'sealed', walk, ...content, signature, key: phone.fingerprint });
  };
  const deliver = async () => {
    const taken = await appendEvents(store.db, {
      hire: hire.id,
      newestBook: () => version,
      device: phone.device,
      actor: staff,
      events: stored.map(({ event }) => event),
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
      sheet: await storeSheet(store.db, hire.id, sheet, now.toISOString()),
      people: sheet.party.people.length,
      children: hire.children,
    });
    for (const { person, rack } of fitOf(project(stored), of, dayOfUse(of, now.toISOString()))?.given ?? [])
      add({ kind: 'jacketGiven', person, fitting: rack.fitting, where: rack.where });
    const briefed = new Set(briefingOf(project(stored), of).toBrief.map(({ point }) => point.id));
    await walkStations(book, 'out', one, seed, briefed, add, sha);
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
    for (const finding of findingsOf(project(stored), book, hire).filter(needsDecision))
      add({ kind: 'findingDecided', finding: finding.key, decision: 'renters' });
  await deliver();
  if (one.upTo === 'closed') {
    const whole = await wholeRecord(store.db, hire.id);
    const closed = await closeHire(
      store.db,
      hire.id,
      { totalMinor: (await draftOf(store.db, hire, whole)).totalMinor, events: whole.stored.length },
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
  briefed: ReadonlySet<string>,
  add: (body: EventBody) => void,
  sha: (bytes: Promise<Buffer>) => Promise<string>,
) => {
  const partly = (walk === 'out' && one.upTo === 'walkingOut') || (walk === 'in' && one.upTo === 'walkingIn');
  const stops = routeOf(book).slice(0, partly ? (one.stations ?? 2) : undefined);
  add({ kind: 'walkStarted', walk });
  for (const stop of stops) {
    if (walk === 'out')
      for (const point of stop.points)
        if (briefed.has(point.id)) add({ kind: 'pointBriefed', walk, point: point.id, how: 'said', language: 'en' });
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

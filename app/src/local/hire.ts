import { fetchEvents } from './outbox/fetch';
import { NotSignedIn } from './outbox/author';
import type { Away } from '@quay/core/castOff/matter';
import { cameIn, castOff } from '@quay/core/trip/events';
import { currentOf, type HireRecord } from '@quay/core/events/record';
import { partySet } from '@quay/core/party/events';
import { type Day, getDay, getHire, type HirePack } from '@quay/contract/hire';
import { boardOf, stateOf } from '@quay/core/day/board';
import { digestOf } from '@quay/core/events/canonical';
import type { StoredEvent } from '@quay/core/events/stored';
import { type EventBody, type StoredHireEvent } from '@quay/core/record/event';
import { happenedAt } from '@quay/core/events/stored';
import { project } from '@quay/core/record/project';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call, NoAnswer, Refused } from './api';
import { savePack } from './prefetch';
import { now as present } from '../platform/clock';
import { isPart, localDb, type LocalDay, type LocalEvent, readMe, write } from './localDb';
import { speakIn } from '../ui/units';
import { useSnack } from '../ui/controls/snack';
import { DoesNotFit, type Entry, saveEvents } from './outbox/save';
import { usePending, useUndrawn } from './usePending';
import { packOfUnsent, unsentState, useHiresHere, withHiresHere } from './walkIn/saved';

/** The record of a hire cannot be read on this phone: something in it is not as it should be. */
export class Unreadable extends Error {}

/** What the entries of a hire come to, as far as they are part of its record. */
const readRecord = (events: readonly LocalEvent[]): HireRecord<EventBody> | Unreadable => {
  try {
    return project(events.filter(isPart).map(({ stored }) => stored));
  } catch (error) {
    return new Unreadable((error as Error).message, { cause: error });
  }
};

/** Asks the quay, keeps the answer, and without signal gives what was kept. */
export const orSaved = async <T>(
  ask: () => Promise<T>,
  put: (value: T) => Promise<unknown>,
  saved: () => Promise<T | undefined>,
): Promise<T> => {
  // A screen may outlive by a moment the one who was signed in; the quay is not asked in nobody's name.
  if (!(await readMe())) throw new NotSignedIn();
  try {
    const value = await ask();
    await put(value);
    return value;
  } catch (error) {
    const old = error instanceof NoAnswer ? await saved() : undefined;
    if (old === undefined) throw error;
    return old;
  }
};

export const saveDay = (day: LocalDay) => write(['days'], (tx) => tx.objectStore('days').put(day));

export const packQuery = (hireId: string) =>
  queryOptions({
    queryKey: ['hire', hireId],
    queryFn: async () => {
      const pack =
        // The quay knows nothing yet of what was booked here without signal.
        (await packOfUnsent(hireId)) ??
        (await orSaved<HirePack>(
          () => call(getHire, { params: { hireId } }),
          (fetched) => savePack({ ...fetched, id: hireId }),
          async () => (await localDb()).get('packs', hireId),
        ));
      // A renter knows the operator by their hire alone.
      speakIn(pack.operator.units);
      return pack;
    },
  });

export const dayQuery = (base: string | undefined) =>
  queryOptions({
    queryKey: ['day', base ?? ''],
    queryFn: () =>
      orSaved<Day & { keptAt: number }>(
        async () => ({ ...(await call(getDay, { query: base === undefined ? {} : { base } })), keptAt: present() }),
        (day) => saveDay({ ...day, id: base ?? '' }),
        async () => (await localDb()).get('days', base ?? ''),
      ),
    refetchInterval: 30_000,
  });

/** The board, with what this phone has entered and not yet sent already on it. */
export const useBoard = (base: string | undefined, now: number) => {
  const query = useQuery(dayQuery(base));
  const here = useHiresHere();
  const pending = usePending(['events'], async () => (await localDb()).getAllFromIndex('events', 'state', 'pending'), []);
  const touched = useMemo(() => [...new Set((pending ?? []).map(({ hire }) => hire))].sort().join(), [pending]);
  const records = usePending(
    ['events'],
    async () => {
      const db = await localDb();
      const ids = touched.split(',').filter(Boolean);
      const rows = await Promise.all(ids.map((id) => db.getAllFromIndex('events', 'hire', id)));
      return new Map(
        ids.flatMap((id, i) => {
          const read = readRecord(rows[i]!);
          // One that cannot be read here stands as the quay says; it stops no other.
          return read instanceof Unreadable ? [] : [[id, read] as const];
        }),
      );
    },
    [touched],
  );
  // What was laid over the board has reached the quay (or begun to wait): its answer of before is no longer the day.
  const { refetch } = query;
  const laidOver = useRef(touched);
  useEffect(() => {
    if (laidOver.current === touched) return;
    laidOver.current = touched;
    void refetch();
  }, [touched, refetch]);
  const minute = Math.floor(now / 15_000);
  const board = useMemo(() => {
    const hires =
      query.data &&
      withHiresHere(query.data, here).map((hire) => {
        const record = records?.get(hire.id);
        if (!record) return hire;
        const at = (of: typeof castOff | typeof cameIn) => {
          const found = currentOf(record, [of.kind], of);
          return found ? new Date(happenedAt(found.by)).toISOString() : null;
        };
        return { ...hire, state: stateOf(record), castOffAt: at(castOff), cameInAt: at(cameIn) };
      });
    return hires && boardOf(hires, new Date(minute * 15_000).toISOString());
  }, [query.data, here, records, minute]);
  return { ...query, board };
};

/** Who has the boat: the quay's word, put right by what this phone holds of her other hires. */
const awayNow = (said: HirePack['away'], others: readonly { pack: HirePack; events: readonly LocalEvent[] }[]): Away | undefined => {
  let away = said ?? undefined;
  for (const { pack, events } of others) {
    const record = readRecord(events);
    if (record instanceof Unreadable) continue;
    const left = currentOf(record, ['castOff'], castOff);
    const out = left !== undefined && stateOf(record) === 'out';
    if (out && left)
      away = { hire: pack.hire.id, renter: pack.hire.renter, castOffAt: new Date(happenedAt(left.by)).toISOString(), due: pack.hire.to };
    else if (away?.hire === pack.hire.id) away = undefined;
  }
  return away;
};

export type HireView = {
  pack: HirePack;
  record: HireRecord<EventBody>;
  events: LocalEvent[];
  /** Sheets of people, from the quay and from this phone. */
  sheets: HirePack['sheets'];
  /** Who is out with the boat now, as far as this phone and the quay know; nobody, or this hire itself. */
  away?: Away | undefined;
  /** Booked on this phone without signal, and not at the quay: on its way, or refused. */
  unsent: 'pending' | 'refused' | undefined;
  add: (entries: readonly (EventBody | Entry)[]) => Promise<StoredHireEvent[]>;
  undo: (stored: readonly StoredEvent[]) => Promise<StoredHireEvent[]>;
  /** Once all that was entered here before is drawn. */
  allDrawn: () => Promise<void>;
};

/** One hire as it stands on this phone: its pack, its record, and the way to add to it. */
export const useHire = (
  hireId: string,
): {
  view: HireView | undefined;
  error: Error | null;
  /** The quay answers whoever is here no more: a session that ended, a link withdrawn. */
  shut: boolean;
  refetch: () => void;
} => {
  const { t } = useTranslation();
  const snack = useSnack();
  // Whoever waits for the boat sees her come back without loading the page again.
  const query = useQuery({ ...packQuery(hireId), refetchInterval: ({ state }) => (state.data?.away ? 8000 : false) });
  const events = usePending(['events'], async () => (await localDb()).getAllFromIndex('events', 'hire', hireId), [hireId]);
  const own = usePending(['sheets'], async () => (await localDb()).getAllFromIndex('sheets', 'hire', hireId), [hireId]);
  const boat = query.data?.boat.id;
  // Booked here without signal: from the moment it is at the quay, the quay's word is asked for.
  const bookedHere = useHiresHere()?.find(({ id }) => id === hireId);
  const unsent = bookedHere && unsentState(bookedHere);
  const { refetch: askAgain } = query;
  const wasUnsent = useRef(unsent);
  useEffect(() => {
    if (wasUnsent.current !== undefined && unsent === undefined) void askAgain();
    wasUnsent.current = unsent;
  }, [unsent, askAgain]);
  // A phone knows of the boat's other hires what it has entered itself, which the quay may not have yet.
  const others = usePending(
    ['events', 'packs'],
    async () => {
      if (boat === undefined) return [];
      const db = await localDb();
      const ids = (await db.getAllKeysFromIndex('packs', 'boat', boat)).filter((id) => id !== hireId);
      const found = await Promise.all(
        ids.map(async (id) => {
          const events = await db.getAllFromIndex('events', 'hire', id);
          // A pack is large; one of a hire of which nothing happened here has nothing to say.
          const pack = events.length > 0 ? await db.get('packs', id) : undefined;
          return pack && { pack, events };
        }),
      );
      return found.filter((one) => one !== undefined);
    },
    [boat, hireId],
  );
  const away = useMemo(() => query.data && awayNow(query.data.away, others ?? []), [query.data, others]);
  // Until the quay has been asked once, an empty record may only mean that it has not come yet.
  const [asked, setAsked] = useState<string>();
  const [shut, setShut] = useState(false);
  useEffect(() => {
    const fetch = () =>
      fetchEvents(hireId)
        .then(() => setShut(false))
        .catch((error: unknown) => {
          if (!(error instanceof NoAnswer) && !(error instanceof Refused)) throw error;
          if (error instanceof Refused && error.problem.status === 401) setShut(true);
        })
        .finally(() => setAsked(hireId));
    void fetch();
    const timer = setInterval(() => void fetch(), 8000);
    return () => clearInterval(timer);
  }, [hireId]);
  const read = useMemo(() => events && readRecord(events), [events]);
  const { entering, allDrawn } = useUndrawn(useMemo(() => new Set(events?.map(({ id }) => id)), [events]));
  const record = read instanceof Unreadable ? undefined : read;
  const pack = query.data;
  const sheets = useMemo(() => [...(pack?.sheets ?? []), ...(own ?? []).map(({ sheet }) => sheet)], [pack, own]);
  // Somebody else entered the party; its sheet comes with the next pack.
  const wanted = record && currentOf(record, ['party'], partySet)?.value.sheet;
  const { refetch } = query;
  useEffect(() => {
    if (wanted !== undefined && pack && own && !sheets.some((sheet) => digestOf(sheet) === wanted)) void refetch();
  }, [wanted, pack, own, sheets, refetch]);
  const add = useCallback(
    (entries: readonly (EventBody | Entry)[]) => {
      if (!pack || !record) throw new Error('the hire is not here yet');
      const saving = saveEvents(
        hireId,
        { version: record.bookVersion ?? pack.bookVersion, boat: pack.boat.id },
        entries.map((entry) => ('body' in entry ? entry : { body: entry })),
        { record, events: (events ?? []).filter(isPart).map(({ stored }) => stored) },
      );
      entering(saving);
      // Whoever asked is told as well; a form stays open with what was typed.
      saving.catch((problem: unknown) => {
        if (problem instanceof DoesNotFit) snack({ text: t('pending.doesNotFit', { what: problem.message }) });
      });
      return saving;
    },
    [hireId, pack, record, events, entering, snack, t],
  );
  const undo = useCallback(
    (stored: readonly StoredEvent[]) => add([{ body: { kind: 'undone' }, replaces: stored.map(({ event }) => event.id) }]),
    [add],
  );
  const view = useMemo(
    () =>
      pack && record && events && (events.length > 0 || asked === hireId)
        ? { pack, record, events, sheets, away, unsent, add, undo, allDrawn }
        : undefined,
    [pack, record, events, sheets, away, unsent, asked, hireId, add, undo, allDrawn],
  );
  return { view, error: read instanceof Unreadable ? read : query.error, shut, refetch: () => void query.refetch() };
};

import { heldBefore } from '../topics/settlement/payment';
import { mkdtemp, rm } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Known } from '@quay/core/drill/faults';
import type { BookFault } from '@quay/core/fleet/merge';
import type { EventBody, HireEvent } from '@quay/core/record/event';
import { makeApp } from '../app';
import type { Gate } from '../platform/http/mount';
import { loadImport } from '../import/load';
import { readImport } from '../import/read';
import { type Integrations, integrationsOf } from '../integrations/integrations';
import { openStore, type Store } from '../platform/database/open';
import { type QuayKey, quayKey } from '../platform/database/setting';
import { Client, HAND, MANAGER } from './client';
import { eventWith } from './events';

export { Client, HAND, MANAGER };

export const DEMO = join(__dirname, '../../../demo');

export type TestQuay = {
  store: Store;
  key: QuayKey;
  integrations: Integrations;
  base: string;
  client(): Client;
  clock: { now: Date };
  stop(): Promise<void>;
};

/** Every state of every drill of the demo is looked at by core's own tests; here they count as looked at. */
class AllKnown extends Map<string, BookFault[]> {
  override get(): BookFault[] {
    return [];
  }
}
export const drillsKnown: Known = new AllKnown();

/** A quay with the demo's boats and bookings on a port of its own, in a folder that goes with it. */
export const testQuay = async ({
  simulated = true,
  proxies = [] as string[],
  gate = undefined as Gate | undefined,
  /** Nobody has set anything up. */
  empty = false,
} = {}): Promise<TestQuay> => {
  const folder = await mkdtemp(join(tmpdir(), 'quay-test-'));
  const store = await openStore(folder);
  const clock = { now: new Date('2026-06-13T10:42:00.000Z') };
  if (!empty) {
    const read = readImport(DEMO, clock.now.toISOString(), drillsKnown);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    await loadImport(store.db, read.data);
  }
  const key = await quayKey(store.db);
  const integrations = integrationsOf(simulated, () => store.db, heldBefore);
  const app = makeApp(
    { store, key, integrations, epoch: 'test', version: 'test', secureCookies: false, now: () => clock.now },
    undefined,
    proxies,
    gate,
  );
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    store,
    key,
    integrations,
    base,
    clock,
    client: () => new Client(base),
    stop: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await store.close();
      await rm(folder, { recursive: true, force: true });
    },
  };
};

/** Enrols a phone through a manager, and signs a hand in on it. */
export const handOn = async (quay: TestQuay, who = HAND): Promise<Client> => {
  const manager = quay.client();
  await manager.signIn(MANAGER);
  const { json } = await manager.send('POST', '/enrolments', {});
  const phone = quay.client();
  await phone.send('POST', '/devices', { code: json.code, name: 'Quay phone' });
  const signedIn = await phone.signIn(who);
  if (signedIn.status !== 200) throw new Error(`hand cannot sign in: ${JSON.stringify(signedIn.json)}`);
  return phone;
};

export const eventOf = (stream: string, device: string, body: EventBody, more: Partial<HireEvent> = {}): HireEvent =>
  eventWith(stream, device, body, '2026-06-13T10:40:00.000Z', more);
export const countOf = (count: number): EventBody => ({ kind: 'counted', walk: 'out', fitting: 'fenders', count, state: 'fine' });
/** An entry that names photographs, so that the quay takes them. */
export const naming = (stream: string, device: string, ...photos: string[]): HireEvent =>
  eventOf(stream, device, { kind: 'reported', what: 'fault', note: 'as pictured', photos });

import { heldBefore } from '../../server/src/topics/settlement/payment';
import type { AddressInfo } from 'node:net';
import { makeApp } from '../../server/src/app';
import { integrationsOf } from '../../server/src/integrations/integrations';
import { quayKey } from '../../server/src/platform/database/setting';
import { type Figure, figure, quantile, timed } from '../figure';
import { withDemoStore } from './temporary';

const HIRES = 10_000;

/** 10,000 hires over three years, sixty of them today at this base, answered over HTTP to somebody signed in. */
export const day = (): Promise<Figure[]> =>
  withDemoStore(async (store) => {
    const model = (await store.db('hire').where({ id: 'h-1001' }).first()) as Record<string, unknown>;
    const now = Date.now();
    const rows = Array.from({ length: HIRES }, (_, i) => {
      const today = i < 60;
      const from = today ? now + (i - 30) * 600_000 : now - 3 * 365 * 86_400_000 + ((i * 7919) % (3 * 365)) * 86_400_000;
      return {
        ...model,
        id: `b-${i}`,
        from: new Date(from).toISOString(),
        to: new Date(from + 4 * 3_600_000).toISOString(),
        state: today ? (i % 3 ? 'booked' : 'out') : 'closed',
        castOffAt: new Date(from).toISOString(),
      };
    });
    for (let i = 0; i < rows.length; i += 500) await store.db.batchInsert('hire', rows.slice(i, i + 500), 200);
    const quay = {
      store,
      key: await quayKey(store.db),
      integrations: integrationsOf(true, () => store.db, heldBefore),
      epoch: 'bench',
      version: 'bench',
      secureCookies: false,
      now: () => new Date(),
    };
    const server = makeApp(quay, undefined).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
    const signedIn = await fetch(`${url}/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Mina Garrow', secret: 'lamp on the long pier' }),
    });
    const cookie = signedIn.headers
      .getSetCookie()
      .map((line) => line.split(';')[0])
      .join('; ');
    const times: number[] = [];
    let listed = 0;
    for (let i = 0; i < 320; i += 1) {
      times.push(
        await timed(async () => {
          const answer = await fetch(`${url}/day?base=ossel-quay`, { headers: { cookie } });
          listed = ((await answer.json()) as { hires: unknown[] }).hires.length;
        }),
      );
    }
    await new Promise((resolve) => server.close(resolve));
    server.closeAllConnections();
    if (listed < 60) throw new Error(`the day lists ${listed} hires, at least 60 were put in`);
    return [figure('day among 10,000 hires, 95th percentile', quantile(times.slice(20), 0.95), 'ms', 30)];
  });

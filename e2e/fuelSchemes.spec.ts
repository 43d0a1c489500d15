import { idsFrom } from './ids';
import Database from 'better-sqlite3';
import { join } from 'node:path';
import { expect, PHONE, type QuayServer, test } from './quay';

type Scheme = { fuelScheme: 'used' | 'topUp' | 'included' | 'flat'; fuelIncludedL: number };

/** The same hire at an operator who settles fuel in another way. */
const settleBy = (quay: QuayServer, scheme: Scheme): void => {
  const db = new Database(join(quay.data, 'quay.sqlite'));
  for (const { version, body } of db.prepare('select version, body from priceList').all() as { version: number; body: string }[])
    db.prepare('update priceList set body = ? where version = ?').run(JSON.stringify({ ...JSON.parse(body), ...scheme }), version);
  db.close();
};

test(
  'one return, four ways to settle its fuel: what was used, topped up, over an allowance, and by the day',
  PHONE,
  async ({ bram, quay }) => {
    const { page } = bram;
    const fuel = page.locator(idsFrom('finding-fuel/'));
    const shown = async (): Promise<number> => {
      const price = /€(\d+\.\d\d)/.exec(await fuel.innerText());
      return price ? Math.round(Number(price[1]) * 100) : 0;
    };
    const settledBy = async (scheme: Scheme) => {
      settleBy(quay, scheme);
      await bram.open('/hire/h-1009/compare');
      await expect(fuel).toBeVisible();
      // What this phone kept is shown until the quay has answered.
      return expect.poll(shown);
    };
    await (await settledBy({ fuelScheme: 'used', fuelIncludedL: 0 })).toBeGreaterThan(40 * 184);
    const used = await shown();
    // Diesel is 1.84 a litre, by tenths of a litre.
    expect(Math.abs((used * 10) / 184 - Math.round((used * 10) / 184))).toBeLessThan(0.1);
    // Twenty litres are in the price of the hire.
    const over = used - 20 * 184;
    await (await settledBy({ fuelScheme: 'included', fuelIncludedL: 20 })).toBeLessThanOrEqual(over + 1);
    expect(await shown()).toBeGreaterThanOrEqual(over - 1);
    await (await settledBy({ fuelScheme: 'topUp', fuelIncludedL: 0 })).toBe(used);
    await (await settledBy({ fuelScheme: 'included', fuelIncludedL: 500 })).toBe(0);
    // Away for a little more than three days: four at 38.
    await (await settledBy({ fuelScheme: 'flat', fuelIncludedL: 0 })).toBe(4 * 3800);
  },
);

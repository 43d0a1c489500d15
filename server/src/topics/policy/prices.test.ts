import type { Prices, PriceTablePreview } from '@quay/contract/prices';
import { MANAGER, testQuay, type Client, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let manager: Client;
beforeEach(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterEach(() => quay.stop());

const now = async () => (await manager.send('GET', '/prices')).json as unknown as Prices;
const amountIn = (list: Prices['list'], code: string) => list.prices.find((price) => price.code === code)?.amountMinor;
/** Keeps a sum for a price, from a day on or from now on. */
const put = async (code: string, amountMinor: number, from?: string, seen?: number) => {
  const { list, version, planned } = await now();
  const {
    version: _,
    currency: _currency,
    breach: _breach,
    ...on
  } = planned.filter((one) => one.from <= (from ?? '')).at(-1)?.list ?? list;
  const body = {
    ...on,
    prices: on.prices.map((price) => (price.code === code ? { ...price, amountMinor } : price)),
    ...(from ? { from } : {}),
  };
  return manager.send('PATCH', '/prices', body, { 'if-match': `"${seen ?? version}"` });
};
/** Books a hire and says what a fender costs on it. */
const fenderOn = async (id: string, day: string) => {
  const { status } = await manager.send('POST', '/hires', {
    ...{ id, boat: 'brisk-otter', from: `${day}T09:00:00.000Z`, to: `${day}T12:00:00.000Z`, renter: 'Price Watcher', contact: '' },
    ...{ language: 'en', handover: 'staffed', party: { adults: 2, children: 0 }, depositMinor: 0, notes: '' },
  });
  const { priceVersion } = (await quay.store.db('hire').where({ id }).first('priceVersion'))!;
  const list = JSON.parse((await quay.store.db('priceList').where({ version: priceVersion }).first('body'))!.body) as Prices['list'];
  return [status, amountIn(list, 'fender')];
};

describe('a price raised for next month', () => {
  it('is for hires that begin then, whenever they are booked; whoever booked before keeps theirs', async () => {
    expect(await fenderOn('h-before', '2026-07-20')).toEqual([200, 3800]);
    const answer = (await put('fender', 4500, '2026-07-01')).json as unknown as Prices;
    expect([amountIn(answer.list, 'fender'), answer.planned.map(({ from, list }) => [from, amountIn(list, 'fender')])]).toEqual([
      3800,
      [['2026-07-01', 4500]],
    ]);
    expect(await fenderOn('h-june', '2026-06-20')).toEqual([200, 3800]);
    expect(await fenderOn('h-july', '2026-07-02')).toEqual([200, 4500]);
    expect((await quay.store.db('hire').where({ id: 'h-before' }).first('priceVersion'))!.priceVersion).toBe(1);
    // The month has come: it is the list that holds.
    quay.clock.now = new Date('2026-07-03T10:00:00.000Z');
    await manager.signIn(MANAGER);
    const later = await now();
    expect([amountIn(later.list, 'fender'), later.planned]).toEqual([4500, []]);
  });

  it('stays planned when something else is changed from now on, and follows that; a day that has come is none to plan for', async () => {
    await put('fender', 4500, '2026-07-01');
    await put('line', 3000);
    const { list, planned } = await now();
    expect([amountIn(list, 'line'), amountIn(list, 'fender')]).toEqual([3000, 3800]);
    expect([amountIn(planned[0]!.list, 'line'), amountIn(planned[0]!.list, 'fender')]).toEqual([3000, 4500]);
    expect((await put('fender', 1, '2026-06-13')).json.code).toBe('dayPast');
    expect((await put('fender', 1, '2026-02-31')).status).toBe(400);
    expect((await put('fender', 1, '2026-08-01', 1)).json.code).toBe('changedMeanwhile');
  });

  it('is taken back by its day', async () => {
    await put('fender', 4500, '2026-07-01');
    const { version } = await now();
    expect((await manager.send('DELETE', '/prices/planned/2026-08-01', undefined, { 'if-match': `"${version}"` })).json.code).toBe(
      'noSuchPlan',
    );
    const dropped = await manager.send('DELETE', '/prices/planned/2026-07-01', undefined, { 'if-match': `"${version}"` });
    expect((dropped.json as unknown as Prices).planned).toEqual([]);
    expect(await fenderOn('h-july', '2026-07-02')).toEqual([200, 3800]);
  });
});

describe('prices as a table', () => {
  const preview = async (text: string | Buffer) =>
    (await manager.send('POST', '/prices/table', Buffer.from(text))).json as unknown as PriceTablePreview & { code?: string };
  const HEAD = 'code,name,per,amount,tax_percent,mark_kinds,stuff,up_to_mm,valid_from';

  it('goes out and comes back as it was, with what is planned', async () => {
    await put('fender', 4500, '2026-07-01');
    const text = await manager.bytes('/prices/table');
    expect(text.toString()).toContain('fender,Fender,each,45.00,20,,,,,,,2026-07-01');
    const seen = await preview(text);
    expect([seen.faults, seen.lists]).toEqual([[], []]);
  });

  it('is seen before it is taken, laid over what is there, and leaves what it does not name', async () => {
    const table = [HEAD, 'fender,Fender,each,"41,50",20,,,,', 'fender,Fender,each,47,20,,,,2026-08-01', 'kite,Kite,each,9,20,,,,', ''].join(
      '\n',
    );
    const seen = await preview(table);
    expect(
      seen.lists.map(({ from, changes }) => [from, changes.map(({ code, was, is }) => [code, was?.amountMinor, is?.amountMinor])]),
    ).toEqual([
      [
        null,
        [
          ['fender', 3800, 4150],
          ['kite', undefined, 900],
        ],
      ],
      [
        '2026-08-01',
        [
          ['fender', 3800, 4700],
          ['kite', undefined, 900],
        ],
      ],
    ]);
    expect(amountIn((await now()).list, 'fender')).toBe(3800);
    const taken = await manager.send('POST', '/prices/table/taken', Buffer.from(table), { 'if-match': `"${seen.version}"` });
    const { list, planned } = taken.json as unknown as Prices;
    expect([amountIn(list, 'fender'), amountIn(list, 'line'), planned.map(({ from }) => from)]).toEqual([4150, 2400, ['2026-08-01']]);
    expect((await manager.send('POST', '/prices/table/taken', Buffer.from(table), { 'if-match': `"${seen.version}"` })).json.code).toBe(
      'changedMeanwhile',
    );
  });

  it('says by line what is wrong, and then changes nothing', async () => {
    const wrong = [
      HEAD,
      'fender,Fender,each,lots,20,,,,',
      'line,Dock line,each,24,20,,,,2026-02-31',
      'line,Dock line,a day,24,20,,,,',
      '',
    ].join('\n');
    const seen = await preview(wrong);
    expect(seen.faults.map(({ where }) => where)).toEqual(['line 2', 'line 3', 'line 4, per']);
    expect((await manager.send('POST', '/prices/table/taken', Buffer.from(wrong), { 'if-match': `"${seen.version}"` })).json.code).toBe(
      'faults',
    );
    expect((await preview('a;b\n1;2\n')).faults[0]!.where).toBe('line 1');
    expect((await preview(Buffer.from([0x89, 0x50, 0, 0, 0]))).code).toBe('notReadable');
    expect((await preview('')).code).toBe('notReadable');
    const many = [HEAD, ...Array.from({ length: 2001 }, (_, i) => `p${i},P,each,1,0,,,,`)].join('\n');
    expect((await preview(many)).faults[0]!.reason).toContain('at most 2000');
    // Another separator, and old letters for an umlaut.
    const old = Buffer.from(`${HEAD.replaceAll(',', ';')}\nfender;Fender f\xfcr vorn;each;39,00;20;;;;\n`, 'latin1');
    expect((await preview(old)).lists[0]!.changes[0]!.is!.name.en).toBe('Fender für vorn');
  });
});

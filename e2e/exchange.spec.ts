import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, MANAGER, test } from './quay';

const event = (uid: string, start: string, more = '') =>
  `BEGIN:VEVENT\r\nUID:${uid}\r\nDTSTART;TZID=Europe/London:${start}\r\nDURATION:PT3H\r\nSUMMARY:Guest of ${uid}\r\nLOCATION:Tuppenny Bun\r\n${more}END:VEVENT\r\n`;
const calendar = (...events: string[]) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nX-WR-CALNAME:Cottage\r\n${events.join('')}END:VCALENDAR\r\n`;

test('a table of another program is brought in: its boats are named once, what cannot be taken is told, and it is known again', async ({
  phoneOf,
}) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/bookings');
  await mina.by('in-and-out').click();
  const bring = async (text: string) => {
    await expect(mina.by('choose-file')).toBeVisible();
    await page.locator('input[type="file"]').setInputFiles({ name: 'season.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  const head = 'Ref;Boot;Von;Bis;Mieter\n';
  await bring(
    `${head}r1;The bun;20.06.2026 10:00;20.06.2026 14:00;Nell Ardagh\nr2;The bun;13.06.2026 12:00;13.06.2026 15:00;Orla Pinnock\nr3;The bun;31.02.2026;01.03.2026;Nobody Ever\n`,
  );
  await expect(page.getByText('Which boats are these?')).toBeVisible();
  await expect(page.getByText('line 4: “31.02.2026” is no day')).toBeVisible();
  await mina.by('boat-called-The bun').click();
  await mina.by('boat-called-The bun-tuppenny-bun').click();
  await expect(page.getByText('1 new')).toBeVisible();
  await expect(page.getByText('Somebody has the boat then: Ines Okonjo-Lind')).toBeVisible();
  await expect(mina.by('load-incoming')).toContainText('Take over 1 booking');
  await mina.by('load-incoming').click();
  await expect(page.getByText('1 new, 0 changed, 0 cancelled.')).toBeVisible();
  await expect(mina.by('source-season')).toContainText('1 hire');

  // The same table a week later: the boat’s name is known, what moved is moved, what went is asked for.
  await bring(`${head}r1;The bun;20.06.2026 12:00;20.06.2026 16:00;Nell Ardagh\n`);
  await expect(page.getByText('1 changed')).toBeVisible();
  await mina.by('load-incoming').click();
  await expect(page.getByText('0 new, 1 changed, 0 cancelled.')).toBeVisible();
  await mina.open('/bookings?day=2026-06-20');
  await expect(page.getByText('Nell Ardagh').first()).toBeVisible();
});

test('a calendar is fetched again: moved and called off there, so it is here; ours is read by others until it is withdrawn', async ({
  phoneOf,
  quay,
}) => {
  let text = calendar(
    event('one', '20260620T100000'),
    event('two', '20260621T100000'),
    event('three', '20260622T100000', 'RRULE:FREQ=WEEKLY;COUNT=3\r\n'),
  );
  const elsewhere = createServer((_req, res) => res.end(text));
  await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve));
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/bookings/exchange');
  await mina.by('feed-address').fill('cottage');
  await expect(page.getByText('An address begins with https://')).toBeVisible();
  await mina.by('feed-address').fill(`http://127.0.0.1:${(elsewhere.address() as AddressInfo).port}/cottage.ics`);
  await mina.by('fetch-address').click();
  await expect(page.getByText('5 new')).toBeVisible();
  await mina.by('load-incoming').click();
  await expect(mina.by('source-Cottage')).toContainText('5 hires · every hour');
  text = calendar(
    event('one', '20260620T140000', 'SEQUENCE:1\r\n'),
    event('two', '20260621T100000', 'SEQUENCE:1\r\nSTATUS:CANCELLED\r\n'),
    event('three', '20260622T100000', 'RRULE:FREQ=WEEKLY;COUNT=3\r\n'),
  );
  await mina.by('fetch-now').click();
  await mina.open('/bookings?day=2026-06-20');
  await expect(page.getByText('Guest of one').first()).toBeVisible();
  const found = (await (
    await mina.context.request.get(`${quay.url}/api/bookings?base=ossel-quay&from=2026-06-20&to=2026-06-22`)
  ).json()) as {
    hires: { renter: string; from: string; state: string }[];
  };
  const of = (renter: string) => found.hires.find((hire) => hire.renter === renter);
  expect(of('Guest of one')).toMatchObject({ from: '2026-06-20T13:00:00.000Z', state: 'booked' });
  expect(of('Guest of two')).toMatchObject({ state: 'cancelled' });
  elsewhere.close();

  await mina.open('/bookings/exchange');
  await mina.by('make-address').click();
  const address = await mina.by('calendar-address').innerText();
  const read = async () => (await page.request.get(address)).status();
  expect(await read()).toBe(200);
  await mina.by('withdraw-address').click();
  await expect(mina.by('withdraw-address')).toHaveCount(0);
  expect(await read()).toBe(404);
});

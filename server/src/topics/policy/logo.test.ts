import sharp from 'sharp';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let mina: Client;
beforeAll(async () => {
  quay = await testQuay({});
  mina = quay.client();
  await mina.signIn(MANAGER);
});
afterAll(() => quay.stop());

const logo = async () => (await mina.send('GET', '/operator')).json.logo;
const keep = (bytes: Buffer) => mina.send('POST', '/operator/logo', bytes);

it('a picture becomes the logo, without whatever else was in its file, and is taken away', async () => {
  expect(await logo()).toBeNull();
  const picture = await sharp({ create: { width: 1600, height: 400, channels: 4, background: '#0e5e5280' } })
    .withExif({ IFD0: { Artist: 'Somebody' } })
    .png()
    .toBuffer();
  const kept = await keep(picture);
  expect([kept.status, kept.json.logo]).toEqual([200, await logo()]);
  const shown = await mina.bytes('/operator/logo');
  expect(await sharp(shown).metadata()).toMatchObject({ format: 'jpeg', width: 900, height: 225 });
  expect(shown.includes('Somebody')).toBe(false);
  expect((await mina.send('DELETE', '/operator/logo')).status).toBe(200);
  expect(await logo()).toBeNull();
  expect((await mina.send('GET', '/operator/logo')).status).toBe(404);
});

it('what is no picture, or far too large a one, is refused by name; a hand brings none', async () => {
  expect((await keep(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>'))).json.code).toBe('noImage');
  expect((await keep(Buffer.from('a logo'))).json.code).toBe('noImage');
  const cut = (
    await sharp({ create: { width: 300, height: 300, channels: 3, background: 'red' } })
      .jpeg()
      .toBuffer()
  ).subarray(0, 500);
  expect((await keep(cut)).json.code).toBe('truncated');
  expect((await keep(Buffer.alloc(9 * 1024 * 1024))).json.code).toBe('tooLarge');
  expect(await logo()).toBeNull();
  expect((await (await handOn(quay)).send('POST', '/operator/logo', Buffer.from('x'))).json.code).toBe('mayNot');
});

import { handOn, HAND, type Client, eventOf, testQuay, type TestQuay } from '../../testing/quay';

let quay: TestQuay;
let phone: Client;
let device: string;
beforeEach(async () => {
  quay = await testQuay();
  phone = await handOn(quay);
  device = ((await phone.signIn(HAND)).json.device as { id: string }).id;
});
afterEach(() => quay.stop());

const leave = async (hire: string, text: string, at: string) => {
  const event = eventOf(hire, device, { kind: 'noteLeft', text }, { at });
  await phone.send('POST', `/hires/${hire}/events`, { sentAt: quay.clock.now.toISOString(), events: [event] });
  return event;
};
const texts = async (hire: string) =>
  ((await phone.send('GET', `/hires/${hire}/notes`)).json.notes as { text: string }[]).map(({ text }) => text);

describe('notes to the next hand', () => {
  it('are those of the boat, on this hire and those before it, the newest first; what is taken back is gone', async () => {
    // Tuppenny Bun: h-1005 before h-1001 before h-1008; another boat’s are not hers.
    await leave('h-1005', 'The choke sticks when cold', '2026-06-13T09:00:00.000Z');
    const taken = await leave('h-1001', 'Two fenders swapped', '2026-06-13T10:00:00.000Z');
    await leave('h-1001', 'Gate latch is stiff: lift, then swing', '2026-06-13T10:05:00.000Z');
    await leave('h-1002', 'Of another boat', '2026-06-13T10:06:00.000Z');
    expect(await texts('h-1008')).toEqual(['Gate latch is stiff: lift, then swing', 'Two fenders swapped', 'The choke sticks when cold']);
    expect(await texts('h-1005')).toEqual(['The choke sticks when cold']);
    await phone.send('POST', '/hires/h-1001/events', {
      sentAt: quay.clock.now.toISOString(),
      events: [{ ...eventOf('h-1001', device, { kind: 'undone' }), replaces: [taken.id] }],
    });
    expect(await texts('h-1008')).not.toContain('Two fenders swapped');
    expect((await phone.send('GET', '/hires/nobody/notes')).json.code).toBe('noSuchHire');
  });
});

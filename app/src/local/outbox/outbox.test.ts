/** @jest-environment node */
import { METRIC } from '@quay/core/number/units';
import { deliver, deliveryState, pendingCount } from './deliver';
import { fetchEvents } from './fetch';
import { NotSignedIn, rememberMe, renewGrants } from './author';
import type { Me } from '@quay/contract/session';
import type { EventBody, HireEvent } from '@quay/core/record/event';
import { project } from '@quay/core/record/project';
import { type Answer, answerFetch, type Sent } from '../../testing/answerFetch';
import { watchRestored } from './restored';
import { eventsHere, localDb, write } from '../localDb';
import { DoesNotFit, saveEvents, savePhoto } from './save';

watchRestored();

let sent: Sent[];
/** What the quay answers; the default takes everything. */
let answer: (one: Sent) => Answer | Promise<Answer>;
const takesAll = ({ path, body }: Sent): Answer =>
  path.endsWith('/events') ? { json: { synced: (body as { events: HireEvent[] }).events.map(({ id }) => id), refused: [] } } : { json: {} };

const meOf = (id: string): Me => ({
  staff: { id, name: id, role: 'hand' },
  device: { id: 'phone-1', name: 'Quay phone', enrolled: true },
  operator: { name: 'Ossel', currency: 'EUR', simulated: true, units: METRIC },
});
const counted = (count: number): EventBody => ({ kind: 'counted', walk: 'out', fitting: 'fenders', count, state: 'fine' });
const looked = (...photos: string[]): EventBody => ({ kind: 'surfaceSeen', walk: 'out', surface: 'port', photos });
const rows = async () => (await (await localDb()).getAll('events')).sort((a, b) => a.stored.event.deviceSeq - b.stored.event.deviceSeq);

beforeEach(async () => {
  sent = [];
  answer = takesAll;
  answerFetch((one) => {
    sent.push(one);
    return answer(one);
  });
  await deliver();
  await write(['events', 'photos', 'packs', 'days', 'cursors', 'named'], async (tx) => {
    for (const name of ['events', 'photos', 'packs', 'days', 'cursors', 'named'] as const) await tx.objectStore(name).clear();
  });
  sent = [];
  await rememberMe(meOf('bram'), 'grant-of-bram');
});

const cut = () => {
  answer = () => Promise.reject(new TypeError('no network'));
};

describe('keeping', () => {
  it('numbers entries of the phone without a gap and keeps a batch whole', async () => {
    cut();
    await saveEvents('h1', { version: 3 }, [{ body: counted(1) }, { body: counted(2) }]);
    await saveEvents('h1', { version: 3 }, [{ body: counted(3) }]);
    expect(
      (await rows()).map(({ stored, state, grant }) => [stored.event.deviceSeq, stored.event.bookVersion, stored.actor.id, state, grant]),
    ).toEqual([1, 2, 3].map((n) => [n, 3, 'bram', 'pending', 'grant-of-bram']));
    expect(await pendingCount()).toMatchObject({ pending: 3, refused: 0 });
  });

  it('takes presses that are faster than the page for one after the other, and no quarrel comes of them', async () => {
    cut();
    const drawn = { record: project([]), events: [] };
    await Promise.all([1, 2, 3].map((n) => saveEvents('h1', { version: 1 }, [{ body: counted(n) }], drawn)));
    const made = (await rows()).map(({ stored }) => stored);
    expect(made.map(({ event }) => event.replaces)).toEqual([[], [made[0]!.event.id], [made[1]!.event.id]]);
    expect(project(made)).toMatchObject({ conflicts: [] });
    // What was drawn is taken as it was seen there.
    const [last] = await saveEvents('h1', { version: 1 }, [{ body: counted(4) }], { record: project(made), events: made });
    expect(last!.event.replaces).toEqual([made[2]!.event.id]);
  });

  it('keeps nothing of what the quay must refuse, and no number is used up by it', async () => {
    cut();
    const remark = (text: string): EventBody => ({ kind: 'remarked', walk: 'out', as: 'renter', text });
    await expect(saveEvents('h1', { version: 1 }, [{ body: remark('fine') }, { body: remark('x'.repeat(2001)) }])).rejects.toThrow(
      DoesNotFit,
    );
    await expect(saveEvents('h1', { version: 1 }, [{ body: { ...counted(1), count: -1 } as EventBody }])).rejects.toThrow(/count/);
    await expect(saveEvents('h1', { version: 1 }, [{ body: { ...counted(1), also: 'this' } as unknown as EventBody }])).rejects.toThrow(
      DoesNotFit,
    );
    expect(await rows()).toEqual([]);
    await saveEvents('h1', { version: 1 }, [{ body: remark('x'.repeat(2000)) }]);
    expect((await rows()).map(({ stored }) => stored.event.deviceSeq)).toEqual([1]);
  });

  it('keeps nothing when nobody is known here', async () => {
    await write(['named'], (tx) => tx.objectStore('named').clear());
    await expect(saveEvents('h1', { version: 1 }, [{ body: counted(1) }])).rejects.toThrow(NotSignedIn);
    expect(await rows()).toEqual([]);
  });
});

describe('delivery', () => {
  it('marks what the quay holds, and keeps what it refuses with the reason', async () => {
    answer = ({ body }) => {
      const [first, second] = (body as { events: HireEvent[] }).events;
      return { json: { synced: [first!.id], refused: [{ id: second!.id, reason: 'unknownKind', detail: 'danced' }] } };
    };
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }, { body: counted(2) }]);
    await deliver();
    expect((await rows()).map(({ state, refusal }) => [state, refusal?.reason])).toEqual([
      ['synced', undefined],
      ['refused', 'unknownKind'],
    ]);
    expect(await pendingCount()).toMatchObject({ pending: 0, refused: 1 });
  });

  it('keeps everything when there is no way through, and sends it once there is', async () => {
    cut();
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }]);
    await deliver();
    expect(deliveryState().state).toBe('noAnswer');
    expect(await pendingCount()).toMatchObject({ pending: 1 });
    answer = takesAll;
    await deliver();
    expect(deliveryState().state).toBe('idle');
    expect(await pendingCount()).toMatchObject({ pending: 0 });
  });

  it('never mixes hires or people in one batch, and a refused sign-in empties nothing', async () => {
    cut();
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }]);
    await rememberMe(meOf('tilly'), 'grant-of-tilly');
    await saveEvents('h1', { version: 1 }, [{ body: counted(2) }]);
    await saveEvents('h2', { version: 1 }, [{ body: counted(3) }]);
    await deliver();
    sent = [];
    answer = (one) =>
      one.headers['x-quay-grant'] === 'grant-of-bram'
        ? { status: 403, json: { type: 'about:blank', status: 403, code: 'grantEnded' } }
        : takesAll(one);
    await deliver();
    expect(sent.map(({ path, headers }) => [path, headers['x-quay-grant']])).toEqual([
      ['/api/hires/h1/events', 'grant-of-bram'],
      ['/api/hires/h1/events', 'grant-of-tilly'],
      ['/api/hires/h2/events', 'grant-of-tilly'],
    ]);
    expect((await rows()).map(({ state }) => state)).toEqual(['pending', 'synced', 'synced']);
    expect(deliveryState().state).toBe('signIn');
    // Bram signs in once more on this phone: his entry goes out under the fresh grant.
    await renewGrants(meOf('bram'), 'fresh');
    answer = takesAll;
    await deliver();
    expect(await pendingCount()).toMatchObject({ pending: 0 });
  });

  it('goes on with a photograph where it was cut off', async () => {
    cut();
    const blob = new Blob([new Uint8Array(2_500_000).fill(7)], { type: 'image/jpeg' });
    const sha = await savePhoto('h1', blob);
    expect(await savePhoto('h1', blob)).toBe(sha);
    // As bytes: WebKit keeps no blob in a private window.
    expect((await (await localDb()).get('photos', ['h1', sha]))?.blob).toMatchObject({
      type: 'image/jpeg',
      buffer: expect.any(ArrayBuffer) as unknown,
    });
    await saveEvents('h1', { version: 1 }, [{ body: looked(sha) }]);
    await deliver();
    let bytes = 1_000_000;
    const offsets: string[] = [];
    answer = (one) => {
      const { path } = one;
      if (one.method === 'POST') return takesAll(one);
      if (path.endsWith('/state')) return { json: { bytes, complete: false } };
      const offset = new URL(path, 'http://quay').searchParams.get('offset')!;
      offsets.push(offset);
      bytes = Math.min(blob.size, Number(offset) + 1024 * 1024);
      return { json: { bytes, complete: bytes === blob.size } };
    };
    await deliver();
    expect(offsets).toEqual(['1000000', '2048576']);
    expect(await pendingCount()).toMatchObject({ pending: 0 });
  });

  it('sends a photograph after the entry that speaks of it, and none that no entry speaks of', async () => {
    const [used, left] = [await savePhoto('h1', new Blob(['used'])), await savePhoto('h1', new Blob(['left out again']))];
    expect(await pendingCount()).toMatchObject({ pending: 0 });
    const sent: string[] = [];
    answer = (one) => {
      sent.push(one.path.split('?')[0]!);
      return one.method === 'POST' ? takesAll(one) : { json: { bytes: 4, complete: true } };
    };
    await deliver();
    expect(sent).toEqual([]);
    await saveEvents('h1', { version: 1 }, [{ body: looked(used) }]);
    await deliver();
    expect(sent.filter((path) => path.includes(used))).toHaveLength(1);
    expect(sent.filter((path) => path.includes(left))).toEqual([]);
    expect(await pendingCount()).toMatchObject({ pending: 0 });
  });

  it('goes on with the others when one is refused, and says so when the quay’s disk is full', async () => {
    const shas = [
      await savePhoto('h1', new Blob(['a'])),
      await savePhoto('h1', new Blob(['b'])),
      await savePhoto('h1', new Blob(['c'])),
    ].sort();
    cut();
    await saveEvents('h1', { version: 1 }, [{ body: looked(...shas) }]);
    await deliver();
    const refuse = (status: number, code: string) => ({ status, json: { type: 'about:blank', title: code, status, code } });
    let answers = [refuse(409, 'tooManyPhotos'), refuse(409, 'notNamed'), refuse(507, 'diskFull')];
    answer = (one) => (one.method === 'POST' ? takesAll(one) : (answers.shift() ?? { json: { bytes: 1, complete: true } }));
    await deliver();
    expect(deliveryState().state).toBe('quayFull');
    expect(await pendingCount()).toMatchObject({ pending: 2, refused: 1 });
    answers = [];
    await deliver();
    expect(deliveryState().state).toBe('idle');
    expect(await pendingCount()).toMatchObject({ pending: 0, refused: 1 });
  });
});

describe('fetching what others made', () => {
  it('takes each page once, by cursor, and leaves what is its own as held', async () => {
    cut();
    const [own] = await saveEvents('h1', { version: 1 }, [{ body: counted(1) }]);
    const other = { ...own!.event, id: own!.event.id.replace(/.$/, (c) => (c === '0' ? '1' : '0')), device: 'phone-2', body: counted(2) };
    const meta = { receivedAt: '2026-06-13T10:00:00.000Z', behindMs: 0 };
    const pages = [
      { events: [{ event: own!.event, actor: { id: 'bram', role: 'hand' }, ...meta }], cursor: '1', more: true, aside: [] },
      { events: [{ event: other, actor: { id: 'tilly', role: 'hand' }, ...meta }], cursor: '2', more: false, aside: [] },
      { events: [], cursor: '2', more: false, aside: [] },
    ];
    const asked: (string | null)[] = [];
    answer = (one) => {
      if (one.method === 'POST') return takesAll(one);
      const { path } = one;
      asked.push(new URL(path, 'http://quay').searchParams.get('after'));
      return { json: pages[asked.length - 1] };
    };
    await fetchEvents('h1');
    await fetchEvents('h1');
    expect(asked).toEqual([null, '1', '2']);
    expect((await rows()).map(({ state, stored }) => [state, stored.actor.id]).sort()).toEqual([
      ['synced', 'bram'],
      ['synced', 'tilly'],
    ]);
  });

  it('delivers again what it had delivered when the quay was restored from a backup', async () => {
    answer = (one) => ({ ...takesAll(one), epoch: 'first' });
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }]);
    await deliver();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await rows()).map(({ state }) => state)).toEqual(['synced']);
    sent = [];
    answer = (one) => ({
      ...(one.method === 'GET' ? { json: { events: [], cursor: '0', more: false, aside: [] } } : takesAll(one)),
      epoch: 'second',
    });
    await fetchEvents('h1');
    await new Promise((resolve) => setTimeout(resolve, 50));
    await deliver();
    expect(sent.filter(({ method }) => method === 'POST')).toHaveLength(1);
    expect((await rows()).map(({ state }) => state)).toEqual(['synced']);
  });

  it('takes an entry out of the record that a manager has set aside, and in again', async () => {
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }, { body: counted(2) }]);
    await deliver();
    const [first] = await rows();
    let aside = [first!.id];
    answer = (one) => (one.method === 'GET' ? { json: { events: [], cursor: '2', more: false, aside } } : takesAll(one));
    await fetchEvents('h1');
    expect((await rows()).map(({ state }) => state)).toEqual(['aside', 'synced']);
    expect((await eventsHere('h1')).map(({ stored }) => stored.event.body)).toEqual([counted(2)]);
    aside = [];
    await fetchEvents('h1');
    expect((await rows()).map(({ state }) => state)).toEqual(['synced', 'synced']);
  });

  it('waits when the quay asks it to, and everything stays here', async () => {
    answer = () => ({ status: 429, json: { type: 'about:blank', status: 429, code: 'tooFast' } });
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }]);
    await deliver();
    expect([deliveryState().state, (await pendingCount()).pending]).toEqual(['wait', 1]);
  });
});

describe('the clock', () => {
  it('is the quay’s where that is a demonstration’s, and the phone’s own otherwise', async () => {
    answer = (one) => ({ ...takesAll(one), epoch: 'demo', ahead: 7 * 86_400_000 });
    await saveEvents('h1', { version: 1 }, [{ body: counted(1) }]);
    await deliver();
    const [, later] = [await saveEvents('h1', { version: 1 }, [{ body: counted(2) }]), (await rows())[1]!];
    expect(Date.parse(later.stored.event.at) - Date.now()).toBeGreaterThan(6 * 86_400_000);
    answer = (one) => ({ ...takesAll(one), epoch: 'demo' });
    await deliver();
    await saveEvents('h1', { version: 1 }, [{ body: counted(3) }]);
    expect(Math.abs(Date.parse((await rows())[2]!.stored.event.at) - Date.now())).toBeLessThan(60_000);
  });
});

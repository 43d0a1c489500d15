import * as api from '@quay/contract/record';
import { unattended } from '@quay/core/policy/policy';
import { type Call, on, whoOf } from '../../platform/http/mount';
import { keepPace } from '../../platform/http/pace';
import { fail } from '../../platform/http/problem';
import { granted } from '../../platform/signIn/session';
import { termsOf } from '../booking/hire';
import { appendEvents } from './delivery';
import { asideOf, eventsAfter } from './record';
import { refreshIfStale } from './refresh';

const termsOrFail = async (call: Call<unknown>, hireId: string, boats: readonly string[] = []) =>
  (await termsOf(call.quay.store.db, hireId, boats)) ?? fail(404, 'noSuchHire');

/** A few boats at most that entries of one delivery name; whoever names more is no honest phone. */
const MOST_BOATS = 20;
const boatsNamed = (events: readonly unknown[]): string[] =>
  [...new Set(events.map((event) => (event as { boat?: unknown } | null)?.boat))]
    .filter((boat): boat is string => typeof boat === 'string')
    .slice(0, MOST_BOATS);

type Maker = { id: string; role: 'hand' | 'manager' | 'renter'; leftAt?: string | undefined };

/** Who made what is delivered: the person whose grant comes with it, else whoever is signed in. */
const makerOf = async (call: Call<unknown>): Promise<Maker> => {
  const who = whoOf(call);
  const grant = call.req.get('x-quay-grant');
  if (grant === undefined || call.renter) return who;
  const maker = (await granted(call.quay.store.db, grant, who.device, new Date(call.now))) ?? fail(403, 'grantEnded');
  // Who is signed in here again answers for it now.
  return maker.id === who.id ? { id: who.id, role: who.role } : maker;
};

/** Entries by which there is another pair to compare, or somebody said what the machine's boxes are. */
const SAYS_OF_PICTURES: ReadonlySet<unknown> = new Set(['surfaceSeen', 'boxDismissed', 'markPlaced', 'undone']);

/** What an entry says it is; whether it is one is judged where it is taken. */
const kindOf = (event: unknown): unknown => (event as { body?: { kind?: unknown } } | null)?.body?.kind;

export const recordRoutes = [
  on(api.appendEvents, async (call) => {
    const { quay, params, body, now } = call;
    const { handover, newestBook } = await termsOrFail(call, params.hireId, boatsNamed(body.events));
    await keepPace(whoOf(call).device.id, whoOf(call).role, body.events.length);
    const maker = await makerOf(call);
    const taken = await appendEvents(quay.store.db, {
      hire: params.hireId,
      newestBook,
      device: whoOf(call).device.id,
      actor: { id: maker.id, role: maker.role },
      leftAt: maker.leftAt,
      alone: { out: unattended(handover, 'out'), in: unattended(handover, 'in') },
      events: body.events,
      behindMs: Math.round(Date.parse(now) - Date.parse(body.sentAt)),
      now,
    });
    if (body.events.some((event) => SAYS_OF_PICTURES.has(kindOf(event)))) quay.comparing?.enqueue(params.hireId);
    return taken;
  }),
  on(api.readEvents, async (call) => {
    await termsOrFail(call, call.params.hireId);
    await refreshIfStale(call.quay.store.db, call.params.hireId, call.quay.key, call.now);
    const page = await eventsAfter(call.quay.store.db, call.params.hireId, Number(call.query.after ?? 0));
    return {
      events: page.rows,
      cursor: String(page.cursor),
      more: page.more,
      aside: await asideOf(call.quay.store.db, call.params.hireId),
    };
  }),
];

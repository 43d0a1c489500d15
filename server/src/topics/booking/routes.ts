import { getChoices, bookHire as bookHireApi } from '@quay/contract/booking';
import * as calendar from '@quay/contract/calendar';
import { policyOf } from '@quay/core/policy/policy';
import { on, staffOf } from '../../platform/http/mount';
import { readHandoverPolicy } from '../../platform/database/setting';
import { betterHours, hoursFaults } from '@quay/core/trip/hours';
import { currencyOf } from '../policy/prices';
import { baseAmong } from './bases';
import { bookHire } from './book';
import { choicesAt } from './choices';
import { hoursCaseOf } from './hours';
import { hiresLike, rentersLike } from './find';
import { bringBackInService, takeOut } from './outOfService';

export const bookingRoutes = [
  on(getChoices, async ({ quay: { store }, query, now, session }) => {
    const { base, bases } = await baseAmong(store.db, query.base, session);
    const { turnaroundMinutes, policies, languages, outsideHours } = await readHandoverPolicy(store.db);
    const of = await hoursCaseOf(store.db, base.id, query.handover ?? policyOf(policies, 'handover'));
    const faults = hoursFaults(query, of);
    const wanted = { from: query.from, to: query.to, people: Number(query.people), hire: query.hire };
    const { choices, booked } = await choicesAt(store.db, base.id, wanted, turnaroundMinutes, now);
    return {
      base,
      bases,
      currency: await currencyOf(store.db),
      handover: policyOf(policies, 'handover'),
      turnaroundMinutes,
      hours: { rule: outsideHours, faults, better: faults.length > 0 ? betterHours(query, of, now) : [] },
      languages,
      boats: choices.map(({ boat: { id, name, hullNumber, people, depositMinor }, is, clashes, freeFrom = null }) => ({
        id,
        name,
        hullNumber,
        people,
        depositMinor,
        is,
        freeFrom,
        clashes: clashes.map(({ booked: one, ...clash }) => ({
          ...clash,
          hire: one.hire,
          from: one.from,
          to: one.to,
          renter: booked.find((other) => other === one)?.renter ?? '',
        })),
      })),
    };
  }),
  on(bookHireApi, ({ quay, body, now }) => bookHire(quay.store.db, body, now)),
  on(calendar.takeOutOfService, (call) => takeOut(call.quay.store.db, call.params.boatId, call.body, staffOf(call).staff.id, call.now)),
  on(calendar.backInService, async ({ quay: { store }, params, now }) => {
    await bringBackInService(store.db, params.id, now);
    return { ok: true as const };
  }),
  on(calendar.findHires, async ({ quay: { store }, query, now }) => ({ hires: await hiresLike(store.db, query.find, now) })),
  on(calendar.findRenters, async ({ quay: { store }, query }) => ({ renters: await rentersLike(store.db, query.find) })),
];

import { getChoices, bookHire as bookHireApi } from '@quay/contract/booking';
import * as api from '@quay/contract/hire';
import { policyOf } from '@quay/core/policy/policy';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { readHandoverPolicy } from '../../platform/database/setting';
import { currencyOf } from '../policy/prices';
import { baseAmong } from './bases';
import { bookHire } from './book';
import { choicesAt } from './choices';
import { changeHire } from './change';

export const bookingRoutes = [
  on(getChoices, async ({ quay: { store }, query, now }) => {
    const { base, bases } = await baseAmong(store.db, query.base);
    const { turnaroundMinutes, policies, languages } = await readHandoverPolicy(store.db);
    const wanted = { from: query.from, to: query.to, people: Number(query.people) };
    const { choices, booked } = await choicesAt(store.db, base.id, wanted, turnaroundMinutes, now);
    const renterOf = new Map(booked.map(({ hire, renter }) => [hire, renter]));
    return {
      base,
      bases,
      currency: await currencyOf(store.db),
      handover: policyOf(policies, 'handover'),
      turnaroundMinutes,
      languages,
      boats: choices.map(({ boat: { id, name, hullNumber, people, depositMinor }, is, clashes, freeFrom = null }) => ({
        id,
        name,
        hullNumber,
        people,
        depositMinor,
        is,
        freeFrom,
        clashes: clashes.map(({ booked: { hire, from, to }, ...clash }) => ({
          ...clash,
          hire,
          from,
          to,
          renter: renterOf.get(hire) ?? '',
        })),
      })),
    };
  }),
  on(bookHireApi, ({ quay, body, now }) => bookHire(quay.store.db, body, now)),
  on(api.changeHire, async ({ quay, params, body, seen, res, now }) => {
    const done = (await changeHire(quay.store.db, params.hireId, { ...body, version: seen }, now)) ?? fail(404, 'noSuchHire');
    if (done.ok) {
      res.set('ETag', `"${done.hire.version}"`);
      return done.hire;
    }
    return done.reason === 'beforeStart' ? fail(400, 'beforeStart') : fail(412, 'changedMeanwhile');
  }),
];

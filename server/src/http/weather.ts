import * as api from '@quay/contract/weather';
import { on } from './mount';
import { fail } from './problem';

export const weatherRoutes = [
  on(api.baseWeather, async ({ quay, params, now, renter }) => {
    // A renter may ask for the base of their own hire; others do not exist for them.
    const own = renter ? await quay.store.db('hire').where({ id: renter.hire }).first('base') : undefined;
    const known = await quay.store.db('base').where({ id: params.baseId }).first('id');
    if (!known || (renter && own?.base !== params.baseId)) return fail(404, 'noBase', 'There is no such base.');
    const { weatherMast } = quay.outside;
    const found = await weatherMast.observe(known, new Date(now));
    return found.ok ? { is: 'observed' as const, observed: found.observed, simulated: weatherMast.simulated } : { is: found.reason };
  }),
];

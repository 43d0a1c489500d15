import * as api from '@quay/contract/weather';
import { baseOf } from '../booking/hire';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

export const weatherRoutes = [
  on(api.baseWeather, async ({ quay, params, now, renter }) => {
    // A renter may ask for the base of their own hire; others do not exist for them.
    const asked = await baseOf(quay.store.db, params.baseId, renter?.hire);
    if (!asked) return fail(404, 'noBase');
    const { weatherMast } = quay.integrations;
    const found = await weatherMast.observe(asked, new Date(now));
    return found.ok ? { is: 'observed' as const, observed: found.observed, simulated: weatherMast.simulated } : { is: found.reason };
  }),
];

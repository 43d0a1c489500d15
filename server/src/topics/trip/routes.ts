import * as api from '@quay/contract/weather';
import { baseOf } from '../booking/hire';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

// A renter may ask for the base of their own hire; others do not exist for them.
export const weatherRoutes = [
  on(api.baseWeather, async ({ quay, params, now, renter }) => {
    const asked = await baseOf(quay.store.db, params.baseId, renter?.hire);
    if (!asked) return fail(404, 'noBase');
    const { weatherMast } = quay.integrations;
    const found = await weatherMast.observe(asked, new Date(now));
    return found.ok ? { is: 'observed' as const, observed: found.observed, simulated: weatherMast.simulated } : { is: found.reason };
  }),
  on(api.baseForecast, async ({ quay, params, now, renter }) => {
    const asked = await baseOf(quay.store.db, params.baseId, renter?.hire);
    if (!asked) return fail(404, 'noBase');
    const { weatherMast } = quay.integrations;
    const found = await weatherMast.foresee(asked, new Date(now));
    return found.ok ? { is: 'forecast' as const, forecast: found.forecast, simulated: weatherMast.simulated } : { is: found.reason };
  }),
];

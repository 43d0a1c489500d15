import type { WeatherMast } from '@quay/contract/weather';

/** No mast is connected: wind and water are set by hand wherever they are asked for. */
export const noWeatherMast: WeatherMast = {
  simulated: false,
  observe: () => Promise.resolve({ ok: false, reason: 'none' }),
  foresee: () => Promise.resolve({ ok: false, reason: 'none' }),
};

import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { Id, Instant, nothing } from './parts';

/** Wind and water at a base: degrees true (wind where it comes from, current where it runs to), m/s, m above lowest water. */
export const Observed = z.object({
  at: Instant,
  windFromDeg: z.number(),
  windMs: z.number(),
  gustMs: z.number(),
  currentToDeg: z.number(),
  currentMs: z.number(),
  waterM: z.number(),
});
export type Observed = z.infer<typeof Observed>;

/** Hours ahead that a forecast may hold: five days. */
const MOST_HOURS = 120;
/** What is expected at a base from an hour on until the next, as its service gave it out. */
export const Forecast = z.object({
  issuedAt: Instant,
  hours: z.array(Observed).check(z.minLength(1), z.maxLength(MOST_HOURS)),
});
export type Forecast = z.infer<typeof Forecast>;

/** A base as its mast is asked: with how far the water rises there from its lowest, m. */
type Placed = { id: string; tideM?: number };

/** What the quay asks of the mast of a base and of the service behind it; a simulator and a real one answer alike. */
export type WeatherMast = {
  /** Said on screen wherever its answer is shown. */
  simulated: boolean;
  /** @returns what is expected, hour by hour in order, or why nobody says */
  foresee(base: Placed, now: Date): Promise<{ ok: true; forecast: Forecast } | { ok: false; reason: 'silent' | 'none' }>;
  /** @returns what it measures, or why it does not: it is silent, or there is none */
  observe(base: Placed, now: Date): Promise<{ ok: true; observed: Observed } | { ok: false; reason: 'silent' | 'none' }>;
};

export const WeatherReply = z.discriminatedUnion('is', [
  z.object({ is: z.literal('observed'), observed: Observed, simulated: z.boolean() }),
  z.object({ is: z.enum(['silent', 'none']) }),
]);
export type WeatherReply = z.infer<typeof WeatherReply>;

export const baseWeather = endpoint({
  name: 'baseWeather',
  summary: 'Wind, current and water at a base now, by its mast; or that it is silent, or that there is none.',
  method: 'GET',
  path: '/bases/:baseId/weather',
  roles: ['hand', 'manager', 'renter'],
  params: z.object({ baseId: Id }),
  query: nothing,
  body: nothing,
  reply: WeatherReply,
});

export const ForecastReply = z.discriminatedUnion('is', [
  z.object({ is: z.literal('forecast'), forecast: Forecast, simulated: z.boolean() }),
  z.object({ is: z.enum(['silent', 'none']) }),
]);
export type ForecastReply = z.infer<typeof ForecastReply>;

export const baseForecast = endpoint({
  name: 'baseForecast',
  summary: 'Wind, current and water expected at a base, hour by hour; or that nobody says.',
  method: 'GET',
  path: '/bases/:baseId/forecast',
  roles: ['hand', 'manager', 'renter'],
  params: z.object({ baseId: Id }),
  query: nothing,
  body: nothing,
  reply: ForecastReply,
});

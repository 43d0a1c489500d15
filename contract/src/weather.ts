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

/** What the quay asks of the mast of a base; a simulator and a real one answer alike. */
export type WeatherMast = {
  /** Said on screen wherever its answer is shown. */
  simulated: boolean;
  /** @returns what it measures, or why it does not: it is silent, or there is none */
  observe(base: { id: string }, now: Date): Promise<{ ok: true; observed: Observed } | { ok: false; reason: 'silent' | 'none' }>;
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

import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { nothing } from './parts';

/** Simulated devices and services of a demonstration. Each can be told to fail, to see what that is like. */
export const STAND_INS = ['keySafe', 'weatherMast'] as const;
export const StandIn = z.object({ name: z.enum(STAND_INS), fails: z.boolean() });
export type StandIn = z.infer<typeof StandIn>;

/** What a stand-in offers beside the port it fills. */
export type Failing = { fails: boolean };

export const listStandIns = endpoint({
  name: 'listStandIns',
  summary: 'What is simulated in this installation; nothing outside a demonstration.',
  method: 'GET',
  path: '/stand-ins',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ standIns: z.array(StandIn) }),
});

export const setStandIn = endpoint({
  name: 'setStandIn',
  summary: 'Lets a simulated device or service fail, or work again.',
  method: 'POST',
  path: '/stand-ins/:name',
  roles: ['manager'],
  params: z.object({ name: z.enum(STAND_INS) }),
  query: nothing,
  body: z.object({ fails: z.boolean() }),
  reply: StandIn,
});

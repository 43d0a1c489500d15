import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { nothing } from './parts';

/** Simulated devices and services of a demonstration, and how each can be made to behave, to see what that is like. */
export const SIMULATORS = {
  keySafe: ['works', 'silent'],
  weatherMast: ['works', 'silent', 'late', 'wrong'],
  cardTerminal: ['works', 'declines', 'silent', 'answersTwice', 'expires'],
  boatGateway: ['works', 'sticks', 'drifts', 'silent'],
} as const;
export type SimulatorName = keyof typeof SIMULATORS;
export const SIMULATOR_NAMES = Object.keys(SIMULATORS) as SimulatorName[];

const name = z.enum(SIMULATOR_NAMES as [SimulatorName, ...SimulatorName[]]);
const mode = z.string().check(z.minLength(1), z.maxLength(40));
export const Simulator = z.object({ name, mode });
export type Simulator = z.infer<typeof Simulator>;

/** What a simulator offers beside the port it fills: a way to be told how to behave. */
export type Simulated<N extends SimulatorName> = { mode: (typeof SIMULATORS)[N][number] };

export const listSimulators = endpoint({
  name: 'listSimulators',
  summary: 'What is simulated in this installation; nothing outside a demonstration.',
  method: 'GET',
  path: '/simulators',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ simulators: z.array(Simulator) }),
});

export const setSimulator = endpoint({
  name: 'setSimulator',
  summary: 'Lets a simulated device or service fail in one of its ways, or work again.',
  method: 'POST',
  path: '/simulators/:name',
  roles: ['manager'],
  params: z.object({ name }),
  query: nothing,
  body: z.object({ mode }),
  reply: Simulator,
});

import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { Id, Instant, nothing } from './parts';

/** One reading off a boat's own wires: one more reading with its own error, never the truth. */
export const WireReading = z.object({ wire: z.string(), value: z.number(), at: Instant });
export type WireReading = z.infer<typeof WireReading>;

/** What the quay asks of the gateway of a boat; a simulator and a real one answer alike. */
export type BoatGateway = {
  /** Said on screen wherever its readings are shown. */
  simulated: boolean;
  /** @returns what the boat's instruments said last, or why nothing is known: it is silent, or she has none */
  read(boat: {
    id: string;
  }): Promise<
    | { ok: true; readings: WireReading[]; position: { latitude: number; longitude: number; at: string } | undefined }
    | { ok: false; reason: 'silent' | 'none' }
  >;
  close(): Promise<void>;
};

export const GatewayReply = z.discriminatedUnion('is', [
  z.object({ is: z.literal('read'), readings: z.array(WireReading), simulated: z.boolean() }),
  z.object({ is: z.enum(['silent', 'none']) }),
]);
export type GatewayReply = z.infer<typeof GatewayReply>;

export const boatWires = endpoint({
  name: 'boatWires',
  summary: 'What a boat’s own instruments say now, by her gateway; or that it is silent, or that she has none.',
  method: 'GET',
  path: '/boats/:boatId/wires',
  roles: ['hand', 'manager'],
  params: z.object({ boatId: Id }),
  query: nothing,
  body: nothing,
  reply: GatewayReply,
});

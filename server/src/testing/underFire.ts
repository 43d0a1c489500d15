import { ENDPOINTS } from '@quay/contract/all';
import type { Endpoint } from '@quay/contract/endpoint';
import { hostileEvents } from './hostile';
import type { Client } from './client';

/** Somebody who sends: a renter within their hire, or staff. */
export type Sender = { client: Client; hire: string; device: string; headers: Record<string, string> };

const BATCH = 100;

/** Delivers hostile events as JSON text. @returns how each batch was answered, and how many events were taken */
export const fire = async (
  { client, hire, device, headers }: Sender,
  count: number,
  seed: number,
  sentAt: string,
): Promise<{ statuses: Map<number, number>; taken: number; refused: Map<string, number> }> => {
  const [statuses, refused] = [new Map<number, number>(), new Map<string, number>()];
  let taken = 0;
  const add = <K>(map: Map<K, number>, key: K) => map.set(key, (map.get(key) ?? 0) + 1);
  const send = async (texts: readonly string[]) => {
    const answer = await client.sendText('POST', `/hires/${hire}/events`, `{"sentAt":"${sentAt}","events":[${texts.join(',')}]}`, headers);
    add(statuses, answer.status);
    taken += (answer.json.synced as string[] | undefined)?.length ?? 0;
    for (const { reason } of (answer.json.refused as { reason: string }[] | undefined) ?? []) add(refused, reason);
  };
  let texts: string[] = [];
  for (const { event, text } of hostileEvents(count, seed, { hire, device })) {
    texts.push(text ?? JSON.stringify(event) ?? 'null');
    if (texts.length === BATCH) {
      await send(texts);
      texts = [];
    }
  }
  if (texts.length > 0) await send(texts);
  return { statuses, taken, refused };
};

/** Everything that is read and answered with data, by its address for one hire. */
export const reads = (role: 'hand' | 'manager' | 'renter', hire: string, boat: string): { name: string; path: string }[] =>
  ENDPOINTS.filter(({ method, roles }) => method === 'GET' && roles !== 'open' && roles.includes(role)).map((one: Endpoint) => ({
    name: one.name,
    path: one.path
      .replace(':hireId', hire)
      .replace(':boatId', boat)
      .replace(':baseId', 'ossel-quay')
      .replace(':classId', 'pontoon-7')
      .replace(':sha', 'a'.repeat(64))
      .replace(/:(out|back)/g, 'b'.repeat(64))
      .replace(':picture', 'heat')
      .replace(':attempt', 'x1')
      .replace(/:\w+/g, '1'),
  }));

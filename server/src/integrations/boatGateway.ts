import { connect } from 'node:net';
import type { BoatGateway, WireReading } from '@quay/contract/gateway';
import { sentenceOf } from '@quay/core/fuel/nmea';

/** How long sentences are waited for, ms: a gateway sends its own about once a second. */
const WAIT_MS = 2500;

type Heard = { readings: Map<string, WireReading>; position: { latitude: number; longitude: number; at: string } | undefined };

/** Listens to the sentences of one boat until each kind has come once, or the time is over. */
const listen = (host: string, port: number, boat: string, now: () => Date): Promise<Heard> =>
  new Promise((resolve) => {
    const heard: Heard = { readings: new Map(), position: undefined };
    const socket = connect({ host, port });
    let rest = '';
    const done = () => {
      clearTimeout(timer);
      socket.destroy();
      resolve(heard);
    };
    const timer = setTimeout(done, WAIT_MS);
    socket.on('connect', () => socket.write(`BOAT ${boat}\n`));
    socket.on('data', (data) => {
      const lines = (rest + data.toString('latin1')).split(/\r?\n/);
      rest = lines.pop() ?? '';
      const at = now().toISOString();
      for (const line of lines)
        for (const one of sentenceOf(line)) {
          // What cannot be believed is not taken; the next one comes in a second.
          if (one.is === 'transducer') heard.readings.set(one.name, { wire: one.name, value: one.value, at });
          else if (one.is === 'position') heard.position = { latitude: one.latitude, longitude: one.longitude, at };
        }
      if (heard.readings.size > 0 && heard.position) done();
    });
    // Nobody there is as good as silence.
    socket.on('error', done);
  });

/** The same as JSON, for gateways that are asked instead of listened to. */
const poll = async (host: string, port: number, boat: string): Promise<Heard> => {
  try {
    const answer = await fetch(`http://${host}:${port}/boats/${boat}`, { signal: AbortSignal.timeout(WAIT_MS) });
    if (!answer.ok) return { readings: new Map(), position: undefined };
    const { readings, position } = (await answer.json()) as { readings: WireReading[]; position?: Heard['position'] };
    return { readings: new Map(readings.map((one) => [one.wire, one])), position };
  } catch {
    // No answer, or none that can be read: silence, which the caller says.
    return { readings: new Map(), position: undefined };
  }
};

/** A gateway that is listened to over TCP as NMEA 0183, or polled as JSON. */
export const gatewayAt = (
  address: () => Promise<{ host: string; port: number }>,
  { simulated, way, now }: { simulated: boolean; way: 'nmea' | 'json'; now: () => Date },
  close: () => Promise<void> = () => Promise.resolve(),
): BoatGateway => ({
  simulated,
  read: async ({ id }) => {
    const { host, port } = await address();
    const { readings, position } = await (way === 'nmea' ? listen(host, port, id, now) : poll(host, port, id));
    return readings.size === 0 ? { ok: false, reason: 'silent' } : { ok: true, readings: [...readings.values()], position };
  },
  close,
});

export const noBoatGateway: BoatGateway = {
  simulated: false,
  read: () => Promise.resolve({ ok: false, reason: 'none' }),
  close: () => Promise.resolve(),
};

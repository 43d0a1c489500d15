import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import type { Simulated } from '@quay/contract/simulators';

/** Of one simulated boat: what her instruments would truly show. */
export type Wires = { fuelShare: number; hours: number; volts: number; position: readonly [longitude: number, latitude: number] };

const nmea = (body: string): string => {
  let sum = 0;
  for (let i = 0; i < body.length; i += 1) sum ^= body.charCodeAt(i);
  return `$${body}*${sum.toString(16).toUpperCase().padStart(2, '0')}\r\n`;
};

const minutes = (value: number, digits: number): string => {
  const whole = Math.floor(Math.abs(value));
  return `${String(whole).padStart(digits, '0')}${((Math.abs(value) - whole) * 60).toFixed(3).padStart(6, '0')}`;
};

/**
 * A simulated gateway as many boats have one: whoever connects names a boat (`BOAT id`, a line) and is sent sentences of NMEA
 * 0183 once a second; over HTTP on the same port, `GET /boats/ID` gives the same as JSON. It can be told to stick (the last
 * fuel for ever), to drift (more fuel by the minute) and to be silent (connected, and nothing comes).
 */
export const simulatedBoatGateway = (
  now: () => number = Date.now,
): Simulated<'boatGateway'> & {
  simulated: true;
  address(): Promise<{ port: number }>;
  close(): Promise<void>;
  wiresOf(boat: string): Wires;
} => {
  const sockets = new Set<Socket>();
  const timers = new Set<NodeJS.Timeout>();
  let server: Server | undefined;
  let listening: Promise<{ port: number }> | undefined;
  let stuck = new Map<string, number>();
  let mode: Simulated<'boatGateway'>['mode'] = 'works';
  let since = now();

  const wiresOf = (boat: string): Wires => {
    const seed = [...boat].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7);
    const truth = 0.55 + (seed % 40) / 100;
    const wobble = 0.012 * Math.sin(now() / 7000 + seed);
    const held = stuck.get(boat) ?? truth + wobble;
    if (mode === 'sticks') stuck.set(boat, held);
    const drift = mode === 'drifts' ? Math.min(0.35, ((now() - since) / 60_000) * 0.08 + 0.06) : 0;
    return {
      fuelShare: Math.min(1, mode === 'sticks' ? held : truth + wobble + drift),
      // Beyond what her earlier hires ran: a counter only counts up.
      hours: 1290.4 + (seed % 50) / 10,
      volts: 12.5 + (seed % 4) / 10,
      position: [-38.04 + (seed % 9) / 1000, 47.99 + (seed % 7) / 1000],
    };
  };
  const sentences = (boat: string): string => {
    const { fuelShare, hours, volts, position } = wiresOf(boat);
    const [longitude, latitude] = position;
    return (
      nmea(`IIXDR,V,${(fuelShare * 100).toFixed(1)},P,FUEL,U,${volts.toFixed(2)},V,HOUSE,G,${hours.toFixed(1)},H,ENGINE`) +
      nmea(`GPGLL,${minutes(latitude, 2)},${latitude < 0 ? 'S' : 'N'},${minutes(longitude, 3)},${longitude < 0 ? 'W' : 'E'},000000,A`)
    );
  };
  const json = (boat: string): string => {
    const { fuelShare, hours, volts, position } = wiresOf(boat);
    const at = new Date(now()).toISOString();
    return JSON.stringify({
      readings: [
        { wire: 'FUEL', value: Math.round(fuelShare * 1000) / 10, at },
        { wire: 'HOUSE', value: volts, at },
        { wire: 'ENGINE', value: hours, at },
      ],
      position: { longitude: position[0], latitude: position[1], at },
    });
  };

  const serve = (socket: Socket) => {
    sockets.add(socket);
    socket.on('close', () => sockets.delete(socket));
    // A caller that hangs up in the middle is nothing to a gateway.
    socket.on('error', () => socket.destroy());
    let said = '';
    socket.on('data', (data) => {
      said += data.toString('latin1');
      if (!said.includes('\n')) return;
      const http = /^GET \/boats\/([\w-]+) HTTP/.exec(said);
      const raw = /^BOAT ([\w-]+)/.exec(said);
      said = '';
      if (mode === 'silent') return;
      if (http) {
        const body = json(http[1]!);
        socket.end(
          `HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nContent-Length: ${body.length}\r\nConnection: close\r\n\r\n${body}`,
        );
      } else if (raw) {
        const send = () => {
          if (mode !== 'silent') socket.write(sentences(raw[1]!));
        };
        send();
        const timer = setInterval(send, 1000);
        timers.add(timer);
        socket.on('close', () => {
          clearInterval(timer);
          timers.delete(timer);
        });
      } else socket.end('HTTP/1.1 404 Not Found\r\nConnection: close\r\n\r\n');
    });
  };

  return {
    simulated: true,
    get mode() {
      return mode;
    },
    set mode(next) {
      mode = next;
      stuck = new Map();
      since = now();
    },
    wiresOf,
    address: () =>
      (listening ??= new Promise((resolve, reject) => {
        const made = createServer(serve);
        server = made;
        made.once('error', reject);
        made.listen(0, '127.0.0.1', () => resolve({ port: (made.address() as AddressInfo).port }));
        // A demonstration that ends need not wait for it.
        made.unref();
      })),
    close: () =>
      new Promise((resolve) => {
        for (const timer of timers) clearInterval(timer);
        for (const socket of sockets) socket.destroy();
        if (server) server.close(() => resolve());
        else resolve();
      }),
  };
};

import { ENDPOINTS } from '@quay/contract/all';
import * as z from 'zod/mini';

export const MANAGER = { name: 'Mina Garrow', secret: 'lamp on the long pier' };
export const HAND = { name: 'bram oduya', secret: '204618' };

type Answer = { status: number; json: Record<string, unknown>; headers: Headers; bytes: Buffer };

const WAYS = ENDPOINTS.map((endpoint) => ({
  endpoint,
  path: new RegExp(`^${endpoint.path.replace(/:\w+/g, '[^/]+')}$`),
}));

/** The app reads answers by their declarations, and takes one that does not read as none: so every test does. @throws what is wrong */
const readAnswer = (method: string, path: string, json: unknown): void => {
  const [address = ''] = path.split('?');
  const way = WAYS.find(({ endpoint, path: declared }) => endpoint.method === method && declared.test(address));
  const read = way && z.safeParse(way.endpoint.reply, json);
  if (read?.success === false) throw new Error(`${way!.endpoint.name} answers otherwise than declared: ${z.prettifyError(read.error)}`);
};

/** A client with its own cookies, as one browser has. */
export class Client {
  cookies = new Map<string, string>();
  constructor(readonly base: string) {}

  send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
    if (body === undefined) return this.ask(method, path, undefined, headers);
    if (body instanceof Uint8Array)
      return this.ask(method, path, body as Uint8Array<ArrayBuffer>, { 'content-type': 'application/octet-stream', ...headers });
    return this.sendText(method, path, JSON.stringify(body), headers);
  }

  /** Sends what may be no JSON, or more than any value can say. */
  sendText(method: string, path: string, text: string, headers: Record<string, string> = {}): Promise<Answer> {
    return this.ask(method, path, text, { 'content-type': 'application/json', ...headers });
  }

  private async ask(
    method: string,
    path: string,
    body: string | Uint8Array<ArrayBuffer> | undefined,
    headers: Record<string, string>,
  ): Promise<Answer> {
    const response = await fetch(`${this.base}/api${path}`, {
      method,
      headers: { cookie: [...this.cookies].map(([k, v]) => `${k}=${v}`).join('; '), ...headers },
      ...(body === undefined ? {} : { body }),
    });
    for (const line of response.headers.getSetCookie()) {
      const [pair = ''] = line.split(';');
      const [name = '', value = ''] = pair.split('=');
      if (value === '') this.cookies.delete(name);
      else this.cookies.set(name, value);
    }
    const type = response.headers.get('content-type') ?? '';
    // Read to its end in any case: a connection left half read keeps the server from stopping.
    const bytesOf = Buffer.from(await response.arrayBuffer());
    const json = (type.includes('json') ? JSON.parse(bytesOf.toString()) : {}) as Record<string, unknown>;
    if (response.ok && type.startsWith('application/json')) readAnswer(method, path, json);
    return { status: response.status, json, headers: response.headers, bytes: bytesOf };
  }

  /** What a way that gives a file gives. */
  async bytes(path: string): Promise<Buffer> {
    const cookie = [...this.cookies].map(([k, v]) => `${k}=${v}`).join('; ');
    return Buffer.from(await (await fetch(`${this.base}/api${path}`, { headers: { cookie } })).arrayBuffer());
  }

  signIn(who: { name: string; secret: string }) {
    return this.send('POST', '/session', who);
  }
}

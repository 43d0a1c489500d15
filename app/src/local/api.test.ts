import { listBoats } from '@quay/contract/fleet';
import { call, callForFile, NoAnswer, Refused, Unread } from './api';

/** What the browser makes of an answer that breaks off after its head. */
const brokenOff = (ok: boolean) =>
  ({
    ok,
    status: ok ? 200 : 422,
    headers: new Headers(ok ? {} : { 'content-type': 'application/problem+json' }),
    json: () => Promise.reject(new TypeError('Failed to fetch')),
    blob: () => Promise.reject(new TypeError('Failed to fetch')),
  }) as unknown as Response;
const answer = (response: Response) => {
  globalThis.fetch = jest.fn(() => Promise.resolve(response));
};

describe('an answer of the quay', () => {
  const before = globalThis.fetch;
  afterEach(() => {
    globalThis.fetch = before;
  });

  it('that breaks off half-way is none, whether it was a yes, a no or a file', async () => {
    answer(brokenOff(true));
    await expect(call(listBoats)).rejects.toBeInstanceOf(NoAnswer);
    await expect(callForFile(listBoats)).rejects.toBeInstanceOf(NoAnswer);
    answer(brokenOff(false));
    await expect(call(listBoats)).rejects.toBeInstanceOf(NoAnswer);
  });

  it('of somebody who stands before the quay is none; a no of the quay’s own is a refusal', async () => {
    answer(new Response('bad gateway', { status: 502 }));
    await expect(call(listBoats)).rejects.toBeInstanceOf(NoAnswer);
    const problem = { type: 'about:blank', code: 'no', status: 403 };
    answer(new Response(JSON.stringify(problem), { status: 403, headers: { 'content-type': 'application/problem+json' } }));
    await expect(call(listBoats)).rejects.toBeInstanceOf(Refused);
  });

  it('that does not read as its declaration says is none either, and says which part', async () => {
    answer(new Response(JSON.stringify([{ id: 'b-1', name: 7 }]), { status: 200 }));
    const failed = await call(listBoats).catch((error: unknown) => error);
    expect(failed).toBeInstanceOf(Unread);
    expect((failed as Error).message).toMatch(/^listBoats: /);
    answer(new Response('{"code":7}', { status: 403, headers: { 'content-type': 'application/problem+json' } }));
    await expect(call(listBoats)).rejects.toMatchObject({ message: 'status 403' });
  });
});

/** A call that was made, as a test sees it. */
export type Sent = { path: string; method: string; headers: Record<string, string>; body: unknown };
/** What is said to it; 200 where no status is named. */
export type Answer = { status?: number; json?: unknown; epoch?: string; ahead?: number };

/** Puts somebody in the quay's place who hears each call and answers it; what they throw is a way that is cut. */
export const answerFetch = (heard: (one: Sent) => Answer | Promise<Answer>): void => {
  globalThis.fetch = (async (path: string, init: { method: string; headers: Record<string, string>; body?: BodyInit }) => {
    const {
      status = 200,
      json,
      epoch,
      ahead,
    } = await heard({
      path,
      method: init.method,
      headers: init.headers,
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : init.body,
    });
    return new Response(JSON.stringify(json), {
      status,
      headers: {
        'content-type': status === 200 ? 'application/json' : 'application/problem+json',
        ...(epoch === undefined ? {} : { 'x-quay-epoch': epoch }),
        ...(ahead === undefined ? {} : { 'x-quay-clock-ahead-ms': String(ahead) }),
      },
    });
  }) as typeof fetch;
};
